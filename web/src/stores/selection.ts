import { isIn } from '@hilera/core/model/grouping'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'

/** Picked copies: keys of slots by pattern. */
export type Picks = ReadonlyMap<string, ReadonlySet<string>>

/** Patterns and groups picked in the list beside each other, by their ids. */
export type ListPicks = readonly string[]

/**
 * What is picked: a pattern whose sentences are read, any number of copies of any patterns, and perhaps a part. Ids and slots,
 * so that it survives undo and every change of the patterns.
 */
export const useSelection = defineStore('selection', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const patternId = ref<string>()
  const partId = ref<string>()
  /** The ground or the plan whose sentences are read instead of those of a pattern. */
  const underId = ref<string>()
  const picks = shallowRef<Picks>(new Map())
  /** Patterns and groups that are picked as wholes, the one that is read among them unless it belongs to a picked group. */
  const wholes = shallowRef<ListPicks>([])
  /** The one pattern that is picked is taken hold of as a whole, by the pins that move, turn and size it, instead of those of its layout. */
  const asWhole = ref(false)
  /** The key of the thing that leads where several are picked; see `keyOf`. */
  const marked = ref<string>()

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
    underId.value = undefined
    wholes.value = id === undefined ? [] : [id]
    asWhole.value = false
    if (picks.value.size > 0) picks.value = new Map()
    void outcomes.watchStrip(id)
  }

  function pickCopy(id: string, key: string): void {
    pickPattern(id)
    picks.value = new Map([[id, new Set([key])]])
  }

  /** Adds a pattern or a group to what is picked as wholes, or takes it away; the last one is read. */
  function toggleWhole(id: string): void {
    const { groups, patterns } = document.project
    const next = wholes.value.includes(id) ? wholes.value.filter((other) => other !== id) : [...wholes.value, id]
    const inside = (whole: string): string | undefined =>
      groups.some((g) => g.id === whole) ? patterns.find((p) => isIn(groups, p.group, whole))?.id : whole
    pickPattern(inside(next.at(-1) ?? id))
    wholes.value = next
  }
  /** Picks a group as one: what is inside it moves together. */
  function pickGroup(id: string): void {
    wholes.value = []
    toggleWhole(id)
  }

  /** Adds a copy to what is picked, or takes it away. */
  function toggleCopy(id: string, key: string): void {
    const keys = new Set(picks.value.get(id))
    if (!keys.delete(key)) keys.add(key)
    pickCopies(new Map(picks.value).set(id, keys))
  }

  /** Picks a copy that was clicked: with Shift or Ctrl beside what is picked, or no longer. */
  function clickCopy(id: string, key: string, { shiftKey, ctrlKey, metaKey }: MouseEvent): void {
    if (shiftKey || ctrlKey || metaKey) toggleCopy(id, key)
    else pickCopy(id, key)
  }

  /** Picks copies of any patterns; the sentences go to the first of them unless theirs is among them. */
  function pickCopies(next: Picks): void {
    const kept = new Map([...next].filter(([, keys]) => keys.size > 0))
    partId.value = undefined
    underId.value = undefined
    picks.value = kept
    wholes.value = []
    asWhole.value = false
    const [first] = kept.keys()
    if (first === undefined || (patternId.value !== undefined && kept.has(patternId.value))) return
    patternId.value = first
    void outcomes.watchStrip(first)
  }

  function pickPart(id: string | undefined): void {
    partId.value = id
  }
  const pickUnder = (id: string | undefined): void => void (underId.value = id)

  return {
    patternId,
    partId,
    underId,
    picks,
    wholes,
    asWhole,
    marked,
    count,
    slot,
    pattern,
    part,
    outcome,
    pickPattern,
    pickGroup,
    toggleWhole,
    pickCopy,
    clickCopy,
    toggleCopy,
    pickCopies,
    pickPart,
    pickUnder,
  }
})
