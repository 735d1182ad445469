import type { Placeable } from '@hilera/core/placing/body'
import { keyOf } from '@hilera/core/placing/proposed'
import { isIn, patternsIn } from '@hilera/core/model/grouping'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** What is picked, as things that can be put elsewhere: copies, or whole patterns and groups; and which of them leads. */
export const usePicked = defineStore('picked', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()

  /** The same as before while it is of the same things, so that who follows it is not woken by every outcome. */
  const things = computed<readonly Placeable[]>((before) => {
    const now = found()
    return before?.length === now.length && before.every((of, i) => keyOf(of) === keyOf(now[i])) ? before : now
  })
  function found(): readonly Placeable[] {
    if (selection.count > 0)
      return [...selection.picks].flatMap(([pattern, keys]) =>
        inOrder(pattern, keys).map((slot) => ({ is: 'copy' as const, pattern, slot })),
      )
    const { patterns } = document.project
    return selection.wholes.flatMap((id): Placeable[] => {
      if (patterns.some((p) => p.id === id)) return [{ is: 'patterns', ids: [id] }]
      const inside = patternsIn(document.project, id)
      return inside.length > 0 ? [{ is: 'patterns', ids: inside }] : []
    })
  }
  /** Copies as they are numbered, whichever was picked first. */
  function inOrder(pattern: string, keys: ReadonlySet<string>): string[] {
    const table = outcomes.byId.get(pattern)?.table
    if (!table) return [...keys]
    return [...keys]
      .map((key) => ({ key, row: table.rowOf(key) }))
      .sort((a, b) => a.row - b.row)
      .map(({ key }) => key)
  }
  const marked = computed(() => things.value.find((of) => keyOf(of) === selection.marked) ?? things.value[0])
  const mark = (of: Placeable): void => void (selection.marked = keyOf(of))
  /** The next of them leads. */
  function markNext(): void {
    const at = things.value.findIndex((of) => marked.value && keyOf(of) === keyOf(marked.value))
    const next = things.value[(at + 1) % things.value.length]
    if (next) mark(next)
  }

  /** "Shelf tins 3", "Sampler tray", "Shop window". */
  function nameOf(of: Placeable): string {
    const { patterns, groups } = document.project
    const named = (id: string): string => patterns.find((p) => p.id === id)?.name ?? ''
    if (of.is === 'copy') {
      const row = outcomes.byId.get(of.pattern)?.table.rowOf(of.slot) ?? -1
      return `${named(of.pattern)} ${row < 0 ? '' : row + 1}`.trim()
    }
    if (of.ids.length === 1) return named(of.ids[0])
    const group = selection.wholes
      .map((id) => groups.find((g) => g.id === id))
      .find((g) => g && of.ids.every((id) => isIn(groups, patterns.find((p) => p.id === id)?.group, g.id)))
    return group?.name ?? named(of.ids[0])
  }

  /** Whether pins stand about what is picked: a single pattern has those of its layout until it is taken hold of as a whole. */
  const isHeld = computed(() => {
    const [first] = things.value
    if (selection.count > 0 || things.value.length > 1) return true
    return first?.is === 'patterns' && (first.ids.length > 1 || selection.asWhole)
  })
  /** Takes hold of the one pattern that is picked. */
  const takeHold = (): void => void (selection.asWhole ||= things.value.length === 1 && !isHeld.value)

  return { things, marked, mark, markNext, nameOf, isHeld, takeHold }
})
