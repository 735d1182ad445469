import { Flag, type InstanceTable } from '../../instances'
import { acrossTurn } from '../../geometry/isometry'
import type { Companion } from '../../model/layout'
import type { Vec3 } from '../../values/values'
import { type Quaternion, compose, fromTurns, rotate } from '../../geometry/rotation'
import { boxOf, type Support } from '../../spacing/support'
import { type Result, type Segment, done, plural, refused } from '../../words'
import { type LayoutContext, type Placement } from '../placement'

/** Another pattern's copies, each of them a part, with the turn and place that bring them into the world. */
export interface PlacedHost {
  readonly name: string
  readonly table: InstanceTable
  readonly move: Vec3
  readonly turn: Quaternion
  readonly supportOf: (thing: number) => Support
  /** A point of a part by its name; undefined where the part has none of that name. */
  readonly pointOf: (thing: number, name: string) => Vec3 | undefined
}

/**
 * Places one copy with every copy of another pattern (or every n-th), tied to a point of the host's outline, so that a
 * taller host lifts its companion. Follows moved, turned, sized and swapped hosts, and leaves empty places alone.
 * A companion keeps its host's slot.
 */
export function placeCompanion(companion: Companion, context: LayoutContext): Result<Placement> {
  const host = context.hostCopies(companion.host)
  if (!host) return refused('The pattern that this one accompanies is not there. Choose another.')
  const rows: number[] = []
  for (let k = 0, n = 0; k < host.table.count; k++) {
    if (host.table.flags[k] & Flag.empty) continue
    if (n++ % companion.every === 0) rows.push(k)
  }
  const point = companion.at === 'point' ? (companion.point ?? '') : undefined
  const lacking = point === undefined ? 0 : rows.filter((k) => !host.pointOf(host.table.thing[k], point)).length
  const facts: Segment[] = [
    { count: rows.length },
    plural(rows.length, ' copy', ' copies'),
    ` with those of ${host.name}`,
  ]
  if (companion.every > 1) facts.push(', one for every ', { count: companion.every })
  if (lacking > 0)
    facts.push(
      ' · ',
      { count: lacking, tone: 'caution' },
      ` of these hosts have no point “${point}” and tie at their pivot`,
    )
  return done({
    facts,
    working: [],
    outcome: { kind: 'companion', hosts: rows.length },
    write: (table) => write(table, companion, host, rows, context),
  })
}

function write(
  table: InstanceTable,
  companion: Companion,
  { table: from, move, turn, supportOf, pointOf }: PlacedHost,
  rows: readonly number[],
  { dealt }: LayoutContext,
): void {
  table.neutral(rows.length)
  const own = fromTurns(companion.turn)
  const ties = new Map<number, Vec3>()
  const tieOf = (thing: number): Vec3 => {
    const known = ties.get(thing)
    if (known) return known
    const { low, high } = boxOf(supportOf(thing))
    const named = companion.at === 'point' ? pointOf(thing, companion.point ?? '') : undefined
    const height = { base: low[1], centre: (low[1] + high[1]) / 2, top: high[1], pivot: 0, point: 0 }[companion.at]
    const made: Vec3 = named ?? [0, height, 0]
    ties.set(thing, made)
    return made
  }
  for (const [n, k] of rows.entries()) {
    const q: Quaternion = from.turnOf(k)
    const size = from.scale.subarray(3 * k, 3 * k + 3)
    const tie = tieOf(from.thing[k])
    // In the host pattern's axes first, then in the world.
    const follows = companion.axes === 'copy'
    // In the mirror image of a host its companion stands as in the mirror.
    const hand = from.isTwin(k) ? -1 : 1
    const local: Vec3 = [0, 1, 2].map(
      (i) => (i === 0 ? hand : 1) * (tie[i] * size[i] + (follows ? companion.offset[i] : 0)),
    ) as Vec3
    const turned = rotate(q, local)
    const at = rotate(turn, [
      from.position[3 * k] + turned[0],
      from.position[3 * k + 1] + turned[1],
      from.position[3 * k + 2] + turned[2],
    ])
    for (let i = 0; i < 3; i++) table.position[3 * n + i] = at[i] + move[i] + (follows ? 0 : companion.offset[i])
    table.quaternion.set(follows ? compose(compose(turn, q), hand < 0 ? acrossTurn(own) : own) : own, 4 * n)
    table.slotLow[n] = from.slotLow[k]
    table.slotHigh[n] = from.slotHigh[k]
  }
  dealt.deal(table)
}
