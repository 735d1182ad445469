import svgpath from 'svgpath'
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
  // Short forms are written out and everything made absolute by the library; arcs stay arcs and are cut up here.
  svgpath(data)
    .abs()
    .unshort()
    .iterate((segment) => {
      const [command, ...n] = segment as unknown as [string, ...number[]]
      if (command === 'M') {
        finish(false)
        start = at = [n[0], n[1]]
      } else if (command === 'L') line([n[0], n[1]])
      else if (command === 'H') line([n[0], at[1]])
      else if (command === 'V') line([at[0], n[0]])
      else if (command === 'C') add([n[0], n[1]], [n[2], n[3]], [n[4], n[5]])
      else if (command === 'Q') {
        const [from, control, to]: Point[] = [at, [n[0], n[1]], [n[2], n[3]]]
        const toward = (p: Point): Point => [p[0] + (2 / 3) * (control[0] - p[0]), p[1] + (2 / 3) * (control[1] - p[1])]
        add(toward(from), toward(to), to)
      } else if (command === 'A') {
        for (const [a, b, to] of arcPieces(at, n[0], n[1], (n[2] * Math.PI) / 180, n[3] === 1, n[4] === 1, [
          n[5],
          n[6],
        ]))
          add(a, b, to)
      } else if (command === 'Z') {
        finish(true)
        at = start
      }
    })
  finish(false)
  return runs
}
