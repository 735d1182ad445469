import { z } from 'zod'
import { LONGEST_MOTION } from '../limits'
import { finite } from '../values/values'
import { type Result, done, refused } from '../words'

export const timingKeys = ['apart', 'each', 'inAll'] as const
export type TimingKey = (typeof timingKeys)[number]
const seconds = finite.refine((n) => n >= 0 && n <= LONGEST_MOTION, 'a time')

/**
 * When several begin one after another: from one beginning to the next, how long each takes, and the whole. Two are held, the one touched
 * last at the end; the third follows from how many there are.
 */
export const timing = z.object({
  hold: z
    .tuple([z.enum(timingKeys), z.enum(timingKeys)])
    .refine(([first, second]) => first !== second, 'two different ones are held'),
  begin: seconds,
  apart: seconds,
  each: seconds,
  inAll: seconds,
})
export type Timing = z.infer<typeof timing>

/** The one that is worked out. */
export const workedOf = ({ hold }: Timing): TimingKey => timingKeys.find((key) => !hold.includes(key)) ?? 'inAll'

/** Times in seconds as they come out. */
export type Timed = Readonly<Record<TimingKey, number>>

/**
 * Works the third out: in all = (beginnings − 1) × apart + each.
 *
 * @param beginnings how many begin one after another; those that begin together are one
 * @returns a sentence where the whole is shorter than what is to go into it
 */
export function timed({ hold, apart, each, inAll }: Omit<Timing, 'begin'>, beginnings: number): Result<Timed> {
  const gaps = Math.max(beginnings, 1) - 1
  if (!hold.includes('inAll')) return done({ apart, each, inAll: gaps * apart + each })
  if (!hold.includes('each')) {
    const rest = inAll - gaps * apart
    return rest > 0
      ? done({ apart, each: rest, inAll })
      : refused(
          { count: gaps },
          ' times ',
          { time: apart },
          ' leave nothing of ',
          { time: inAll },
          ' for each to take. Type a longer time in all, or less apart.',
        )
  }
  if (each > inAll)
    return refused(
      'Each takes ',
      { time: each },
      ', longer than all of it, ',
      { time: inAll },
      '. Type a longer time in all, or a shorter one for each.',
    )
  return done({ apart: gaps === 0 ? 0 : (inAll - each) / gaps, each, inAll })
}

/** Takes hold of a time and gives it a value; the one untouched longest is let go where the third was worked out. In place. */
export function holdTime(timing: Timing, key: TimingKey, to: number): void {
  timing[key] = to
  const [first, second] = timing.hold
  timing.hold = [second === key ? first : second, key]
}
