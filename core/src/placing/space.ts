import { greatest, least } from '../geometry/extremes'
import { type Vec3, dot, minus, plus, times } from '../geometry/vec'
import { type Facts, type Range, type Result, done, fact, refused } from '../words'
import { type Body } from './body'
import { AXES } from './edges'
import { type Wanted, movedFacts } from './wanted'

/** Which of the spaced things stays where it is. */
export const stayers = ['marked', 'first', 'middle', 'last'] as const
export type Stayer = (typeof stayers)[number]

export interface Space {
  /**
   * 0 across, 1 up, 2 deep, along the straight line through the two that stand farthest out, round the circle that fits them, or along the
   * curve of a pattern.
   */
  along: 0 | 1 | 2 | 'ends' | 'round' | 'path'
  /** The pattern whose curve it is. */
  path?: string
  /** Between their pivots, or between their outlines. */
  by: 'pitch' | 'gap'
  /** Which is asked for: the distance, or the whole from outside to outside. Even: between the two outermost, which stay. */
  held: 'distance' | 'overall' | 'even'
  /** Metres; a gap below 0 overlaps. */
  distance: number
  overall: number
  stays: Stayer
  /** Round a circle: evened out between the outermost two, not all the way round. */
  between: boolean
  /** Whether they may come to overlap. */
  overlaps: boolean
}

/** Along a straight line. */
export type Straight = Space & { along: Exclude<Space['along'], 'path' | 'round'> }

export const spaceDefaults: Straight = {
  along: 0,
  by: 'gap',
  held: 'distance',
  distance: 0.04,
  overall: 1,
  stays: 'marked',
  between: false,
  overlaps: false,
}

export const NOTHING = refused('There is nothing to space: pick at least two things.')

/** Things as they will stand one after another, and the figures that follow. */
export interface Spaced {
  /** In their order along the direction. */
  readonly wanted: readonly Wanted[]
  /** Absent along a curve. */
  readonly direction?: Readonly<Vec3>
  /** Along a curve, pulled straight. */
  readonly straightened?: Straightened
  /** Of the circle round which they go. */
  readonly radius?: number
  /** As they come out: from one to the next, all the way round from the last to the first too, and from outside to outside; metres. */
  readonly pitches: readonly number[]
  readonly gaps: readonly number[]
  readonly overall: number
}

/** Things along a curve that was pulled straight, in their order. */
export interface Straightened {
  /** How far along it each of them stands, in metres. */
  readonly along: readonly number[]
  /** Its unit vector there, in the world. */
  readonly ways: readonly Vec3[]
  /** Where its ruler begins: a path's at its start, a circle's at the first of them. */
  readonly begins: number
  /** Its length, where they go all the way round. */
  readonly closes: number | undefined
}

/**
 * Spaces picked things along a direction: equal pitches, or equal gaps between outlines of unlike sizes. Their order along it is
 * kept, across it they stay (through the ends they come onto the line), and one of them stays where it is along it. Places come from
 * sums over the widths before, never from adding a step on, so that the last is as exact as the first.
 *
 * @param marked the one that leads, where that one stays
 */
export function space(bodies: readonly Body[], marked: Body | undefined, how: Straight): Result<Spaced> {
  if (bodies.length < 2) return NOTHING
  const { direction, from, ends } = lineOf(bodies, how.along)
  const row = inOrder(bodies, direction, how.by)
  const { low, high, pivot } = row
  const n = row.bodies.length
  let widths = 0
  for (let k = 0; k < n; k++) widths += high[k] - low[k]
  const inside = (overall: number): number =>
    how.by === 'gap' ? (overall - widths) / (n - 1) : (overall + low[0] - high[n - 1]) / (n - 1)
  const distance =
    how.held === 'distance'
      ? how.distance
      : how.held === 'overall'
        ? inside(how.overall)
        : inside(pivot[n - 1] + high[n - 1] - pivot[0] - low[0])
  const stays = how.held === 'even' ? 0 : stayerOf(row.bodies, marked, how.stays)
  const at = pivotsAt(row, how.by, distance)
  const origin = pivot[stays] - at[stays]
  for (let k = 0; k < n; k++) at[k] += origin
  // The outermost two stay to the bit when they are evened out.
  if (how.held === 'even') at[n - 1] = pivot[n - 1]
  const [pitches, gaps] = [new Array<number>(n - 1), new Array<number>(n - 1)]
  for (let k = 0; k < n - 1; k++) {
    pitches[k] = at[k + 1] - at[k]
    gaps[k] = pitches[k] + low[k + 1] - high[k]
  }
  const close = tooClose(gaps, how)
  if (close) return close
  const isOntoLine = how.along === 'ends'
  const start = dot(from, direction)
  const wanted = row.bodies.map((body, k): Wanted => {
    const { stands } = body
    // Who stays beside the line stays along it alone, and comes onto it as all others do.
    const isOn = !isOntoLine || ends?.includes(stands.move)
    if (isOn && (k === stays || (how.held === 'even' && k === n - 1))) return { body, to: stands }
    const base = isOntoLine ? from : stands.move
    const by = at[k] - (isOntoLine ? start : pivot[k])
    const move: Vec3 = [base[0] + direction[0] * by, base[1] + direction[1] * by, base[2] + direction[2] * by]
    return { body, to: { move, turn: stands.turn, size: stands.size } }
  })
  return done({ wanted, direction, pitches, gaps, overall: at[n - 1] + high[n - 1] - at[0] - low[0] })
}

/** Things in their order along a direction, and how far each reaches from its pivot. */
interface InOrder {
  readonly bodies: readonly Body[]
  readonly low: Float64Array
  readonly high: Float64Array
  readonly pivot: Float64Array
}

/** By their pivots, or by their middles where gaps are kept between them; of two alike the first that was picked. */
function inOrder(bodies: readonly Body[], direction: Readonly<Vec3>, by: Space['by']): InOrder {
  const n = bodies.length
  const [low, high, pivot, at] = Array.from({ length: 4 }, () => new Float64Array(n))
  let isSorted = true
  for (let k = 0; k < n; k++) {
    const reach = bodies[k].reach(direction)
    pivot[k] = dot(bodies[k].stands.move, direction)
    low[k] = reach.low - pivot[k]
    high[k] = reach.high - pivot[k]
    at[k] = by === 'pitch' ? pivot[k] : reach.low + reach.high
    if (k > 0 && at[k] < at[k - 1]) isSorted = false
  }
  if (isSorted) return { bodies, low, high, pivot }
  const order = Uint32Array.from(at.keys()).sort((a, b) => at[a] - at[b] || a - b)
  const sorted = (column: Float64Array): Float64Array => Float64Array.from(order, (i) => column[i])
  return { bodies: Array.from(order, (i) => bodies[i]), low: sorted(low), high: sorted(high), pivot: sorted(pivot) }
}

/** Each pivot from the first one's, by its index. */
function pivotsAt({ low, high }: InOrder, by: Space['by'], distance: number): Float64Array {
  const at = new Float64Array(low.length)
  let before = 0
  for (let k = 0; k < at.length; k++) {
    at[k] = k * distance
    if (by === 'pitch') continue
    at[k] += before - low[k] + low[0]
    before += high[k] - low[k]
  }
  return at
}

/** Why things may not stand with such gaps between them. */
export function tooClose(gaps: readonly number[], { held, overlaps }: Space): typeof NOTHING | undefined {
  const closest = least(gaps)
  if (closest >= -1e-9 || overlaps) return undefined
  return refused(
    held === 'distance'
      ? 'So close they would overlap by up to '
      : 'There is not that much room: they would overlap by up to ',
    { length: -closest },
    '. Allow that, or give them more.',
  )
}

/** What is worked out: both distances as they come out, and how many move. */
export function spaceFacts({ wanted, pitches, gaps, radius }: Spaced, { by, held }: Space): Facts {
  const range = (all: readonly number[]): Range => [least(all), greatest(all)]
  // The sentence says the one that is asked for; evened out, it says neither.
  const gap = by === 'pitch' || held === 'even' ? [fact('gap', 'gap ', { lengths: range(gaps) })] : []
  const pitch = by === 'gap' || held === 'even' ? [fact('pitch', 'pitch ', { lengths: range(pitches) })] : []
  return [
    ...gap,
    ...pitch,
    ...(radius === undefined ? [] : [fact('radius', 'radius ', { length: radius })]),
    fact('order', 'order kept'),
    ...movedFacts(wanted),
  ]
}

/** The place in their order of the one that stays. */
export const stayerOf = (order: readonly Body[], marked: Body | undefined, stays: Stayer): number => {
  if (stays === 'last') return order.length - 1
  if (stays === 'middle') return Math.floor((order.length - 1) / 2)
  return stays === 'marked' && marked ? Math.max(order.indexOf(marked), 0) : 0
}

/** The direction in which they are spaced, a place on its line, and the two places through which that goes. */
function lineOf(bodies: readonly Body[], along: Straight['along']): Line {
  if (along !== 'ends') return { direction: AXES[along], from: bodies[0].stands.move }
  const [a, b] = farthestTwo(bodies.map(({ stands }) => stands.move))
  const by = minus(b, a)
  const length = Math.hypot(...by)
  // All on one place: there is no line through them.
  if (length < 1e-12) return { direction: AXES[0], from: a }
  // From the left, from below, from the back: so that the order does not depend on who was picked first.
  const ahead = by.find((n) => Math.abs(n) > 1e-9 * length)! > 0
  return { direction: times(by, (ahead ? 1 : -1) / length), from: ahead ? a : b, ends: [a, b] }
}

interface Line {
  readonly direction: Readonly<Vec3>
  readonly from: Vec3
  readonly ends?: readonly Vec3[]
}

/**
 * Two that stand farthest out: each the farthest from the other, so that nobody stands beyond them along their line. From the one that is
 * farthest from their middle on to the farthest from that, until it is the same again; comparing each with each would take five
 * thousand million comparisons of a crowd.
 */
function farthestTwo(places: readonly Vec3[]): [Vec3, Vec3] {
  const middle = times(
    places.reduce((sum, p) => plus(sum, p), [0, 0, 0] as Vec3),
    1 / places.length,
  )
  const apart = (p: Vec3, q: Vec3): number => Math.hypot(...minus(q, p))
  const from = (p: Vec3): Vec3 => places.reduce((far, q) => (apart(q, p) > apart(far, p) + 1e-12 ? q : far), places[0])
  let a = from(middle)
  let b = from(a)
  for (let c = from(b); apart(b, c) > apart(a, b) + 1e-12; c = from(b)) [a, b] = [b, c]
  return [a, b]
}
