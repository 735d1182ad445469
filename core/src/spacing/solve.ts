import { MAX_COPIES } from '../limits'
import { type Result, done, refused } from '../words'
import { type Ends, type Held, type Leftover, type Measure, type RoomEdges, triple } from '../values/spacing'
import { Ruler } from './ruler'
import { type Row, widthOf } from './row'

export interface SpacingQuestion {
  /** The two that are held, the one held longer first. */
  readonly hold: readonly [Held, Held]
  readonly count: number
  /** In metres, read by `measure`. */
  readonly spacing: number
  readonly measure: Measure
  /** In metres, read by `edges`. */
  readonly room: number
  readonly edges: RoomEdges
  readonly ends: Ends
  readonly leftover: Leftover
  readonly row: Row
  /** So many copies at least and at the most come of a count that is worked out, however many would fit. */
  readonly least?: number | undefined
  readonly most?: number | undefined
}

export interface SpacingAnswer {
  readonly worked: Held
  readonly count: number
  /** The spacing as it came out; NaN for a single copy that has no neighbour. */
  readonly spacing: number
  readonly room: number
  /** What the copies take, measured as the room is. */
  readonly run: number
  /** Room − run − the intervals that the ends keep, before it is given a place; 0 where the three agree. */
  readonly leftover: number
  /** From the start of the room to the first copy, measured as the room is. */
  readonly lead: number
  /** Present when a last copy stands at the far end in a bay of its own: pitch and gap of that bay. */
  readonly lastBay?: { readonly pitch: number; readonly gap: number }
  readonly ruler: Ruler
  /** Pivot of a copy, in metres from the start of the room. */
  readonly at: (index: number) => number
}

/** A fit is decided within this part of a pitch, so that 2 m at 0.1 m is 21 copies and not 20. */
export const FIT = 1e-9

/** How many intervals the start and the end of a room keep free. */
export const endWeights: Record<Ends, readonly [number, number]> = {
  both: [0, 0],
  start: [0, 1],
  between: [1, 1],
  half: [0.5, 0.5],
}

/**
 * Works out the third of count, spacing and room, and where every copy stands.
 *
 * Exact to rounding: distances come from the index and from whole numbers of parts, never from adding up steps.
 * Fits are decided within 1e-9 of a pitch.
 *
 * @returns the answer, or a sentence when no arrangement can meet the question: a count that is not a whole number from
 *   1 to 1 000 000, a room shorter than what must stand in it, or neighbours that would stand on one spot.
 * @example
 * // Nine tins, 119 mm wide, 12 mm apart, in 1 180 mm: run 1.167, leftover 0.013
 * solveSpacing({ hold: ['spacing', 'room'], count: 1, spacing: 0.012, measure: 'gap', room: 1.18, edges: 'outsides',
 *   ends: 'both', leftover: 'both', row: rowInTurn([{ low: -0.0595, high: 0.0595 }]) })
 */
export function solveSpacing(question: SpacingQuestion): Result<SpacingAnswer> {
  const ruler = new Ruler(question.row, question.measure, question.edges)
  const worked = triple.find((which) => !question.hold.includes(which)) ?? 'count'
  if (worked !== 'count') {
    const count = checkCount(question.count)
    if (!count.ok) return count
  }
  if (worked !== 'room' && !(question.room >= 0)) {
    return refused('A room has a length of 0 or more; ', { length: question.room }, ' is less. Type a longer room.')
  }
  if (worked === 'room') return workOutRoom(question, ruler)
  return worked === 'spacing' ? workOutSpacing(question, ruler) : workOutCount(question, ruler)
}

/** A count is a whole number from 1 to the limit. */
export function checkCount(count: number): Result<number> {
  if (count > MAX_COPIES) {
    return refused(
      'A pattern can place up to ',
      { count: MAX_COPIES },
      ' copies; ',
      { count },
      ' is more. Type a smaller count.',
    )
  }
  if (!(count >= 1))
    return refused('A pattern needs at least 1 copy; ', { factor: count }, ' cannot be placed. Type 1 or more.')
  if (!Number.isInteger(count))
    return refused('Copies come whole; ', { factor: count }, ' is not a whole number. Type a whole number.')
  return done(count)
}

function workOutRoom(question: SpacingQuestion, any: Ruler): Result<SpacingAnswer> {
  const { count, spacing } = question
  const ruler = any.ofCount(count)
  const clash = standOnOneSpot(question, ruler, count, spacing)
  if (clash) return clash
  return done(answer(question, ruler, 'room', count, spacing, total(question, ruler, count, spacing), 0))
}

function workOutSpacing(question: SpacingQuestion, any: Ruler): Result<SpacingAnswer> {
  const { count, room } = question
  const ruler = any.ofCount(count)
  const intervals = intervalsOf(question, count)
  if (intervals === 0) {
    const need = ruler.span(1, 0)
    if (need > room * (1 + FIT)) return tooShort(question, need)
    return done(answer(question, ruler, 'spacing', 1, NaN, room, room - need))
  }
  const spacing = (room - total(question, ruler, count, 0)) / intervals
  const clash = standOnOneSpot(question, ruler, count, spacing)
  if (clash) return clash
  return done(answer(question, ruler, 'spacing', count, spacing, room, 0))
}

function workOutCount(question: SpacingQuestion, ruler: Ruler): Result<SpacingAnswer> {
  const { spacing, room, row } = question
  // As many as make every pair of neighbours occur.
  const enough = row.period === Infinity ? Infinity : row.kinds.length + 1
  const clash = standOnOneSpot(question, ruler, enough, spacing)
  if (clash) return clash
  const smallest = ruler.smallestPitch(enough, spacing)
  const slack = FIT * Math.min(smallest, Math.max(room, 1e-9))
  const fits = (count: number): boolean => total(question, ruler, count, spacing) <= room + slack
  const fitting =
    row.period === Infinity
      ? mostOneByOne(fits, Math.ceil(row.kinds.reduce((most, kind) => Math.max(most, widthOf(kind)), 0) / smallest) + 1)
      : mostThatFit(row.period, fits)
  // Some leftovers bring one copy more.
  const later = question.leftover === 'tighten' || question.leftover === 'extra' ? 1 : 0
  const count = Math.max(Math.min(fitting, (question.most ?? Infinity) - later), (question.least ?? 0) - later)
  if (count === 0) return tooShort(question, total(question, ruler, 1, spacing))
  if (count > MAX_COPIES) {
    return refused(
      'More than ',
      { count: MAX_COPIES },
      ' copies would fit into ',
      { length: room },
      ', the most a pattern can place. Widen the spacing or shorten the room.',
    )
  }
  const rest = room - total(question, ruler, count, spacing)
  const leftover = rest <= slack ? 0 : rest
  return done(placeLeftover(question, ruler, count, leftover))
}

/**
 * The largest count that fits, up to one above the limit. With unequal parts a longer row can take less room, when it
 * ends on a smaller part; counts that are whole periods apart always grow, so each remainder is searched for itself.
 */
function mostThatFit(period: number, fits: (count: number) => boolean): number {
  let most = 0
  for (let first = 1; first <= Math.min(period, MAX_COPIES + 1); first++) {
    if (!fits(first)) continue
    let periods = 0
    for (let above = Math.floor((MAX_COPIES + 1 - first) / period) + 1; above - periods > 1;) {
      const middle = (periods + above) >> 1
      if (fits(first + middle * period)) periods = middle
      else above = middle
    }
    most = Math.max(most, first + periods * period)
  }
  return most
}

/**
 * The same for a row without a period, counted up. Pivots move on by the smallest pitch at least, so once so many counts in
 * a row have not fitted, none will: no part is wide enough for its being left out to make up for them.
 */
function mostOneByOne(fits: (count: number) => boolean, giveUpAfter: number): number {
  let most = 0
  for (let count = 1; count <= MAX_COPIES + 1 && count - most <= giveUpAfter; count++) if (fits(count)) most = count
  return most
}

function placeLeftover(question: SpacingQuestion, ruler: Ruler, count: number, leftover: number): SpacingAnswer {
  const { room, spacing } = question
  if (leftover > 0 && (question.leftover === 'widen' || question.leftover === 'tighten')) {
    const more = question.leftover === 'tighten' ? count + 1 : count
    const intervals = intervalsOf(question, more)
    const even = (room - total(question, ruler, more, 0)) / intervals
    if (more <= MAX_COPIES && intervals > 0 && ruler.smallestPitch(more, even) > 0) {
      return answer(question, ruler, 'count', more, even, room, leftover)
    }
  }
  return answer(question, ruler, 'count', count, spacing, room, leftover)
}

function answer(
  question: SpacingQuestion,
  any: Ruler,
  worked: Held,
  count: number,
  spacing: number,
  room: number,
  leftover: number,
): SpacingAnswer {
  const { edges, leftover: place } = question
  const ruler = any.ofCount(count)
  const { row } = ruler
  const real = Number.isNaN(spacing) ? 0 : spacing
  const [before] = endWeights[question.ends]
  const first = row.kindAt(0)
  const shift = place === 'both' ? leftover / 2 : place === 'start' ? leftover : 0
  const lead = before * (before === 0 ? 0 : ruler.endInterval(first, real)) + shift
  const start = edges === 'centres' ? lead : lead - row.kinds[first].low
  const spread = { worked, spacing, room, leftover, lead, ruler }

  if (place === 'extra' && leftover > 0 && count < MAX_COPIES) {
    const kind = row.kindAt(count)
    const far = edges === 'centres' ? room : room - row.kinds[kind].high
    const pitch = far - start - ruler.pivot(count - 1, real)
    const gap = pitch - row.kinds[row.kindAt(count - 1)].high + row.kinds[kind].low
    const at = (index: number): number => (index === count ? far : start + ruler.pivot(index, real))
    return { ...spread, count: count + 1, run: room - lead, lastBay: { pitch, gap }, at }
  }
  return { ...spread, count, run: ruler.span(count, real), at: (index) => start + ruler.pivot(index, real) }
}

/** How many times the spacing counts in what must fit into the room. */
function intervalsOf(question: SpacingQuestion, count: number): number {
  const [before, after] = endWeights[question.ends]
  return count - 1 + before + after
}

/** What the copies and the intervals kept at the ends take together. */
function total(question: SpacingQuestion, any: Ruler, count: number, spacing: number): number {
  const [before, after] = endWeights[question.ends]
  const ruler = any.ofCount(count)
  const { row } = ruler
  return (
    ruler.span(count, spacing) +
    (before && before * ruler.endInterval(row.kindAt(0), spacing)) +
    (after && after * ruler.endInterval(row.kindAt(count - 1), spacing))
  )
}

function standOnOneSpot(
  question: SpacingQuestion,
  ruler: Ruler,
  count: number,
  spacing: number,
): ReturnType<typeof refused> | undefined {
  if (!Number.isFinite(spacing)) return refused('The spacing is not a finite length. Type a length such as 12 mm.')
  const pitch = ruler.smallestPitch(count, spacing)
  if (pitch > 1e-12) return undefined
  if (question.hold.includes('spacing')) {
    const asked = { pitch: 'A pitch', gap: 'A gap', overall: 'An overall' }[question.measure]
    const need = spacing - pitch
    return refused(
      asked,
      ' of ',
      { length: spacing },
      ' would put neighbours on one spot. Type more than ',
      { length: need },
      '.',
    )
  }
  return refused(
    { count },
    ' copies in ',
    { length: question.room },
    ' would stand on one spot. Lower the count or make the room longer.',
  )
}

function tooShort(question: SpacingQuestion, need: number): ReturnType<typeof refused> {
  const width = widthOf(question.row.kinds[question.row.kindAt(0)])
  const outside = question.edges === 'outsides'
  const what = outside && question.room < width ? 'one copy' : 'one copy with the space that its ends keep'
  return refused(
    'The room, ',
    { length: question.room },
    `, is shorter than ${what}, `,
    { length: need },
    '. Make the room longer, or hold count and spacing instead.',
  )
}
