import { NO_BOX, boxAround } from '../../geometry/box'
import type { StepOutcome } from '../definition'
import type { InstanceTable } from '../../instances'
import type { Clear } from './schema'
import { type Facts, fact, type Segment, plural } from '../../words'
import type { Bodies } from '../../clearing/bodies'
import type { ClearContext } from './context'
import { levelReach } from '../../clearing/levelReach'
import { containInArea, containInBox } from '../../clearing/containing'
import { type Gaps, outlineGaps } from '../../clearing/gap'
import { nearestGaps } from '../../clearing/nearestGaps'
import { MOST_OVERLAPS, type Overlap, findOverlaps, mostReach } from '../../clearing/overlaps'
import { pushAlongAxis } from '../../clearing/pushAlongAxis'
import { pushAlongPath } from '../../clearing/pushAlongPath'
import { type PushOutcome, pushApart } from '../../clearing/pushApart'
import { type FreeRoom, cannotFit, fullness } from '../../clearing/room'

interface Pushing {
  readonly held: Uint8Array
  readonly clearance: number
  readonly exact: Gaps | undefined
  readonly context: ClearContext
}

/** Pushes a pattern's copies apart and says what came of it. */
export function pushCopies(table: InstanceTable, bodies: Bodies, clear: Clear, pushing: Pushing): StepOutcome {
  const { clearance, exact } = pushing
  const own = table.count
  // Where there is no path to keep to, copies stay inside as ever.
  const onPath = clear.along === 'path' && pushing.context.track?.() !== undefined
  const room = clear.inside && !onPath ? roomOf(table, pushing.context) : undefined
  const out = push(bodies, own, clear, pushing, room)
  let [mean, most] = [0, 0]
  for (let k = 0; k < own; k++) {
    const by = Math.hypot(...[0, 1, 2].map((c) => bodies.position[3 * k + c] - table.position[3 * k + c]))
    mean += by / Math.max(own, 1)
    most = Math.max(most, by)
  }
  table.position.set(bodies.position.subarray(0, 3 * own))
  const overlaps = findOverlaps(bodies, clearance, exact)
  const isAll = overlaps.length < MOST_OVERLAPS
  const moved = fact('moved', 'moved ', { length: mean }, ' on average, ', { length: most }, ' at most')
  const stopped = out.worst > clear.within
  const rounds =
    stopped && out.rounds === 0
      ? fact('rounds', 'spread as far as the room goes, as they cannot fit')
      : fact('rounds', stopped ? 'stopped after ' : '', { count: out.rounds }, plural(out.rounds, ' round', ' rounds'))
  const rest = [...nearestOf(bodies, own, clearance, overlaps, exact), rounds]
  const came = { byRound: out.byRound, ...(out.along && { along: out.along }) }
  // What others do among themselves is not told here.
  const left = overlaps.filter((o) => o.depth > clear.within && o.first < own)
  if (left.length === 0 && out.rounds === 0)
    return { facts: [fact('came', { words: 'Already clear', tone: 'good' }), ...rest], ...came }
  const cleared =
    left.length === 0
      ? fact('came', { words: 'Clear', tone: 'good' }, ' to within ', { length: clear.within })
      : fact(
          'came',
          { words: 'Not clear', tone: 'wrong' },
          isAll ? ': ' : ': more than ',
          { count: left.length, tone: 'wrong' },
          plural(left.length, ' pair', ' pairs'),
          ' left, the worst lacking ',
          { length: left[0].depth, tone: 'wrong' },
          ...whyNot(bodies, own, clear, clearance, room),
        )
  return { facts: [cleared, ...rest, moved], ...came }
}

function push(
  bodies: Bodies,
  own: number,
  { axes, within, rounds, along }: Clear,
  { held, clearance, exact, context: { area, track } }: Pushing,
  room: FreeRoom | undefined,
): PushOutcome & { readonly along?: Float64Array } {
  const free = [axes.across, axes.up, axes.deep] as const
  const options = { clearance, within, rounds, free, held }
  const way = along === 'path' ? track?.() : undefined
  if (way) return pushAlongPath(bodies, way, options, exact ?? outlineGaps(bodies))
  const [axis, ...more] = [0, 1, 2].filter((i) => free[i])
  if (!room && axis !== undefined && more.length === 0)
    return pushAlongAxis(bodies, axis as 0 | 1 | 2, options, exact ?? outlineGaps(bodies))
  if (!room) return pushApart(bodies, options, exact)
  const contain = area ? containInArea(area.area, marginsIn(area, bodies)) : containInBox(room.low, room.high)
  // Hundreds of copies that lie in each other whatever is done took a minute to come to nothing.
  // By their surfaces, bowls may stand in each other.
  const hopeless = !exact && cannotFit(bodies, own, clearance, free, room)
  return pushApart(bodies, { ...options, contain, ...(hopeless && { rounds: 0 }) }, exact)
}

/** Why some are left, and how much room is missing. */
function whyNot(
  bodies: Bodies,
  own: number,
  { axes, along }: Clear,
  clearance: number,
  room: FreeRoom | undefined,
): Segment[] {
  if (along === 'path') return [': the path is too short for them, or there are too few rounds']
  const free = [axes.across, axes.up, axes.deep] as const
  if (!room)
    return [free.includes(true) ? ': more rounds, or another axis to move along' : ': name an axis to move along']
  const { share, missing } = fullness(bodies, own, clearance, free, room)
  const full: Segment[] = [': they take up ', { share }, ' of the room']
  return missing > 0
    ? [...full, ', which would have to be about ', { share: missing, tone: 'wrong' }, ' larger']
    : [...full, ', so more rounds may do']
}

/** What is told of the nearest two, where any are so near that a gap between triangles is told exactly. */
function nearestOf(
  bodies: Bodies,
  own: number,
  clearance: number,
  overlaps: readonly Overlap[],
  exact: Gaps | undefined,
): Facts {
  // The pair that lacks the most is the nearest one; without any, all are looked at.
  const worst = overlaps.find(({ first }) => first < own)
  if (worst) return [fact('gap', 'nearest gap ', { length: clearance - worst.depth })]
  let least = Infinity
  for (const gap of nearestGaps(bodies, exact).subarray(0, own)) if (gap < least) least = gap
  return least <= clearance + mostReach(bodies) ? [fact('gap', 'nearest gap ', { length: least })] : []
}

/** How far from the edge the pivot of each stays: whole copies by as much more as they reach over the ground. */
function marginsIn({ margin, whole }: NonNullable<ClearContext['area']>, bodies: Bodies): (k: number) => number {
  if (!whole) return () => margin
  const { position: p, there } = bodies
  const out = new Float64Array(3)
  const margins = Float64Array.from({ length: bodies.count }, (_, k) => {
    if (!there[k]) return margin
    return (
      margin +
      levelReach(([x, , z]) => {
        bodies.support(k, x, 0, z, out, 0)
        return x * (out[0] - p[3 * k]) + z * (out[2] - p[3 * k + 2])
      })
    )
  })
  return (k) => margins[k]
}

function roomOf(table: InstanceTable, { area }: ClearContext): FreeRoom {
  const { low, high } = boxAround(table.position.subarray(0, 3 * table.count)) ?? NO_BOX
  if (!area) return { low, high }
  const { rings, size } = area.area
  let edge = 0
  for (const c of rings)
    for (let i = 0, j = c.length - 2; i < c.length; j = i, i += 2) edge += Math.hypot(c[i] - c[j], c[i + 1] - c[j + 1])
  // What is kept free along the edge is no room for pivots.
  const inner = Math.max(0, size - edge * area.margin + Math.PI * area.margin ** 2)
  return { low, high, area: { size: inner, edge: Math.max(0, edge - 2 * Math.PI * area.margin) } }
}
