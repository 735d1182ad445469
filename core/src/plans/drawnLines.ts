import { readSvg } from '../curves/svgFile'
import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'
import { type Plan, planAxes } from './plan'

/** What a drawing that is laid down offers to be caught, in the world, in metres. */
export interface DrawnLines {
  /** Where its lines begin, bend and end. */
  readonly corners: readonly Vec3[]
  /** Its lines as straight pieces, from and to after each other: curved ones cut so finely. */
  readonly pieces: Float64Array
}

/** Drawings with more pieces than this are looked at, and not caught: their lines lie too close to tell apart. */
const MOST_PIECES = 5000
/** Into so many straight pieces a curve is cut. */
const CUTS = 12

/**
 * The lines of a drawing where its plan lies. Nothing of a picture, nor of a drawing that has none or far too many.
 *
 * @param text the SVG file, as its plan keeps it
 */
export function drawnLines(plan: Plan, text: string): DrawnLines {
  const read = readSvg(text, plan.fileName, 'units')
  const runs = read.ok ? read.value : []
  if (runs.reduce((n, run) => n + run.pieces.length, 0) > MOST_PIECES)
    return { corners: [], pieces: new Float64Array() }
  const [right, up] = planAxes(plan)
  const [width, height] = plan.pixels
  // A reader's drawing stands upright with its top left corner at the origin.
  const lying = ([x, y]: Readonly<Vec3>): Vec3 => {
    const [along, high] = [(x - width / 2) * plan.perPixel, (y + height / 2) * plan.perPixel]
    return [0, 1, 2].map((i) => plan.move[i] + along * right[i] + high * up[i]) as Vec3
  }
  const corners: Vec3[] = []
  const pieces: number[] = []
  for (const run of runs) {
    corners.push(lying(run.start))
    let from = run.start
    for (const [a, b, to] of run.pieces) {
      corners.push(lying(to))
      const cuts = isStraight(from, a, b, to) ? 1 : CUTS
      let before = lying(from)
      for (let k = 1; k <= cuts; k++) {
        const next = lying(onCubic(from, a, b, to, k / cuts))
        pieces.push(...before, ...next)
        before = next
      }
      from = to
    }
  }
  return { corners, pieces: Float64Array.from(pieces) }
}

type Piece = BezierRun['pieces'][number]

/** A cubic Bézier at t, 0 to 1, by its Bernstein form. */
function onCubic(from: Readonly<Vec3>, a: Piece[0], b: Piece[1], to: Piece[2], t: number): Vec3 {
  const s = 1 - t
  const [wa, wb, wc, wd] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t]
  return [0, 1, 2].map((i) => wa * from[i] + wb * a[i] + wc * b[i] + wd * to[i]) as Vec3
}

/** Whether both handles lie on the way from one end to the other. */
function isStraight(from: Readonly<Vec3>, a: Piece[0], b: Piece[1], to: Piece[2]): boolean {
  const way = [to[0] - from[0], to[1] - from[1]]
  const off = (p: Readonly<Vec3>): number => Math.abs(way[0] * (p[1] - from[1]) - way[1] * (p[0] - from[0]))
  return Math.max(off(a), off(b)) <= 1e-9 * (way[0] * way[0] + way[1] * way[1])
}
