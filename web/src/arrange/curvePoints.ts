import { buildCurve } from '@hilera/core/curves/build'
import { definitionOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { inWorld } from '@hilera/core/model/inWorld'
import type { Vec3 } from '@hilera/core/values/values'
import { UNTURNED } from '@hilera/core/geometry/rotation'

/** Of a curve with more pieces the points lie too close to be told apart by hand. */
const MOST = 500
const known = new WeakMap<Pattern, readonly Vec3[]>()

/** The points and the ends of a pattern's curve, in the world; none where it lies on no curve. */
export function curvePointsOf(pattern: Pattern): readonly Vec3[] {
  const before = known.get(pattern)
  if (before) return before
  const curve = definitionOf(pattern.layout).guide?.(pattern.layout)
  const built = curve && buildCurve(curve)
  const pieces = built?.ok ? built.value.flatMap(({ segments }) => segments) : []
  const ends = pieces.length <= MOST ? pieces.flatMap((piece) => [piece.point(0), piece.point(1)]) : []
  const points = ends
    // The end of one piece is the beginning of the next.
    .filter((p, i) => i === 0 || p.some((n, axis) => n !== ends[i - 1][axis]))
    .map(([x, y, z]) => inWorld(pattern, { move: [x, y, z], turn: UNTURNED, size: [1, 1, 1] }).move)
  known.set(pattern, points)
  return points
}
