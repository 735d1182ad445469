import type { ArcLength } from '../../curves/arcLength'
import type { Path } from './schema'
import { type Result, done, refused } from '../../words'
import { MAX_COPIES } from '../../limits'
import { rising } from '../../numbers/rising'
import { placesOf } from '../../spacing/places'
import type { Row } from '../../spacing/row'
import { readingsOf } from '../../spacing/readings'
import { FIT, type SpacingQuestion, checkCount, solveSpacing } from '../../spacing/solve'
import type { Measure } from '../../values/spacing'
import { GapWalk } from './byGap'
import type { Neighbours } from './neighbours'

/** Where copies lie on one contour, as lengths from its start; the last may be the far end of the last bay. */
export interface PathPlaces {
  readonly lengths: Float64Array
  /** The spacing as it came out, read as asked; NaN for a single copy. */
  readonly spacing: number
  readonly leftover: number
  /** What was free between the insets. */
  readonly room: number
  /** What is asked, read in all three ways; absent where it is read in one alone. */
  readonly readAs?: Readonly<Record<Measure, number>>
}

export type PathQuestion = Pick<
  Path,
  'hold' | 'count' | 'spacing' | 'measure' | 'ends' | 'leftover' | 'insetStart' | 'insetEnd' | 'way'
> & { readonly least?: number | undefined; readonly most?: number | undefined }

/** Up to so many copies, the gap of a path that is spaced otherwise is worked out along with it, to be gone on with. */
const FEW = 100

/**
 * Solves a contour: count from spacing or spacing from count, in the length between the insets. A closed contour without
 * insets has its first copy follow its last, so the length counts one interval more. A gap is the nearest distance between
 * neighbours.
 *
 * @param neighbours the copies as they would stand
 */
export function solvePath(
  question: PathQuestion,
  measure: ArcLength,
  row: Row,
  neighbours: () => Neighbours,
): Result<PathPlaces> {
  const room = measure.length - question.insetStart - question.insetEnd
  if (!(room > 0))
    return refused(
      'The insets leave nothing of the curve, which is ',
      { length: measure.length },
      ' long. Type smaller ones.',
    )
  if (question.hold === 'count' && question.way !== 'corners') {
    const count = checkCount(question.count)
    if (!count.ok) return count
  }
  if (question.way === 'corners') return byCorners(question, measure, room)
  if (question.way === 'straight') return byStraightLine(question, measure, room)
  const closed = isLoop(question, measure)
  const asked: SpacingQuestion = {
    hold: question.hold === 'count' ? ['count', 'room'] : ['spacing', 'room'],
    count: question.count,
    spacing: question.spacing,
    measure: question.measure,
    room,
    edges: 'centres',
    ends: closed ? 'start' : question.ends,
    leftover: question.leftover,
    least: question.least,
    most: question.most,
    row,
  }
  const solved = solveSpacing(asked)
  if (!solved.ok) return solved
  const answer = solved.value
  const lengths = placesOf(answer)
  if (question.insetStart > 0) for (let k = 0; k < lengths.length; k++) lengths[k] += question.insetStart
  const walk = (): GapWalk => new GapWalk(question, measure, neighbours(), closed, answer)
  const readAs = readingsOf(asked, answer)
  if (question.measure !== 'gap') {
    const few = readAs && answer.count <= FEW
    const gap = few ? walk().gapFor(lengths) : 0
    const read = few ? { ...readAs, gap } : readAs
    return done({ lengths, spacing: answer.spacing, leftover: answer.leftover, room, ...(read && { readAs: read }) })
  }
  const walked = walk().solve()
  return walked.ok && readAs ? done({ ...walked.value, readAs: readFrom(walked.value, question, readAs) }) : walked
}

/** What a walk by gap comes to, read in the other two ways so that the last copy stays where it is. */
function readFrom(
  { lengths, spacing }: PathPlaces,
  { hold, spacing: asked }: PathQuestion,
  along: Readonly<Record<Measure, number>>,
): Readonly<Record<Measure, number>> {
  const pitch = (lengths[lengths.length - 1] - lengths[0]) / (lengths.length - 1)
  return { gap: hold === 'spacing' ? asked : spacing, pitch, overall: along.overall - along.pitch + pitch }
}

/** A closed contour that is used all round. */
export const isLoop = ({ insetStart, insetEnd }: Pick<Path, 'insetStart' | 'insetEnd'>, measure: ArcLength): boolean =>
  measure.contour.closed && insetStart === 0 && insetEnd === 0

/** A copy on every corner and even bays between, none wider than asked; with a count, so many bays in the longest stretch. */
function byCorners(question: PathQuestion, measure: ArcLength, room: number): Result<PathPlaces> {
  const loop = isLoop(question, measure)
  const [from, to] = [question.insetStart, measure.length - question.insetEnd]
  const inner = measure.corners.filter((s) => s > from + FIT * room && s < to - FIT * room)
  const begin = loop ? (measure.corners[0] ?? 0) : from
  const stops = loop ? [...measure.corners.filter((s) => s > begin), begin + measure.length] : [...inner, to]
  if (question.hold === 'spacing' && !(question.spacing > 0))
    return refused('A spacing is more than 0; type a length such as ', { length: 0.1 }, '.')
  let longest = 0
  stops.reduce((a, b) => ((longest = Math.max(longest, b - a)), b), begin)
  if (question.hold === 'count') {
    const bays = checkCount(question.count)
    if (!bays.ok) return bays
  }
  const widest = question.hold === 'count' ? longest / question.count : question.spacing
  if (room / widest > MAX_COPIES)
    return refused('More than ', { count: MAX_COPIES }, ' copies would stand on the curve. Widen the spacing.')
  const lengths = [begin]
  let last = begin
  for (const stop of stops) {
    const bays = Math.max(1, Math.ceil((stop - last) / widest - FIT))
    for (let i = 1; i <= bays; i++) lengths.push(last + ((stop - last) * i) / bays)
    last = stop
  }
  if (loop) lengths.pop()
  const first = lengths.length > 1 ? lengths[1] - lengths[0] : NaN
  return done({
    lengths: Float64Array.from(lengths, (s) => s % (measure.length * (1 + FIT))),
    spacing: first,
    leftover: 0,
    room,
  })
}

/** Neighbours at one straight distance from each other, as rigid links would hang. */
function byStraightLine(question: PathQuestion, measure: ArcLength, room: number): Result<PathPlaces> {
  const [from, to] = [question.insetStart, measure.length - question.insetEnd]
  if (question.hold === 'spacing') {
    if (!(question.spacing > 0))
      return refused('A spacing is more than 0; type a length such as ', { length: 0.1 }, '.')
    if (room / question.spacing > MAX_COPIES)
      return refused('More than ', { count: MAX_COPIES }, ' copies would stand on the curve. Widen the spacing.')
    const lengths = march(measure, from, to, question.spacing, Infinity)
    return done({
      lengths,
      spacing: lengths.length > 1 ? question.spacing : NaN,
      leftover: Math.max(to - lengths[lengths.length - 1], 0),
      room,
    })
  }
  if (question.count === 1) return done({ lengths: Float64Array.of(from), spacing: NaN, leftover: room, room })
  const bays = question.count - 1
  const along = room / bays
  // The distance with which the last of so many copies comes to the end, by how many bays of it there are.
  const short = (distance: number): number =>
    ((bays - baysOf(march(measure, from, to, distance, question.count), measure, to, distance)) * along) / bays
  const found = rising(short, { guess: along, least: 1e-9 * along, most: along }) ?? along
  let spacing = found
  let lengths = march(measure, from, to, spacing, question.count)
  // Where the count leaps, as on a curve that doubles back, a hair less still reaches it.
  for (let less = 1e-15; lengths.length < bays && less < 1; less *= 2) {
    spacing = found * (1 - less)
    lengths = march(measure, from, to, spacing, question.count)
  }
  const all = new Float64Array(question.count)
  all.set(lengths.subarray(0, bays))
  all[bays] = to
  return done({ lengths: all, spacing, leftover: 0, room })
}

/** How many times a distance goes into the curve up to a place, the last time in part; so much as is left along it where copies ran out. */
function baysOf(lengths: Float64Array, measure: ArcLength, to: number, distance: number): number {
  const bays = lengths.length - 1
  const last = lengths[bays]
  measure.trace(last, here)
  measure.trace(to, there)
  const straight = Math.hypot(there[0] - here[0], there[1] - here[1], there[2] - here[2])
  return bays + (straight < distance ? straight : to - last) / distance
}

const here = new Float64Array(6)
const there = new Float64Array(6)

/** Steps along a curve from copy to copy, each time to the first place that lies a straight distance away. */
function march(measure: ArcLength, from: number, to: number, distance: number, most: number): Float64Array {
  const lengths = [from]
  measure.trace(from, here)
  const away = (at: number): number => {
    measure.trace(at, there)
    const [x, y, z] = [there[0] - here[0], there[1] - here[1], there[2] - here[2]]
    return Math.sqrt(x * x + y * y + z * z) - distance
  }
  while (lengths.length < most) {
    const s = lengths[lengths.length - 1]
    // The place lies at least so far along; looked for in steps of a quarter of it, then narrowed in on.
    let [low, high] = [s + distance * (1 - 1e-12), s + distance]
    while (high < to && away(high) < 0) [low, high] = [high, high + distance / 4]
    if (high >= to) {
      if (away(to) < -1e-12 * distance) return Float64Array.from(lengths)
      high = to
      if (low > to) low = s
    }
    lengths.push(rising(away, { guess: low, least: low, most: high, within: 1e-15 * distance }) ?? high)
    measure.trace(lengths[lengths.length - 1], here)
  }
  return Float64Array.from(lengths)
}
