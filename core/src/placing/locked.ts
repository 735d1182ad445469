import { lockOf } from '../model/grouping'
import type { Placeable, Worked } from './body'

/** The name of what locks the first of these things that is locked: its pattern, a group, its part; undefined where all are free. */
export function lockedAmong(
  { project, outcomes }: Pick<Worked, 'project' | 'outcomes'>,
  things: readonly Placeable[],
): string | undefined {
  const byPattern = new Map(project.patterns.map(({ id }) => [id, lockOf(project, id)]))
  const parts = project.parts.map(({ locked, name }) => (locked ? name : undefined))
  const tables = parts.some((name) => name !== undefined) ? new Map(outcomes.map((o) => [o.id, o.table])) : undefined
  for (const of of things) {
    if (of.is === 'patterns') {
      const by = of.ids.map((id) => byPattern.get(id)).find((name) => name !== undefined)
      if (by !== undefined) return by
      continue
    }
    const table = tables?.get(of.pattern)
    const row = table ? table.rowOf(of.slot) : -1
    const by = byPattern.get(of.pattern) ?? (row < 0 ? undefined : parts[table!.thing[row]])
    if (by !== undefined) return by
  }
  return undefined
}
