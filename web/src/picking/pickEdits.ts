import type { InstanceTable } from '@hilera/core/instances'
import type { SavedSet } from '@hilera/core/model/project'
import { removal } from '../stores/history'
import { freeName } from '@hilera/core/names'
import { patternsIn } from '@hilera/core/model/grouping'
import { type Condition, pickCombined } from '@hilera/core/selection/combined'
import { inverted } from '@hilera/core/selection/pick'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { type Picks, useSelection } from '../stores/selection'
import { usePickContext } from './context'

/** What a new pick does with the copies that are picked already: in their place, added, taken away, or only those stay that are in both. */
export type PickHow = 'only' | 'add' | 'away' | 'keep'

/** Picking copies by words, and keeping what is picked under a name. */
export function usePickEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const contextOf = usePickContext()

  const tableOf = (id: string): InstanceTable | undefined => outcomes.byId.get(id)?.table

  /** What conditions find in one pattern, in those of a group, or in all that are shown. */
  function found(conditions: readonly Condition[], where: string | undefined): Picks {
    const shown = document.project.patterns.filter((p) => !p.hidden).map((p) => p.id)
    const inGroup = document.project.groups.some((g) => g.id === where) && new Set(patternsIn(document.project, where!))
    const ids = where === undefined ? shown : inGroup ? shown.filter((id) => inGroup.has(id)) : [where]
    return new Map(
      ids.flatMap((id) => {
        const table = tableOf(id)
        return table ? [[id, new Set(pickCombined(table, id, conditions, contextOf(id)))] as const] : []
      }),
    )
  }

  function take(next: Picks, how: PickHow): void {
    if (how === 'only') return selection.pickCopies(next)
    if (how === 'keep')
      return selection.pickCopies(
        new Map([...selection.picks].map(([id, keys]) => [id, new Set([...keys].filter((k) => next.get(id)?.has(k)))])),
      )
    const now = new Map([...selection.picks].map(([id, keys]) => [id, new Set(keys)]))
    for (const [id, keys] of next) {
      const own = now.get(id) ?? new Set<string>()
      now.set(id, own)
      for (const key of keys) {
        if (how === 'add') own.add(key)
        else own.delete(key)
      }
    }
    selection.pickCopies(now)
  }

  /** Picks what is not picked of the patterns of which something is, or of the one that is read. */
  function invert(): void {
    const ids =
      selection.picks.size > 0 ? [...selection.picks.keys()] : selection.patternId ? [selection.patternId] : []
    selection.pickCopies(
      new Map(
        ids.flatMap((id) => {
          const table = tableOf(id)
          return table ? [[id, new Set(inverted(table, selection.picks.get(id) ?? new Set()))] as const] : []
        }),
      ),
    )
  }

  const none = (): void => selection.pickPattern(selection.patternId)

  /** Keeps what is picked under a name, in the document. */
  function save(wanted = 'Selection'): void {
    const copies = Object.fromEntries([...selection.picks].map(([id, keys]) => [id, [...keys]]))
    const name = freeName(
      wanted.trim().slice(0, 80) || 'Selection',
      document.project.sets.map((s) => s.name),
    )
    document.change(
      `save the selection ${name}`,
      (project) => void project.sets.push({ id: newId('set'), name, copies }),
    )
  }
  const recall = (set: SavedSet, how: PickHow = 'only'): void =>
    take(new Map(Object.entries(set.copies).map(([id, keys]) => [id, new Set(keys)])), how)
  /** The step that kept to a selection that goes keeps to all copies again. */
  function drop(set: SavedSet): void {
    document.change(`remove the selection ${set.name}`, removal(set.id))
  }
  function renew(set: SavedSet): void {
    const copies = Object.fromEntries([...selection.picks].map(([id, keys]) => [id, [...keys]]))
    document.change(`selection ${set.name}`, (project) => {
      const own = project.sets.find((s) => s.id === set.id)
      if (own) own.copies = copies
    })
  }
  function rename(set: SavedSet, name: string): void {
    document.change(`name of the selection ${set.name}`, (project) => {
      const own = project.sets.find((s) => s.id === set.id)
      if (own) own.name = name
    })
  }

  return { found, take, invert, none, save, recall, drop, renew, rename }
}
