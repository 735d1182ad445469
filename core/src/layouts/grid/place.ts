import type { InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import { type Anchor, type Grid, heldInHex } from './schema'
import type { Spacing } from '../../values/spacing'
import type { Vec3 } from '../../values/values'
import { gridPlaceOf, gridSlotHigh, gridSlotLow } from '../../slots'
import { spacingWorking } from '../../spacing/working'
import { type Extent, type Row, rowAsTheyStand, rowInTurn } from '../../spacing/row'
import type { Standing } from '../../spacing/standing'
import { FIT, endWeights, type SpacingAnswer, type SpacingQuestion, solveSpacing } from '../../spacing/solve'
import { fact, type Result, type Segment, type Sentence, done, plural, refused } from '../../words'
import { type SpacingOutcome, type LayoutContext, type Placement, spacingOutcome } from '../context'

const ACROSS: Vec3 = [1, 0, 0]
const UP: Vec3 = [0, 1, 0]
const DEEP: Vec3 = [0, 0, 1]
/** Rows of touching circles, packed as closely as a plane allows, lie √3/2 of their diameter apart. */
export const HEX_ROW = Math.sqrt(3) / 2

export interface GridOutcome {
  readonly kind: 'grid'
  readonly across: SpacingOutcome
  readonly deep: SpacingOutcome
  readonly up: SpacingOutcome
  /** Where the rooms begin, in the pattern's axes. */
  readonly start: Vec3
  readonly working: { readonly across: Sentence; readonly deep: Sentence; readonly up: Sentence }
}

interface Solved {
  readonly answer: SpacingAnswer
  readonly question: SpacingQuestion
}

/**
 * Sets copies out in columns (across), rows (deep) and layers (up), each direction with its own count, spacing and room.
 * In a room that is held, a shifted row leaves out
 * the copies that would stick out of it.
 */
export function placeGrid(grid: Grid, context: LayoutContext): Result<Placement<GridOutcome>> {
  const shifted = grid.rows.kind !== 'inStep'
  const across = solveAxis('Across', grid.across, { direction: ACROSS, which: 0, even: shifted }, context)
  if (!across.ok) return across
  const hex = grid.rows.kind === 'hexagonal'
  const pitch = pitchOf(across.value.answer)
  const deep = solveAxis(
    'Deep',
    hex ? hexRows(grid.deep, pitch) : grid.deep,
    { direction: DEEP, which: 1, even: false },
    context,
  )
  if (!deep.ok) return deep
  const up = solveAxis('Up', grid.up, { direction: UP, which: 2, even: false }, context)
  if (!up.ok) return up
  const [nx, ny, nz] = [across, deep, up].map((solved) => solved.value.answer.count)
  if (nx * ny * nz > MAX_COPIES) {
    return refused(
      'A pattern can place up to ',
      { count: MAX_COPIES },
      ' copies; ',
      { count: nx },
      ' × ',
      { count: ny },
      ' × ',
      { count: nz },
      ' is more. Lower a count.',
    )
  }

  const offsets = rowOffsets(grid.rows, ny, pitch)
  const fitted =
    shifted && grid.across.hold.includes('room') ? fittedRows(across.value, offsets, grid.across) : undefined
  const inRow = fitted?.inRow ?? offsets.map(() => nx)
  const x = positions(across.value.answer, grid.anchor.across).map((at) => at + (fitted?.by ?? 0))
  const y = positions(up.value.answer, grid.anchor.up)
  const z = positions(deep.value.answer, grid.anchor.deep)
  const cells = cellsOf(grid, [nx, ny, nz], inRow, x, y, z, offsets)

  const outcome = {
    kind: 'grid' as const,
    across: spacingOutcome(ACROSS, across.value.question, across.value.answer),
    deep: spacingOutcome(DEEP, deep.value.question, deep.value.answer),
    up: spacingOutcome(UP, up.value.question, up.value.answer),
    start: [
      startOf(across.value.answer, grid.anchor.across),
      startOf(up.value.answer, grid.anchor.up),
      startOf(deep.value.answer, grid.anchor.deep),
    ] as Vec3,
    working: {
      across: spacingWorking(across.value.question, across.value.answer),
      deep: spacingWorking(deep.value.question, deep.value.answer),
      up: spacingWorking(up.value.question, up.value.answer),
    },
  }
  return done({
    outcome,
    facts: [
      fact('count', ...countWorking([nx, ny, nz], cells.length / 3), plural(cells.length / 3, ' copy', ' copies')),
    ],
    working: countWorking([nx, ny, nz], cells.length / 3),
    write: (table) => write(table, cells, x, y, z, offsets, context),
  })
}

function solveAxis(
  name: string,
  spacing: Spacing,
  { direction, which, even }: { direction: Vec3; which: 0 | 1 | 2; even: boolean },
  context: LayoutContext,
): Result<Solved> {
  const row = context.standing
    ? standingRow(context, context.standing, direction, which, even)
    : dealtRow(context, direction)
  const question: SpacingQuestion = { ...spacing, row }
  const solved = solveSpacing(question)
  return solved.ok ? done({ answer: solved.value, question }) : refused(`${name}: `, ...solved.problem.says)
}

const NOTHING: Extent = { low: Infinity, high: -Infinity }
const both = (a: Extent, b: Extent): Extent => ({ low: Math.min(a.low, b.low), high: Math.max(a.high, b.high) })

/** As they are dealt, parts of different sizes stand in one raster, as wide as the widest. */
function dealtRow({ dealt, supportOf }: LayoutContext, direction: Vec3): Row {
  return rowInTurn([dealt.things.reduce((widest, thing) => both(widest, supportOf(thing)(direction)), NOTHING)])
}

/**
 * As they stand, a column is as wide as the widest copy in it, a row as deep as the deepest, a layer as high as the highest; where
 * rows are shifted, columns run into each other and all are as wide as the widest.
 */
function standingRow(
  { supportOf }: LayoutContext,
  standing: Standing,
  direction: Vec3,
  which: 0 | 1 | 2,
  even: boolean,
): Row {
  const { slotLow, slotHigh, count } = standing.copies
  const lanes: Extent[] = []
  let widest = NOTHING
  for (let k = 0; k < count; k++) {
    const own = standing.extent(k, direction, supportOf)
    widest = both(widest, own)
    if (even) continue
    const lane = gridPlaceOf(slotLow[k], slotHigh[k])[which]
    lanes[lane] = both(lanes[lane] ?? NOTHING, own)
  }
  if (even) return rowInTurn([widest])
  return rowAsTheyStand(
    rowInTurn([widest]),
    Array.from(lanes, (lane) => lane ?? widest),
  )
}

/** Pivot to pivot; for a single copy, what the spacing would give a second one. */
const pitchOf = ({ ruler, spacing }: SpacingAnswer): number => (Number.isNaN(spacing) ? 0 : ruler.pitch(0, 0, spacing))

const hexRows = (deep: Spacing, pitch: number): Spacing => ({
  ...deep,
  hold: ['spacing', heldInHex(deep)],
  spacing: pitch * HEX_ROW,
  measure: 'pitch',
})

const share: Record<Anchor, number> = { start: 0, centre: 0.5, end: 1 }
const startOf = (answer: SpacingAnswer, anchor: Anchor): number => -share[anchor] * answer.room

function positions(answer: SpacingAnswer, anchor: Anchor): Float64Array {
  const start = startOf(answer, anchor)
  return Float64Array.from({ length: answer.count }, (_, i) => start + answer.at(i))
}

/** How far each row is shifted: by the share of a pitch more with each group of rows, whole pitches dropped. */
function rowOffsets(rows: Grid['rows'], count: number, pitch: number): number[] {
  if (rows.kind === 'inStep') return new Array<number>(count).fill(0)
  const [each, every] = rows.kind === 'hexagonal' ? [0.5, 1] : [rows.share, rows.every]
  return Array.from({ length: count }, (_, j) => {
    const shifted = Math.floor(j / every) * each
    const part = shifted - Math.floor(shifted + 1e-12)
    return Math.max(part, 0) * pitch
  })
}

/**
 * How many copies of each shifted row lie in the room, and by how much all are moved then: what is left over is what the widest
 * of all rows leaves, and goes where it is to go.
 */
function fittedRows(
  { answer, question }: Solved,
  offsets: readonly number[],
  { leftover }: Spacing,
): { readonly inRow: number[]; readonly by: number } {
  const { count, room, lead, ruler, spacing } = answer
  const { row, edges } = question
  const [before, after] = edges === 'centres' ? [0, 0] : [row.kinds[0].low, row.kinds[0].high]
  const slack = FIT * Math.max(pitchOf(answer), room)
  const own = Number.isNaN(spacing) ? 0 : spacing
  const afterLast = endWeights[question.ends][1]
  const far = afterLast && afterLast * ruler.endInterval(0, own)
  // The ends keep free what they keep; only the leftover's share of the lead is set anew.
  const kept =
    lead - { end: 0, start: answer.leftover, both: answer.leftover / 2, widen: 0, tighten: 0, extra: 0 }[leftover]
  const reach = (n: number, offset: number): number => kept + ruler.pivot(n - 1, own) + offset + after - before
  const inRow = offsets.map((offset) => {
    let fits = count
    while (fits > 1 && reach(fits, offset) + far > room + slack) fits--
    return fits
  })
  const widest = offsets.reduce((most, offset, j) => Math.max(most, reach(inRow[j], offset)), 0)
  const left = Math.max(room - widest - far, 0)
  const share = leftover === 'both' ? 0.5 : leftover === 'start' ? 1 : 0
  return { inRow, by: kept + share * left - lead }
}

/** Column, row and layer of every place that is used, in the order of numbering. */
function cellsOf(
  grid: Grid,
  [nx, ny, nz]: number[],
  inRow: readonly number[],
  x: Float64Array,
  y: Float64Array,
  z: Float64Array,
  offsets: readonly number[],
): Uint32Array {
  const cells = new Uint32Array(3 * nx * ny * nz)
  let used = 0
  for (let k = 0; k < nz; k++) {
    for (let j = 0; j < ny; j++) {
      const back = grid.order === 'backAndForth' && (j + k * ny) % 2 === 1
      for (let n = 0; n < inRow[j]; n++) {
        const i = back ? inRow[j] - 1 - n : n
        if (grid.only === 'border' && i > 0 && i < inRow[j] - 1 && j > 0 && j < ny - 1) continue
        if (grid.only === 'checker' && (i + j + k) % 2 === 1) continue
        cells[used] = i
        cells[used + 1] = j
        cells[used + 2] = k
        used += 3
      }
    }
  }
  const all = cells.subarray(0, used)
  return grid.order === 'fromCentre' ? sortFromCentre(all, x, y, z, offsets) : all
}

function sortFromCentre(
  cells: Uint32Array,
  x: Float64Array,
  y: Float64Array,
  z: Float64Array,
  offsets: readonly number[],
): Uint32Array {
  const count = cells.length / 3
  const middle = (values: Float64Array): number => (values[0] + values[values.length - 1]) / 2
  const [cx, cy, cz] = [middle(x), middle(y), middle(z)]
  const keys = new Float64Array(2 * count)
  for (let n = 0; n < count; n++) {
    const [i, j, k] = cells.subarray(3 * n, 3 * n + 3)
    const [dx, dy, dz] = [x[i] + offsets[j] - cx, y[k] - cy, z[j] - cz]
    // Rounded, so that places that are equally far do not change order by a last bit.
    keys[2 * n] = Math.round((dx * dx + dy * dy + dz * dz) * 1e12)
    keys[2 * n + 1] = Math.atan2(dx, -dz)
  }
  const order = Array.from({ length: count }, (_, n) => n).sort(
    (a, b) => keys[2 * a] - keys[2 * b] || keys[2 * a + 1] - keys[2 * b + 1] || a - b,
  )
  const sorted = new Uint32Array(3 * count)
  for (const [n, from] of order.entries()) sorted.set(cells.subarray(3 * from, 3 * from + 3), 3 * n)
  return sorted
}

function write(
  table: InstanceTable,
  cells: Uint32Array,
  x: Float64Array,
  y: Float64Array,
  z: Float64Array,
  offsets: readonly number[],
  { dealt }: LayoutContext,
): void {
  const count = cells.length / 3
  table.neutral(count)
  const { position, slotLow, slotHigh } = table
  for (let n = 0; n < count; n++) {
    const n3 = 3 * n
    const [i, j, k] = [cells[n3], cells[n3 + 1], cells[n3 + 2]]
    position[n3] = x[i] + offsets[j]
    position[n3 + 1] = y[k]
    position[n3 + 2] = z[j]
    slotLow[n] = gridSlotLow(i, j)
    slotHigh[n] = gridSlotHigh(j, k)
  }
  dealt.deal(table)
}

function countWorking([nx, ny, nz]: number[], placed: number): Sentence {
  const product = nx * ny * nz
  const sum: Segment[] = [
    { count: nx },
    ' × ',
    { count: ny },
    ...(nz > 1 ? [' × ', { count: nz }] : []),
    ' = ',
    { count: product, tone: 'good' },
  ]
  return placed === product ? sum : [...sum, ', of which ', { count: placed, tone: 'good' }, ' are used']
}
