import { acrossTurn } from '../../geometry/isometry'
import { compose, fromTurns, rotate } from '../../geometry/rotation'
import type { Vec3 } from '../../geometry/vec'
import type { InstanceTable } from '../../instances'
import { heightOf } from '../../spacing/ties'
import { boxOf } from '../../spacing/support'
import { type Fact, type Result, done, fact, plural, refused } from '../../words'
import type { LayoutContext, PlacedHost, Placement } from '../context'
import type { Companion } from './schema'

export interface CompanionOutcome {
  readonly kind: 'companion'
  readonly hosts: number
}

type HostCopy = PlacedHost['copies'][number]

/**
 * Places one copy with every copy of another pattern (or every n-th), tied to a point of the host's outline, so that a
 * taller host lifts its companion. Follows moved, turned, sized and swapped hosts, also across a mirror, and goes with none
 * that is not present. An assembly is one host. A companion keeps its host's slot.
 */
export function placeCompanion(companion: Companion, context: LayoutContext): Result<Placement<CompanionOutcome>> {
  const host = context.hostCopies(companion.host)
  if (!host) return refused('The pattern that this one accompanies is not there. Choose another.')
  const copies = host.copies.filter((_, n) => n % companion.every === 0)
  const point = companion.at === 'point' ? (companion.point ?? '') : undefined
  const lacking =
    point === undefined ? 0 : copies.filter(({ table, row }) => !host.pointOf(table.thing[row], point)).length
  const facts: Fact[] = [
    fact(
      'count',
      { count: copies.length },
      plural(copies.length, ' copy', ' copies'),
      ` with those of ${host.name}`,
      ...(companion.every > 1 ? [', one for every ', { count: companion.every }] : []),
    ),
  ]
  if (lacking > 0)
    facts.push(
      fact(
        'point',
        { count: lacking, tone: 'caution' },
        ` of these hosts have no point “${point}” and tie at their pivot`,
      ),
    )
  return done({
    facts,
    working: [],
    outcome: { kind: 'companion', hosts: copies.length },
    write: (table) => write(table, companion, host, copies, context),
  })
}

function write(
  table: InstanceTable,
  companion: Companion,
  host: PlacedHost,
  copies: readonly HostCopy[],
  { dealt }: LayoutContext,
): void {
  table.neutral(copies.length)
  const own = fromTurns(companion.turn)
  const ties = new Map<number, Vec3>()
  const tieOf = (thing: number): Vec3 => {
    const known = ties.get(thing)
    if (known) return known
    const made: Vec3 =
      companion.at === 'point'
        ? (host.pointOf(thing, companion.point ?? '') ?? [0, 0, 0])
        : [0, heightOf(companion.at, boxOf(host.supportOf(thing))), 0]
    ties.set(thing, made)
    return made
  }
  const follows = companion.axes === 'copy'
  for (const [n, { table: from, row, slotLow, slotHigh, move, turn }] of copies.entries()) {
    const q = from.turnOf(row)
    const size = from.sizeOf(row)
    const tie = tieOf(from.thing[row])
    // In the mirror image of a host its companion stands as in the mirror.
    const hand = from.isTwin(row) ? -1 : 1
    const local = [0, 1, 2].map(
      (i) => (i === 0 ? hand : 1) * (tie[i] * size[i] + (follows ? companion.offset[i] : 0)),
    ) as Vec3
    // In the host's axes first, then in the world.
    const turned = rotate(q, local)
    const at = rotate(turn, from.moveOf(row).map((p, i) => p + turned[i]) as Vec3)
    for (let i = 0; i < 3; i++) table.position[3 * n + i] = at[i] + move[i] + (follows ? 0 : companion.offset[i])
    table.setTurn(n, follows ? compose(compose(turn, q), hand < 0 ? acrossTurn(own) : own) : own)
    table.slotLow[n] = slotLow
    table.slotHigh[n] = slotHigh
  }
  table.slotsChanged()
  dealt.deal(table)
}
