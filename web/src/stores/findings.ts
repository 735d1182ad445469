import type { Finding } from '@hilera/core/findings/definition'
import { isIgnored } from '@hilera/core/findings/ignored'
import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, toRaw, watch } from 'vue'
import { lookedAt, lookWith, stopLooking } from '../worker/looking'
import type { PatternUpdate } from '../worker/messages'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'
import { useOverlaps } from './overlaps'

/** After so long without a change everything is looked through, in milliseconds. */
const REST = 800

/** What is wrong with the arrangement, found in the background once it rests. */
export const useFindings = defineStore('findings', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const overlaps = useOverlaps()
  const known = shallowRef<{ readonly of: readonly PatternUpdate[]; readonly findings: readonly Finding[] }>()
  let busy = false

  /** Of the state that was last looked through, without those that are ignored; undefined before the first time. */
  const findings = computed(() => known.value?.findings.filter((finding) => !isIgnored(finding, document.project)))
  const ignored = computed(() => (known.value?.findings.length ?? 0) - (findings.value?.length ?? 0))
  /** Whether these are of a state that has passed. */
  const looking = computed(() => !known.value || toRaw(known.value.of) !== toRaw(outcomes.patterns))
  const byPattern = computed(() => {
    const told = new Map<string, Finding[]>()
    for (const finding of findings.value ?? [])
      for (const id of [finding.pattern, finding.other?.pattern])
        if (id !== undefined) told.set(id, [...(told.get(id) ?? []), finding])
    return told
  })

  async function look(): Promise<void> {
    // The overlaps that the stage shows come first.
    if (busy || !looking.value || !outcomes.settled || overlaps.looking) return
    busy = true
    const of = outcomes.patterns
    const [worked, all] = [outcomes.worked, lookedAt(of)]
    try {
      const found = await lookWith(worked, document.meshes, (to) => to.findings(all))
      if (found) known.value = { of, findings: found }
    } finally {
      busy = false
    }
  }
  watch(
    () => outcomes.patterns,
    () => busy && stopLooking(),
  )
  watchDebounced(() => [outcomes.patterns, outcomes.settled, overlaps.looking, looking.value], look, {
    debounce: REST,
    immediate: true,
  })

  return { findings, ignored, looking, byPattern }
})
