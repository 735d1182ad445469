import { InstanceTable } from '../instances'
import type { Part, PartFrame } from '../model/part'
import { type Quaternion, UNTURNED, compose, fromAxes, fromTurns, rotate } from '../geometry/rotation'
import { minus } from '../geometry/vec'
import { turnOf, type Vec3 } from '../values/values'

/**
 * The parts inside an assembly as copies about its pivot, turned as it stands in its part; each keeps its slot by its place in the list.
 */
export function assemblyTable({ shape, frame }: Part, thingOf: (id: string) => number): InstanceTable {
  const table = new InstanceTable()
  const members = shape.kind === 'assembly' ? shape.members : []
  const pivot = frame?.pivot ?? [0, 0, 0]
  const stands = turnIn(frame)
  table.neutral(members.length)
  for (const [k, { part, move, turn, size }] of members.entries()) {
    table.setMove(k, frame ? rotate(stands, minus(move, pivot)) : move)
    table.setTurn(k, frame ? compose(stands, fromTurns(turn)) : fromTurns(turn))
    table.scale.set(size, 3 * k)
    table.thing[k] = thingOf(part)
    table.slotLow[k] = k
  }
  return table
}

/** What brings a shape's axes into those of its part: see `framed`, which does the same to a mesh. */
function turnIn(frame: PartFrame | undefined): Quaternion {
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return UNTURNED
  const [across, up, deep] = [0, 1, 2].map((i): Vec3 => [rows[0][i], rows[1][i], rows[2][i]])
  return fromAxes(across, up, deep)
}
