import { buildCurve } from '../../curves/build'
import { turnTo } from '../../curves/frames'
import { type ArcLength, arcLengthOf } from '../../curves/arcLength'
import type { InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import type { Measure } from '../../values/spacing'
import type { Path } from './schema'
import type { Vec3 } from '../../values/values'
import { gridPlaceOf, gridSlotHigh, gridSlotLow } from '../../slots'
import { type Extent, type Row, rowAsTheyStand } from '../../spacing/row'
import { neighboursOn } from './neighbours'
import { CarriedTops, drawnAt, spotAt, topsBegin, turnAt } from './pose'
import { isLoop, type PathPlaces, solvePath } from './solve'
import { type Result, type Sentence, done, refused } from '../../words'
import { type LayoutContext, type Placement } from '../context'

export interface PathOutcome {
  readonly kind: 'path'
  readonly worked: 'count' | 'spacing'
  readonly count: number
  readonly spacing: number
  /** True length of all contours together. */
  readonly length: number
  /** Of each contour: where it begins when they are laid one after another, its length and its corners. */
  readonly contours: readonly {
    readonly from: number
    readonly length: number
    readonly closed: boolean
    readonly corners: readonly number[]
    readonly copies: number
  }[]
  /** How far along each copy lies, in the order of the table. */
  readonly lengths: Float64Array
  /** Where each copy was placed, and which way the path leads there: three numbers each, in the order of `lengths`. */
  readonly places: Float64Array
  readonly ways: Float64Array
  readonly leftover: number
  /** What is asked, read in all three ways so that the last copy stays where it is. */
  readonly readAs?: Readonly<Record<Measure, number>>
}

interface Run {
  readonly measure: ArcLength
  readonly places: PathPlaces
  readonly from: number
}

/** Places copies along a curve: by true length, by straight distance, or on its corners with even bays between. */
export function placePath(
  path: Path,
  { dealt, supportOf, shapeOf, standing, least, most }: LayoutContext,
): Result<Placement<PathOutcome>> {
  const built = buildCurve(path.curve)
  if (!built.ok) return built
  if (path.facing === 'unchanged' && path.measure === 'overall' && path.way === 'length') {
    return refused(
      'An overall along a curve needs copies that turn with it. Turn them along, or hold a pitch or a gap.',
    )
  }
  const measures = built.value.map((contour) => arcLengthOf(contour))
  const length = measures.reduce((sum, m) => sum + m.length, 0)
  // What lies along the curve is a part's front.
  const FRONT: Vec3 = [0, 0, 1]
  const rowOn = (lane: number): Row => {
    const row = dealt.row((thing) => supportOf(thing)(FRONT), lane)
    if (!standing) return row
    const known: Extent[] = []
    const { slotLow, slotHigh, count } = standing.copies
    for (let k = 0; k < count; k++) {
      const [index, contour] = gridPlaceOf(slotLow[k], slotHigh[k])
      if (contour === lane) known[index] = standing.extent(k, FRONT, supportOf)
    }
    return known.length > 0
      ? rowAsTheyStand(
          row.ofCount?.(known.length) ?? row,
          Array.from(known, (own) => own ?? known[0]),
        )
      : row
  }
  const runs: Run[] = []
  let from = 0
  const shared = path.contours === 'asOne' && path.hold === 'count' && path.way === 'length' && measures.length > 1
  if (shared && path.count < measures.length) {
    return refused(
      { count: path.count },
      ' copies cannot be shared among ',
      { count: measures.length },
      ' contours. Type at least as many, or place them on each contour for itself.',
    )
  }
  const shares = shared ? apportioned(path.count, measures) : undefined
  for (const [i, measure] of measures.entries()) {
    const question = shares ? { ...path, count: shares[i] } : path
    const loop = isLoop(path, measure)
    const solved = solvePath({ ...question, ...(measures.length === 1 && { least, most }) }, measure, rowOn(i), () =>
      neighboursOn(path, measure, { lane: i, loop }, { dealt, shapeOf, supportOf, standing }),
    )
    if (!solved.ok) return solved
    runs.push({ measure, places: solved.value, from })
    from += measure.length
  }
  const count = runs.reduce((n, run) => n + run.places.lengths.length, 0)
  if (count > MAX_COPIES)
    return refused(
      'A pattern can place up to ',
      { count: MAX_COPIES },
      ' copies; ',
      { count },
      ' would stand on the curve. Widen the spacing.',
    )
  const lengths = new Float64Array(count)
  let laid = 0
  for (const { places, from: start } of runs) {
    lengths.set(places.lengths, laid)
    if (start > 0) for (let k = laid; k < laid + places.lengths.length; k++) lengths[k] += start
    laid += places.lengths.length
  }
  const [first] = runs
  const stands = traced(path, runs, count)
  return done({
    facts: [],
    working: working(path, first, count),
    outcome: {
      kind: 'path',
      worked: path.hold === 'count' ? 'spacing' : 'count',
      count,
      spacing: first.places.spacing,
      length,
      contours: runs.map(({ measure, places, from: start }) => ({
        from: start,
        length: measure.length,
        closed: measure.contour.closed,
        corners: measure.corners,
        copies: places.lengths.length,
      })),
      lengths,
      ...stands,
      ...(first.places.readAs && { readAs: first.places.readAs }),
      leftover: first.places.leftover,
    },
    write: (table) => write(table, path, runs, stands, { dealt, supportOf }),
  })
}

/** So many copies shared among contours by their lengths, at least one each, all told exactly as many: by largest remainders. */
function apportioned(count: number, measures: readonly ArcLength[]): number[] {
  const length = measures.reduce((sum, m) => sum + m.length, 0)
  const spare = count - measures.length
  const exact = measures.map((m) => (spare * m.length) / length)
  const shares = exact.map((n) => 1 + Math.floor(n))
  const order = exact.map((n, i) => [n - Math.floor(n), i] as const).sort((a, b) => b[0] - a[0] || a[1] - b[1])
  const missing = count - shares.reduce((a, b) => a + b, 0)
  for (let k = 0; k < missing; k++) shares[order[k % order.length][1]]++
  return shares
}

function write(
  table: InstanceTable,
  path: Path,
  runs: readonly Run[],
  { places: stands, ways }: Traced,
  { dealt, supportOf }: Pick<LayoutContext, 'dealt' | 'supportOf'>,
): void {
  table.neutral(stands.length / 3)
  const { position, slotLow, slotHigh } = table
  position.set(stands)
  let n = 0
  for (const [r, run] of runs.entries()) {
    const { lengths } = run.places
    const drawn = alongOf(path, run)
    const tops = path.facing === 'leastTwist' ? new CarriedTops(run.measure, topsBegin(path)) : undefined
    for (let k = 0; k < lengths.length; k++, n++) {
      const twist = path.twist !== 0 && lengths.length > 1 ? (path.twist * k) / (lengths.length - 1) : 0
      table.setTurn(n, turnAt(path, ways[3 * n], ways[3 * n + 1], ways[3 * n + 2], twist, tops?.at(drawn[k])))
      slotLow[n] = gridSlotLow(k, r)
      slotHigh[n] = gridSlotHigh(r, 0)
    }
  }
  // Chance goes by the slots, which stand by now.
  dealt.deal(table)
  if (path.join !== 'no') join(table, runs, path, dealt.things, supportOf)
}

const UP: Vec3 = [0, 1, 0]

/** Turns and stretches every copy so that its ends meet those of its neighbours: from its place to the next one. */
function join(
  table: InstanceTable,
  runs: readonly Run[],
  path: Path,
  dealt: Uint32Array,
  supportOf: LayoutContext['supportOf'],
): void {
  const places = table.position.slice(0, 3 * table.count)
  let start = 0
  for (const {
    measure,
    places: { lengths },
  } of runs) {
    const loop = isLoop(path, measure)
    for (let k = 0; k < lengths.length; k++) {
      const n = start + k
      const next = k + 1 < lengths.length ? n + 1 : loop ? start : -1
      if (next < 0) continue
      const way = [0, 1, 2].map((i) => places[3 * next + i] - places[3 * n + i]) as Vec3
      const distance = Math.hypot(...way)
      if (path.join === 'choose') table.thing[n] = nearestInLength(distance, dealt, supportOf)
      const { low, high } = supportOf(table.thing[n])([0, 0, 1])
      if (distance < 1e-12 || high - low < 1e-12) continue
      const front = way.map((v) => v / distance) as Vec3
      const factor = distance / (high - low)
      table.quaternion.set(turnTo(front, UP), 4 * n)
      table.scale[3 * n + 2] *= factor
      // Its back end comes to its own place, its front end to the next.
      for (let i = 0; i < 3; i++) table.position[3 * n + i] = places[3 * n + i] - front[i] * low * factor
    }
    // On an open curve the last place is where the last strip ends: nothing stands there.
    start += lengths.length
  }
  dropOpenEnds(table, runs, path)
}

/** The thing whose length along its front is nearest to a distance; what is missing is then stretched. */
function nearestInLength(distance: number, things: Uint32Array, supportOf: LayoutContext['supportOf']): number {
  const off = (thing: number): number => {
    const { low, high } = supportOf(thing)([0, 0, 1])
    return Math.abs(high - low - distance)
  }
  return things.reduce((best, thing) => (off(thing) < off(best) ? thing : best))
}

function dropOpenEnds(table: InstanceTable, runs: readonly Run[], path: Path): void {
  let [from, to] = [0, 0]
  for (const {
    measure,
    places: { lengths },
  } of runs) {
    const kept = isLoop(path, measure) || lengths.length < 2 ? lengths.length : lengths.length - 1
    for (let k = 0; k < kept; k++) table.putRow(table, from + k, to++)
    from += lengths.length
  }
  table.count = to
}

type Traced = Pick<PathOutcome, 'places' | 'ways'>

/** How far along its contour each copy of a run lies as the contour was drawn. */
const alongOf = (path: Path, { measure, places: { lengths } }: Run): Float64Array =>
  lengths.map((s) => drawnAt(path, measure, s))

/** Where copies are placed, and which way the path leads there. */
function traced(path: Path, runs: readonly Run[], count: number): Traced {
  const [places, ways, spot] = [new Float64Array(3 * count), new Float64Array(3 * count), new Float64Array(6)]
  let n = 0
  for (const run of runs) {
    for (const drawn of alongOf(path, run)) {
      spotAt(path, run.measure, drawn, spot)
      for (let i = 0; i < 3; i++) {
        places[3 * n + i] = spot[i]
        ways[3 * n + i] = spot[3 + i]
      }
      n++
    }
  }
  return { places, ways }
}

function working(path: Path, { measure, places }: Run, count: number): Sentence {
  const loop = isLoop(path, measure)
  if (path.way !== 'length' || Number.isNaN(places.spacing)) return [{ length: measure.length }, ' long']
  if (path.hold === 'spacing')
    return [
      'count is worked out: ',
      { length: places.room },
      ' at ',
      { length: path.spacing },
      ', so ',
      { count, tone: 'good' },
    ]
  if (path.measure !== 'pitch') return [`${path.measure} is worked out: `, { length: places.spacing, tone: 'good' }]
  const intervals = Math.round(places.room / places.spacing)
  return [
    { length: places.room },
    ' ÷ ',
    { count: loop ? count : Math.max(intervals, 1) },
    ' = ',
    { length: places.spacing, tone: 'good' },
  ]
}
