import type { Track } from '../../clearing/pushAlongPath'
import { type Quaternion, UNTURNED, compose, rotate, turnTowards } from '../../geometry/rotation'
import type { Vec3 } from '../../geometry/vec'
import { type Facts, type Result, done, fact, plural, refused } from '../../words'
import { type Cast, placeOwn, turnOwn, wayOwn } from '../cast'
import type { Bar, Prepared } from '../definition'
import { eased } from '../easing'
import { ranksOf } from '../ranks'
import { type Moved, RESTS } from '../state'
import { type Timed, timed, workedOf } from '../timing'
import { turnAbout } from '../turnAbout'
import type { Arrive, ComeFrom } from './schema'

const WAYS: Readonly<Record<Exclude<ComeFrom, 'path' | 'place'>, Vec3>> = {
  below: [0, -1, 0],
  above: [0, 1, 0],
  left: [-1, 0, 0],
  right: [1, 0, 0],
  front: [0, 0, 1],
  behind: [0, 0, -1],
}

/**
 * When each copy begins and how it comes. By chance each begins at its own share of what "in all" leaves beside "each": where these two
 * are held, a copy more changes nobody else's beginning.
 */
export function prepareArrival(arrive: Arrive, casts: readonly Cast[]): Result<readonly Prepared[]> {
  const ranks = ranksOf(arrive, casts)
  const times = timed(arrive, ranks.count)
  if (!times.ok) return times
  const ways: Way[] = []
  for (const cast of casts) {
    const way = wayOf(arrive, cast)
    if (!way.ok) return way
    ways.push(way.value)
  }
  const made = casts.map((cast, i) => arriving(arrive, times.value, cast, ranks.of[i], ways[i]))
  const facts = factsOf(arrive, times.value, ranks.count, made)
  return done(made.map((own) => ({ ...own, facts, timed: times.value })))
}

function arriving(
  arrive: Arrive,
  { apart, each, inAll }: Timed,
  cast: Cast,
  ranks: Float64Array,
  goes: Way,
): Omit<Prepared, 'facts'> {
  const between = arrive.order === 'chance' ? inAll - each : apart
  const { begin, waits, easing, size, turn, about, way, tint } = arrive
  const startOf = (row: number): number => begin + ranks[row] * between

  /** @param left how much of the way there is still to go, from 1 to 0 */
  const stands = (row: number, left: number): Moved => {
    if (left === 0) return RESTS
    const on = goes(row, left)
    const turned = turn === 0 ? UNTURNED : turnOwn(cast, turnAbout(about, turn * left))
    return {
      move: on.move,
      turn: on.turn === UNTURNED ? turned : compose(on.turn, turned),
      // What goes beyond its end does not turn inside out.
      size: Math.max(1 + (size - 1) * left, LEAST),
      ...(tint !== undefined && { tint: { color: tint, share: Math.min(Math.max(left, 0), 1) } }),
      shown: true,
    }
  }
  const away = (row: number): Moved => ({ ...stands(row, 1), shown: waits ?? false })

  const bars: Bar[] = []
  for (const [row, rank] of ranks.entries())
    if (rank >= 0) bars.push({ row, from: startOf(row), to: startOf(row) + each })
  bars.sort((a, b) => a.from - b.from || a.row - b.row)

  return {
    bars,
    // A path may bend this way and that.
    finest: arrive.from === 'path' ? each / BENDS : each,
    turns: (row) => (ranks[row] < 0 ? [] : [startOf(row), startOf(row) + each]),
    at(row, time) {
      if (ranks[row] < 0) return RESTS
      const start = startOf(row)
      // The very moment at which it is there is no sum that rounding could miss.
      if (way === 'in' ? time >= start + each : time <= start) return RESTS
      if (way === 'in' ? time < start : time >= start + each) return away(row)
      const share = (time - start) / each
      return stands(row, way === 'in' ? 1 - eased(easing, share) : eased(easing, share))
    },
  }
}

/** @param made of every pattern that has it */
function factsOf(
  arrive: Arrive,
  { apart, each, inAll }: Timed,
  turns: number,
  made: readonly Pick<Prepared, 'bars'>[],
): Facts {
  const gaps = Math.max(turns - 1, 0)
  let [copies, end] = [0, arrive.begin]
  for (const { bars } of made) {
    copies += bars.length
    for (const { to } of bars) end = Math.max(end, to)
  }
  return [
    fact('count', { count: copies }, plural(copies, ' copy', ' copies')),
    ...(turns < copies ? [fact('turns', { count: turns }, ' begin one after another')] : []),
    ...(arrive.order === 'chance' || turns < 2
      ? []
      : [
          fact(
            'all',
            { count: gaps },
            ' × ',
            { time: apart },
            ' + ',
            { time: each },
            workedOf(arrive) === 'apart' ? ' ≈ ' : ' = ',
            { time: inAll },
          ),
        ]),
    fact('end', arrive.way === 'in' ? 'the last one stands at ' : 'the last one is gone at ', { time: end }),
  ]
}

/** In so many pieces of its way a copy is looked at along a path. */
const BENDS = 16
/** Sizes stay above 0. */
const LEAST = 1e-6

type Way = (row: number, left: number) => { readonly move: Vec3; readonly turn: Quaternion }

/** Where copies are on their way, against where they come to stand, and how the path there turns them. */
function wayOf({ from, distance, place }: Arrive, cast: Cast): Result<Way> {
  const { table } = cast
  if (from === 'path') {
    const found = cast.track()
    if (!found)
      return refused(
        'They stand on no path, so that they cannot come along one. Choose a side, or a place to come from.',
      )
    return done(alongTrack(found, table, distance))
  }
  if (from === 'place') {
    const { position: p } = table
    const own = placeOwn(cast, place)
    return done((row, left) => ({
      move: own.map((n, i) => (n - p[3 * row + i]) * left) as Vec3,
      turn: UNTURNED,
    }))
  }
  const [x, y, z] = wayOwn(cast, WAYS[from]).map((n) => n * distance)
  return done((_, left) => ({ move: [x * left, y * left, z * left], turn: UNTURNED }))
}

/** Back along the path: what stands beside it comes beside it, and turns as the path does where the path turned it. */
function alongTrack({ rideOf, back, turns }: Track, { position: p }: Cast['table'], distance: number): Way {
  return (row, left) => {
    const ride = rideOf(row)
    // Images stand on no path: they come where they stand.
    if (!ride) return { move: [0, 0, 0], turn: UNTURNED }
    const { measure, length } = ride
    const gone = length + back * distance * left
    const end = measure.at(length)
    const now = measure.at(measure.contour.closed ? gone : Math.min(Math.max(gone, 0), measure.length))
    const turn = turns ? turnTowards(end.tangent, now.tangent, Math.PI) : UNTURNED
    const beside = end.point.map((n, i) => p[3 * row + i] - n) as Vec3
    const carried = turn === UNTURNED ? beside : rotate(turn, beside)
    return { move: now.point.map((n, i) => n + carried[i] - p[3 * row + i]) as Vec3, turn }
  }
}
