import { type SVGCommand, SVGPathData, SVGPathDataParser } from 'svg-pathdata'
import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'
import { arcPieces } from './svgArc'

type Point = readonly [number, number]
type Piece = [Vec3, Vec3, Vec3]

/** A 2 × 3 matrix as SVG writes it: a b c d e f. */
export type PlaneMatrix = readonly [number, number, number, number, number, number]

/**
 * The runs of an SVG path's data, brought to metres on the upright plane: x across, y down turned to up. What follows a
 * fault in the data is left out, as SVG asks: the library keeps what came before it.
 *
 * @param matrix from the path's units to metres
 */
export function runsOfPath(data: string, matrix: PlaneMatrix): BezierRun[] {
  const place = ([x, y]: Point): Vec3 => [
    matrix[0] * x + matrix[2] * y + matrix[4],
    -(matrix[1] * x + matrix[3] * y + matrix[5]) || 0,
    0,
  ]
  const runs: BezierRun[] = []
  let pieces: Piece[] = []
  let start: Point = [0, 0]
  let at: Point = [0, 0]
  const finish = (closed: boolean): void => {
    if (pieces.length > 0) runs.push({ start: place(start), pieces, closed })
    pieces = []
  }
  const add = (a: Point, b: Point, to: Point): void => {
    pieces.push([place(a), place(b), place(to)])
    at = to
  }
  const line = (to: Point): void => add(at, to, to)
  for (const c of commandsOf(data)) {
    if (c.type === SVGPathData.MOVE_TO) {
      finish(false)
      start = at = [c.x, c.y]
    } else if (c.type === SVGPathData.LINE_TO) line([c.x, c.y])
    else if (c.type === SVGPathData.CURVE_TO) add([c.x1, c.y1], [c.x2, c.y2], [c.x, c.y])
    else if (c.type === SVGPathData.QUAD_TO) {
      const [from, control, to]: Point[] = [at, [c.x1, c.y1], [c.x, c.y]]
      const toward = (p: Point): Point => [p[0] + (2 / 3) * (control[0] - p[0]), p[1] + (2 / 3) * (control[1] - p[1])]
      add(toward(from), toward(to), to)
    } else if (c.type === SVGPathData.ARC) {
      const turn = (c.xRot * Math.PI) / 180
      for (const [a, b, to] of arcPieces(at, c.rX, c.rY, turn, c.lArcFlag === 1, c.sweepFlag === 1, [c.x, c.y]))
        add(a, b, to)
    } else if (c.type === SVGPathData.CLOSE_PATH) {
      finish(true)
      at = start
    }
  }
  finish(false)
  return runs
}

/**
 * The commands of path data, absolute, short forms written out; arcs stay arcs, to be cut up exactly. Tried before: svgpath, which
 * goes through all that is left of a long run of points again after each of them (100 000 points: 8.5 s, here 0.15 s).
 */
function commandsOf(data: string): readonly SVGCommand[] {
  const commands: SVGCommand[] = []
  const parser = new SVGPathDataParser()
  try {
    parser.parse(data, commands)
    parser.finish(commands)
  } catch {
    // What came before the fault is there.
  }
  if (commands[0]?.type !== SVGPathData.MOVE_TO) return []
  return new SVGPathData(commands).toAbs().normalizeHVZ(false).normalizeST().commands
}
