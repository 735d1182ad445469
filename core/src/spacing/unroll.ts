import type { PatternOutcome } from '../evaluate'
import { type InstanceTable } from '../instances'
import type { GridOutcome } from '../layouts/placement'
import type { PathOutcome } from '../layouts/path/place'
import type { RingOutcome } from '../layouts/ring/place'
import type { Pattern } from '../model/pattern'
import type { Vec3 } from '../values/values'
import { gridPlaceOf } from '../slots'
import { type Support, supportOfCopy } from './support'
import { type Strip, stripAlong } from './strip'

export interface Band {
  readonly key: 'along' | 'across' | 'deep' | 'up'
  readonly direction: Vec3
  readonly strip: Strip
}

/** A ring cut open at its start: places in metres along its arc, and how neighbours really stand, the last with the first where it closes. */
export interface OpenRing {
  readonly strip: Strip
  readonly arc: Float64Array
  readonly chord: Float64Array
  readonly gap: Float64Array
  readonly closes: boolean
  readonly length: number
}

/** A path pulled straight in true length, contour after contour. */
export interface PulledPath {
  readonly strip: Strip
  readonly length: number
  readonly corners: readonly number[]
  /** Where contours after the first begin. */
  readonly breaks: readonly number[]
}

/** A pattern laid out flat, as its copies finally stand. */
export type Unrolled =
  | { readonly kind: 'bands'; readonly bands: readonly Band[] }
  | ({ readonly kind: 'ring' } & OpenRing)
  | ({ readonly kind: 'path' } & PulledPath)
  /** Of a scatter, the distance from each copy to its nearest neighbour, the closest first. */
  | { readonly kind: 'nearest'; readonly distances: Float64Array }
  | { readonly kind: 'none' }

/** Unrolls a pattern: a line lies flat, a grid has a band for each direction, a ring is cut open, a scatter is sorted. */
export function unroll(
  pattern: Pattern,
  { table, laid, along }: PatternOutcome,
  supportOf: (thing: number) => Support,
): Unrolled {
  if (!laid) return { kind: 'none' }
  if (laid.kind === 'line')
    return {
      kind: 'bands',
      bands: [{ key: 'along', direction: laid.direction, strip: stripAlong(table, laid.direction, supportOf) }],
    }
  if (laid.kind === 'grid') return { kind: 'bands', bands: gridBands(table, laid, supportOf) }
  if (laid.kind === 'ring' && pattern.layout.kind === 'ring')
    return { kind: 'ring', ...openRing(table, laid, pattern.layout, supportOf) }
  if (laid.kind === 'path')
    return {
      kind: 'path',
      ...pulledPath(table, laid, supportOf, pattern.layout.kind === 'path' && pattern.layout.reverse ? -1 : 1, along),
    }
  return laid.kind === 'fill' ? { kind: 'nearest', distances: laid.nearest } : { kind: 'none' }
}

/** The first row, the first column and the first stack of a grid. */
function gridBands(table: InstanceTable, laid: GridOutcome, supportOf: (thing: number) => Support): Band[] {
  const place = (row: number) => gridPlaceOf(table.slotLow[row], table.slotHigh[row])
  const bands: Band[] = [
    {
      key: 'across',
      direction: laid.across.direction,
      strip: stripAlong(table, laid.across.direction, supportOf, (row) => place(row)[1] === 0 && place(row)[2] === 0),
    },
    {
      key: 'deep',
      direction: laid.deep.direction,
      strip: stripAlong(table, laid.deep.direction, supportOf, (row) => place(row)[0] === 0 && place(row)[2] === 0),
    },
  ]
  if (laid.up.count > 1)
    bands.push({
      key: 'up',
      direction: laid.up.direction,
      strip: stripAlong(table, laid.up.direction, supportOf, (row) => place(row)[0] === 0 && place(row)[1] === 0),
    })
  return bands
}

/** Places along the path as they were worked out, and then cleared; what a copy takes up is its reach along its own front, sized as it is. */
function pulledPath(
  table: InstanceTable,
  laid: PathOutcome,
  supportOf: (thing: number) => Support,
  sense: 1 | -1,
  moved?: Float64Array,
): PulledPath {
  const starts: number[] = []
  laid.contours.reduce((n, contour) => (starts.push(n), n + contour.copies), 0)
  const rows: { row: number; along: number }[] = []
  for (let row = 0; row < table.count; row++) {
    if (!table.isPresent(row)) continue
    const [k, contour] = gridPlaceOf(table.slotLow[row], table.slotHigh[row])
    rows.push({ row, along: laid.lengths[starts[contour] + k] + sense * (moved?.[row] ?? 0) })
  }
  rows.sort((a, b) => a.along - b.along)
  const count = rows.length
  const strip = {
    count,
    row: Uint32Array.from(rows, (r) => r.row),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: Float64Array.from(rows, (r) => r.along),
  }
  for (const [i, { row, along }] of rows.entries()) {
    const { low, high } = supportOf(table.thing[row])([0, 0, table.scale[3 * row + 2]])
    strip.low[i] = along + low
    strip.high[i] = along + high
  }
  return {
    strip,
    length: laid.length,
    corners: laid.contours.flatMap((c) => c.corners.map((s) => c.from + s)),
    breaks: laid.contours.slice(1).map((c) => c.from),
  }
}

function openRing(
  table: InstanceTable,
  laid: RingOutcome,
  ring: Extract<Pattern['layout'], { kind: 'ring' }>,
  supportOf: (thing: number) => Support,
): OpenRing {
  const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const rows: number[] = []
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    if (gridPlaceOf(table.slotLow[k], table.slotHigh[k])[1] === 0) rows.push(k)
  }
  const place = (k: number): Float64Array => table.position.subarray(3 * k, 3 * k + 3)
  const gone = (k: number): number => {
    const p = place(k)
    const nominal = laid.lead + laid.step * gridPlaceOf(table.slotLow[k], table.slotHigh[k])[0]
    const radius = Math.hypot(dot(p, laid.toZero), dot(p, laid.toQuarter))
    if (radius < 1e-12) return nominal
    const angle = ring.sense * (Math.atan2(dot(p, laid.toQuarter), dot(p, laid.toZero)) - ring.start)
    return nominal + Math.atan2(Math.sin(angle - nominal), Math.cos(angle - nominal))
  }
  const angles = new Map(rows.map((k) => [k, gone(k)]))
  rows.sort((a, b) => angles.get(a)! - angles.get(b)!)
  const count = rows.length
  const strip = {
    count,
    row: Uint32Array.from(rows),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: new Float64Array(count),
  }
  const closes = ring.sweep.kind === 'full' && ring.rise === 0 && ring.widen === 0 && count > 2
  const pairs = Math.max(count - 1 + (closes ? 1 : 0), 0)
  const [arc, chord, gap] = [new Float64Array(pairs), new Float64Array(pairs), new Float64Array(pairs)]
  for (const [i, k] of rows.entries()) {
    const angle = ring.start + ring.sense * angles.get(k)!
    const tangent = [0, 1, 2].map(
      (c) => ring.sense * (laid.toQuarter[c] * Math.cos(angle) - laid.toZero[c] * Math.sin(angle)),
    ) as Vec3
    const own = supportOfCopy(table, k, supportOf(table.thing[k]), tangent)
    strip.pivot[i] = laid.radius * angles.get(k)!
    strip.low[i] = strip.pivot[i] + own.low
    strip.high[i] = strip.pivot[i] + own.high
    if (i >= pairs) continue
    const next = rows[(i + 1) % count]
    const turn = i + 1 < count ? 0 : 2 * Math.PI
    arc[i] = laid.radius * (angles.get(next)! + turn - angles.get(k)!)
    const way = [0, 1, 2].map((c) => place(next)[c] - place(k)[c])
    chord[i] = Math.hypot(...way)
    const along = way.map((n) => n / (chord[i] || 1)) as Vec3
    gap[i] =
      chord[i] -
      supportOfCopy(table, k, supportOf(table.thing[k]), along).high +
      supportOfCopy(table, next, supportOf(table.thing[next]), along).low
  }
  const whole = ring.sweep.kind === 'full' ? 2 * Math.PI : Math.abs(ring.sweep.angle)
  return { strip, arc, chord, gap, closes, length: laid.radius * whole }
}
