import { Bodies } from '../../clearing/bodies'
import { gapOf } from '../../clearing/gap'
import type { InstanceTable } from '../../instances'
import { gridPlaceOf, isImage } from '../../slots'
import { supportOfCopy } from '../../spacing/support'
import type { Vec3 } from '../../values/values'
import type { Things, Worked } from '../definition'
import type { PulledPath, Unrolled } from '../unrolled'
import type { PathOutcome } from './place'
import type { Path } from './schema'

/** A path is pulled straight in true length. */
export const unrollPath = (path: Path, worked: Worked<PathOutcome>, things: Things): Unrolled => ({
  as: 'path',
  ...pulledPath(path, worked, things),
})

interface Standing {
  readonly row: number
  readonly contour: number
  readonly along: number
}

/**
 * Images that a reflection made stand nowhere on the path. Places along the path as they were worked out, moved by what clearing and a hand's offset along the way come to; a copy takes up
 * its reach along the way, in its own hand, turned and sized as it is.
 */
export function pulledPath(
  { reverse, insetStart, insetEnd }: Path,
  { table, laid, along: moved }: Worked<PathOutcome>,
  { supportOf, shapeOf }: Things,
): PulledPath {
  const starts: number[] = []
  laid.contours.reduce((n, contour) => (starts.push(n), n + contour.copies), 0)
  const sense = reverse ? -1 : 1
  const all: (Standing & { readonly way: Vec3 })[] = []
  for (let row = 0; row < table.count; row++) {
    if (!table.isPresent(row) || isImage(table.slotHigh[row])) continue
    const [k, contour] = gridPlaceOf(table.slotLow[row], table.slotHigh[row])
    const n = starts[contour] + k
    const way: Vec3 = [laid.ways[3 * n], laid.ways[3 * n + 1], laid.ways[3 * n + 2]]
    const off = [0, 1, 2].reduce((sum, i) => sum + (table.position[3 * row + i] - laid.places[3 * n + i]) * way[i], 0)
    all.push({ row, contour, way, along: laid.lengths[n] + (moved ? sense * moved[row] : off) })
  }
  all.sort((a, b) => a.along - b.along)
  const count = all.length
  const strip = {
    count,
    row: Uint32Array.from(all, (r) => r.row),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: Float64Array.from(all, (r) => r.along),
  }
  for (const [i, { row, along, way }] of all.entries()) {
    const { low, high } = supportOfCopy(table, row, supportOf(table.thing[row]), way)
    strip.low[i] = along + low
    strip.high[i] = along + high
  }
  const whole = insetStart === 0 && insetEnd === 0
  return {
    strip,
    length: laid.length,
    pairs: pairsOf(all, laid, whole, table, new Bodies(table, shapeOf)),
    corners: laid.contours.flatMap((c) => c.corners.map((s) => c.from + s)),
    breaks: laid.contours.slice(1).map((c) => c.from),
  }
}

function pairsOf(
  all: readonly Standing[],
  { contours }: PathOutcome,
  whole: boolean,
  { position: p }: InstanceTable,
  bodies: Bodies,
): PulledPath['pairs'] {
  return contours.flatMap(({ closed, length }, contour) => {
    const own = all.filter((s) => s.contour === contour)
    const pairs = own.slice(1).map((b, i) => [own[i], b, b.along - own[i].along] as const)
    if (closed && whole && own.length > 2) {
      const [first, last] = [own[0], own[own.length - 1]]
      pairs.push([last, first, first.along + length - last.along])
    }
    return pairs.map(([a, b, pitch]) => ({
      from: a.row,
      to: b.row,
      pitch,
      straight: Math.hypot(...[0, 1, 2].map((i) => p[3 * b.row + i] - p[3 * a.row + i])),
      gap: bodies.there[a.row] && bodies.there[b.row] ? gapOf(bodies, a.row, b.row).gap : NaN,
    }))
  })
}
