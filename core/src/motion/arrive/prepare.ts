import { UNTURNED } from '../../geometry/rotation'
import type { Vec3 } from '../../geometry/vec'
import type { InstanceTable } from '../../instances'
import { type Result, done, fact, plural } from '../../words'
import type { Bar, Prepared } from '../definition'
import { eased } from '../easing'
import { ranksOf } from '../ranks'
import { type Moved, RESTS } from '../state'
import { timed, workedOf } from '../timing'
import { turnAbout } from '../turnAbout'
import type { Arrive, ComeFrom } from './schema'

const WAYS: Readonly<Record<ComeFrom, Vec3>> = {
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
export function prepareArrival(arrive: Arrive, table: InstanceTable, name: string): Result<Prepared> {
  const ranks = ranksOf(arrive, table, name)
  const times = timed(arrive, ranks.count)
  if (!times.ok) return times
  const { apart, each, inAll } = times.value
  const between = arrive.order === 'chance' ? inAll - each : apart
  const { begin, waits, easing, size, turn, about, distance, way } = arrive
  const toward = WAYS[arrive.from].map((n) => n * distance) as Vec3
  const startOf = (row: number): number => begin + ranks.of[row] * between

  /** @param left how much of the way there is still to go, from 1 to 0 */
  const stands = (left: number): Moved =>
    left === 0
      ? RESTS
      : {
          move: [toward[0] * left, toward[1] * left, toward[2] * left],
          turn: turn === 0 ? UNTURNED : turnAbout(about, turn * left),
          // What goes beyond its end does not turn inside out.
          size: Math.max(1 + (size - 1) * left, LEAST),
          shown: true,
        }
  const away: Moved = { ...stands(1), shown: waits ?? false }

  const bars: Bar[] = []
  for (let row = 0; row < table.count; row++)
    if (ranks.of[row] >= 0) bars.push({ row, from: startOf(row), to: startOf(row) + each })
  bars.sort((a, b) => a.from - b.from || a.row - b.row)
  const end = bars.reduce((last, { to }) => Math.max(last, to), begin)
  const gaps = Math.max(ranks.count - 1, 0)

  return done({
    bars,
    finest: each,
    turns: (row) => [startOf(row), startOf(row) + each],
    at(row, time) {
      if (ranks.of[row] < 0) return RESTS
      const start = startOf(row)
      // The very moment at which it is there is no sum that rounding could miss.
      if (way === 'in' ? time >= start + each : time <= start) return RESTS
      if (way === 'in' ? time < start : time >= start + each) return away
      const share = (time - start) / each
      return stands(way === 'in' ? 1 - eased(easing, share) : eased(easing, share))
    },
    facts: [
      fact('count', { count: bars.length }, plural(bars.length, ' copy', ' copies')),
      ...(ranks.count < bars.length ? [fact('turns', { count: ranks.count }, ' begin one after another')] : []),
      ...(arrive.order === 'chance' || ranks.count < 2
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
      fact('end', way === 'in' ? 'the last one stands at ' : 'the last one is gone at ', { time: end }),
    ],
  })
}

/** Sizes stay above 0. */
const LEAST = 1e-6
