import { MAX_COPIES } from '../../limits'
import type { RingHeld, RingMeasure } from './schema'
import { type Result, done, refused } from '../../words'
import { type Ends } from '../../values/spacing'
import { FIT, checkCount } from '../../spacing/solve'

export interface RingQuestion {
  readonly hold: readonly [RingHeld, RingHeld]
  readonly count: number
  readonly spacing: number
  readonly measure: RingMeasure
  readonly radius: number
  /** The angle that is gone round, in radians, 2π for a full circle. */
  readonly angle: number
  /** Absent for a full circle, whose last copy is followed by its first. */
  readonly ends?: Ends
  /**
   * The smallest clear gap between neighbours on a ring of that radius with that step between them; with `enough`, any that
   * is less will do for an answer.
   */
  readonly gapAt: (radius: number, step: number, count: number, enough?: number) => number
  /** So many copies at least and at the most come of a count that is worked out. */
  readonly least?: number | undefined
  readonly most?: number | undefined
  /** What a gap never falls below, however many copies there are: those of a helix that rises or widens with each of them. */
  readonly leastGap?: number
}

export interface RingAnswer {
  readonly worked: RingHeld
  readonly count: number
  readonly radius: number
  /** The angle from copy to copy; 0 for a single one. */
  readonly step: number
  /** Angle from the start to the first copy. */
  readonly lead: number
  /** The spacing as it came out, read as asked; NaN for a single copy. */
  readonly spacing: number
  readonly arc: number
  readonly chord: number
  readonly gap: number
}

/** How many times the step counts in the angle. */
function intervalsOf(count: number, ends: Ends | undefined): number {
  if (ends === undefined) return count
  return { both: count - 1, start: count, between: count + 1, half: count }[ends]
}

function stepOf({ angle, ends }: RingQuestion, count: number): number {
  const intervals = intervalsOf(count, ends)
  return intervals > 0 ? angle / intervals : 0
}

/** Of the three ways to read the spacing, the two that need no outline. */
const readings = {
  arc: (radius: number, step: number) => radius * step,
  chord: (radius: number, step: number) => 2 * radius * Math.sin(Math.min(step, 2 * Math.PI) / 2),
}

/**
 * Works out the third of count, spacing and radius on a circle or an arc of it. A count that is worked out is the most
 * copies that keep at least the spacing asked for; they are then spread evenly. Chord = 2·R·sin(step ÷ 2); an arc's length is
 * R·step; a gap is what is left of the chord between outlines.
 *
 * @returns a sentence when nothing can meet the question: a count that is not whole or out of range, a negative radius, or
 *   neighbours that would stand on one spot
 * @example solveRing({ hold: ['count', 'radius'], count: 16, radius: 0.215, … }).value.arc // 0.0844
 */
export function solveRing(question: RingQuestion): Result<RingAnswer> {
  const { hold } = question
  if (hold.includes('count')) {
    const count = checkCount(question.count)
    if (!count.ok) return count
  }
  if (hold.includes('radius') && !(question.radius >= 0)) {
    return refused('A radius is 0 or more; ', { length: question.radius }, ' is less. Type a longer radius.')
  }
  if (hold.includes('spacing') && question.measure !== 'gap' && !(question.spacing > 1e-12)) {
    return refused(
      'A spacing of ',
      { length: question.spacing },
      ' would put neighbours on one spot. Type more than ',
      { length: 0 },
      '.',
    )
  }
  if (!hold.includes('spacing')) return done(answer(question, 'spacing', question.count, question.radius))
  return hold.includes('count') ? workOutRadius(question) : workOutCount(question)
}

function answer(question: RingQuestion, worked: RingHeld, count: number, radius: number): RingAnswer {
  const { measure, ends, gapAt } = question
  const step = stepOf(question, count)
  const alone = count === 1
  const read = {
    arc: readings.arc(radius, step),
    chord: readings.chord(radius, step),
    gap: alone ? NaN : gapAt(radius, step, count),
  }
  const lead = ends === 'between' ? step : ends === 'half' ? step / 2 : 0
  return { worked, count, radius, step, lead, spacing: alone ? NaN : read[measure], ...read }
}

function workOutRadius(question: RingQuestion): Result<RingAnswer> {
  const { count, spacing, measure, angle, ends } = question
  const intervals = intervalsOf(count, ends)
  if (count === 1 || intervals === 0)
    return refused(
      'A single copy has no neighbour, so no radius follows from a spacing. Hold count and radius, or type a higher count.',
    )
  const step = angle / intervals
  if (measure === 'arc') return done(answer(question, 'radius', count, spacing / step))
  if (step >= 2 * Math.PI)
    return refused('Copies a whole turn apart stand on one spot. Raise the count or hold the radius.')
  if (measure === 'chord') return done(answer(question, 'radius', count, spacing / (2 * Math.sin(step / 2))))
  return done(answer(question, 'radius', count, radiusForGap(question, step)))
}

/** The gap grows with the radius: doubled until it is wide enough, then halved in on to the last bit. */
function radiusForGap({ gapAt, spacing, count }: RingQuestion, step: number): number {
  let [low, high] = [0, 1e-3]
  while (gapAt(high, step, count, spacing) < spacing && high < 1e9) [low, high] = [high, high * 2]
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (gapAt(middle, step, count, spacing) < spacing) low = middle
    else high = middle
  }
  return high
}

const tooMany = refused(
  'More than ',
  { count: MAX_COPIES },
  ' copies would fit, the most a pattern can place. Widen the spacing or shorten the radius.',
)

/** From here on it is worth asking first whether the limit itself fits. */
const MANY = 4096

function workOutCount(question: RingQuestion): Result<RingAnswer> {
  const { spacing, radius, measure, gapAt } = question
  if (measure === 'gap' && (question.leastGap ?? -Infinity) >= spacing) return tooMany
  const fits = (count: number): boolean => {
    if (count === 1) return true
    const step = stepOf(question, count)
    if (!(step > 0)) return false
    const least = spacing - FIT * Math.max(Math.abs(spacing), readings.chord(radius, step))
    return (measure === 'gap' ? gapAt(radius, step, count, least) : readings[measure](radius, step)) >= least
  }
  let [most, above] = [1, 2]
  while (above <= MAX_COPIES && fits(above)) {
    ;[most, above] = [above, above * 2]
    // On a spiral any count may fit, and trying them up to the limit measures twenty times as many pairs as the limit has.
    if (most === MANY && fits(MAX_COPIES)) return tooMany
  }
  above = Math.min(above, MAX_COPIES)
  while (above - most > 1) {
    const middle = (most + above) >> 1
    if (fits(middle)) most = middle
    else above = middle
  }
  const count = Math.max(Math.min(most, question.most ?? most), question.least ?? 1)
  return done(answer(question, 'count', count, radius))
}
