import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'

/** Picked copies: keys of slots by pattern. */
export type Picks = ReadonlyMap<string, ReadonlySet<string>>

/**
 * What is picked: a pattern whose sentences are read, any number of copies of any patterns, and perhaps a part. Ids and slots,
 * so that it survives undo and every change of the patterns.
 */
export const useSelection = defineStore('selection', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const patternId = ref<string>()
  const partId = ref<string>()
  const picks = shallowRef<Picks>(new Map())

  const pattern = computed(() => document.project.patterns.find((p) => p.id === patternId.value))
  const part = computed(() => document.project.parts.find((p) => p.id === partId.value))
  const outcome = computed(() => (patternId.value ? outcomes.byId.get(patternId.value) : undefined))
  const count = computed(() => [...picks.value.values()].reduce((n, keys) => n + keys.size, 0))
  /** The slot of the one copy that is picked, where it is one of the picked pattern. */
  const slot = computed(() => {
    const keys = count.value === 1 && patternId.value ? picks.value.get(patternId.value) : undefined
    return keys && [...keys][0]
  })

  function pickPattern(id: string | undefined): void {
    patternId.value = id
    partId.value = undefined
    if (picks.value.size > 0) picks.value = new Map()
    void outcomes.watchStrip(id)
  }

  function pickCopy(id: string, key: string): void {
    pickPattern(id)
    picks.value = new Map([[id, new Set([key])]])
  }

  /** Adds a copy to what is picked, or takes it away. */
  function toggleCopy(id: string, key: string): void {
    const keys = new Set(picks.value.get(id))
    if (!keys.delete(key)) keys.add(key)
    pickCopies(new Map(picks.value).set(id, keys))
  }

  /** Picks copies of any patterns; the sentences go to the first of them unless theirs is among them. */
  function pickCopies(next: Picks): void {
    const kept = new Map([...next].filter(([, keys]) => keys.size > 0))
    partId.value = undefined
    picks.value = kept
    const [first] = kept.keys()
    if (first === undefined || (patternId.value !== undefined && kept.has(patternId.value))) return
    patternId.value = first
    void outcomes.watchStrip(first)
  }

  function pickPart(id: string | undefined): void {
    partId.value = id
  }

  return {
    patternId,
    partId,
    picks,
    count,
    slot,
    pattern,
    part,
    outcome,
    pickPattern,
    pickCopy,
    toggleCopy,
    pickCopies,
    pickPart,
  }
})
