import { watchDebounced } from '@vueuse/core'
import * as Comlink from 'comlink'
import { defineStore } from 'pinia'
import { computed, shallowRef, toRaw, watch } from 'vue'
import { lookedAt, lookWith, stopLooking } from '../worker/looking'
import type { CrowdUpdate, PatternUpdate } from '../worker/messages'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'

/** After so long without a change it is looked, in milliseconds. */
const REST = 400

/** The overlaps in all patterns that are shown, found in the background; those of the picked one may be known sooner. */
export const useOverlaps = defineStore('overlaps', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  /** By what they were found in: a pattern that was worked out anew is looked at again. */
  const known = new WeakMap<PatternUpdate, CrowdUpdate>()
  const found = shallowRef(0)
  let busy = false

  const shown = computed(() => {
    const hidden = new Set(outcomes.worked.patterns.flatMap((p) => (p.hidden ? [p.id] : [])))
    return outcomes.patterns.filter((p) => !hidden.has(p.id) && p.table.count > 1)
  })
  const of = (update: PatternUpdate): CrowdUpdate | undefined => {
    void found.value
    const live = outcomes.crowd?.id === update.id && outcomes.settled ? outcomes.crowd : undefined
    return live ?? known.get(toRaw(update))
  }
  /** True until all that is shown has been looked at as it stands. */
  const looking = computed(() => shown.value.some((update) => !of(update)))
  const count = computed(() => shown.value.reduce((n, update) => n + (of(update)?.count ?? 0), 0))

  async function look(): Promise<void> {
    const wanted = shown.value.filter((update) => !of(update))
    if (busy || wanted.length === 0 || !outcomes.settled) return
    busy = true
    const by = new Map(wanted.map((update) => [update.id, toRaw(update)]))
    const take = Comlink.proxy((crowd: CrowdUpdate): void => {
      const update = by.get(crowd.id)
      if (update) known.set(update, crowd)
      found.value++
      // Told only after all: one that was known because it was picked may have been left meanwhile.
      if (!busy) void look()
    })
    const all = lookedAt(outcomes.patterns)
    try {
      await lookWith(outcomes.worked, document.meshes, (to) => to.overlaps(all, [...by.keys()], take))
    } finally {
      busy = false
    }
    // One that was known because it was picked may have been left meanwhile.
    if (wanted.every((update) => of(update))) void look()
  }

  // What has changed meanwhile is not worth finishing.
  watch(
    () => outcomes.patterns,
    () => busy && stopLooking(),
  )
  watchDebounced(() => [outcomes.patterns, outcomes.settled, looking.value], look, {
    debounce: REST,
    immediate: true,
  })

  return { looking, count, of }
})
