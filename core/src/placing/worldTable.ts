import { UNTURNED } from '../geometry/rotation'
import { InstanceTable, type Placing } from '../instances'
import { type Placeable, type Worked } from './body'
import { inWorld } from '../model/inWorld'

/**
 * Picked things of any patterns as rows of one table in the axes of the world, in their order: copies as their parts, patterns as
 * things of their own. What is not there now is left out.
 */
export function worldTable(
  { project, outcomes }: Pick<Worked, 'project' | 'outcomes'>,
  things: readonly Placeable[],
): InstanceTable {
  const table = new InstanceTable()
  const rows = things.flatMap((of): Row[] => {
    const ids = of.is === 'copy' ? [of.pattern] : of.ids
    return ids.flatMap((id): Row[] => {
      const at = project.patterns.findIndex((p) => p.id === id)
      const own = outcomes.find((o) => o.id === id)?.table
      const pattern = project.patterns[at]
      if (!pattern || !own) return []
      if (of.is === 'patterns')
        return [
          {
            row: -1,
            thing: project.parts.length + at,
            stands: inWorld(pattern, { move: [0, 0, 0], turn: UNTURNED, size: [1, 1, 1] }),
          },
        ]
      const row = own.rowOf(of.slot)
      return row < 0 ? [] : [{ own, row, thing: own.thing[row], stands: inWorld(pattern, own.placingOf(row)) }]
    })
  })
  table.neutral(rows.length)
  for (const [k, { own, row, thing, stands }] of rows.entries()) {
    if (own) table.putRow(own, row, k)
    table.setMove(k, stands.move)
    table.setTurn(k, stands.turn)
    table.setSize(k, stands.size)
    table.thing[k] = thing
    table.slotLow[k] = k
    table.slotHigh[k] = 0
  }
  table.slotsChanged()
  return table
}

interface Row {
  readonly own?: InstanceTable
  readonly row: number
  readonly thing: number
  readonly stands: Placing
}
