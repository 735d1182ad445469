import { anchorsOf, moveAnchor } from '@hilera/core/curves/anchors'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { BezierRun } from '@hilera/core/values/curve'
import type { Vec3 } from '@hilera/core/values/values'
import type { Layout } from '@hilera/core/layouts/index'
import type { Way } from '../../stage/pins'
import { editOf } from '../index'

export type CurvePin = (way: Way) => ((layout: Layout) => void) | undefined

/** An edit of a path's curve as it is then. */
export const inCurve = (change: (now: Path['curve']) => void): ((layout: Layout) => void) =>
  editOf('path', (layout) => change(layout.curve))

export const movedBy = ([x, y, z]: Readonly<Vec3>, { across, up, deep, whole }: Way): Vec3 => [
  whole(x + across),
  whole(y + up),
  whole(z + deep),
]

/** Where points come to when one of them is dragged: it all the way, those near it softly, the others not at all. */
function dragged(points: readonly Vec3[], index: number, way: Way): (Vec3 | undefined)[] {
  const by = [way.across, way.up, way.deep]
  return points.map((p, i) => {
    if (i === index) return movedBy(p, way)
    const weight = falloff(Math.hypot(...p.map((n, k) => n - points[index][k])), way.soft)
    return weight > 0 ? (p.map((n, k) => n + weight * by[k]) as Vec3) : undefined
  })
}

/** How much of a drag reaches a point so far away: all of it at 0, nothing at the edge, smoothly between. */
function falloff(distance: number, reach: number): number {
  if (!(distance < reach)) return 0
  const t = 1 - distance / reach
  return t * t * (3 - 2 * t)
}

/** A point of a curve through points, its neighbours softly with it. */
export const movesPoint =
  (points: readonly Vec3[], index: number): CurvePin =>
  (way) => {
    const to = dragged(points, index, way)
    return inCurve((now) => {
      if (now.kind === 'points') for (const [i, place] of to.entries()) if (place) now.points[i] = place
    })
  }

/** An anchor takes the handles beside it along, and softly the anchors around it. */
export const movesAnchor =
  (run: BezierRun, index: number): CurvePin =>
  (way) => {
    const to = dragged(anchorsOf(run), index, way)
    return inCurve((now) => {
      if (now.kind === 'bezier') for (const [i, place] of to.entries()) if (place) moveAnchor(now.runs[0], i, place)
    })
  }

/** A handle moves alone. */
export const movesHandle =
  (from: Readonly<Vec3>, piece: number, which: 0 | 1): CurvePin =>
  (way) =>
    inCurve((now) => {
      if (now.kind === 'bezier') now.runs[0].pieces[piece][which] = movedBy(from, way)
    })
