import { InstanceTable } from '../instances'
import type { Part } from '../model/part'
import { fromTurns } from '../geometry/rotation'

/** The parts inside an assembly as copies, in its axes; each keeps its slot by its place in the list. */
export function assemblyTable({ shape }: Part, thingOf: (id: string) => number): InstanceTable {
  const table = new InstanceTable()
  const members = shape.kind === 'assembly' ? shape.members : []
  table.neutral(members.length)
  for (const [k, { part, move, turn, size }] of members.entries()) {
    table.position.set(move, 3 * k)
    table.quaternion.set(fromTurns(turn), 4 * k)
    table.scale.set(size, 3 * k)
    table.thing[k] = thingOf(part)
    table.slotLow[k] = k
  }
  return table
}
