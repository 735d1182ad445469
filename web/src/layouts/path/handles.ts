import { anchorsOf } from '@hilera/core/curves/anchors'
import { buildCurve } from '@hilera/core/curves/build'
import type { PathOutcome } from '@hilera/core/layouts/path/place'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin } from '../../stage/pins'
import { type CurvePin, inCurve, movedBy, movesAnchor, movesHandle, movesPoint } from './curvePins'

/** So many points are drawn of a guide, however many pieces it has. */
const MOST_POINTS = 3000
/** Curves with more points than this are not dragged point by point. */
const MOST_PINS = 80

export function pathHandles({ curve, shown }: Path, _: PathOutcome, frame: PatternAxes): LayoutHandles {
  const built = buildCurve(curve)
  const contours = built.ok ? built.value : []
  const pieces = contours.reduce((n, c) => n + c.segments.length, 0)
  const each = Math.max(2, Math.min(32, Math.floor(MOST_POINTS / Math.max(pieces, 1))))
  const guides = shown
    ? contours.map((c) =>
        c.segments.flatMap((s) => Array.from({ length: each + 1 }, (_, i) => frame.world(s.point(i / each)))),
      )
    : []
  const first = contours[0]?.segments[0]?.point(0) ?? [0, 0, 0]
  const pins: Pin[] = [
    { does: 'move', name: 'move', words: 'move', at: frame.world([first[0], first[1] + frame.high[1], first[2]]) },
  ]
  const plain = (name: string, p: readonly number[], edit: CurvePin): Pin => ({
    does: 'layout',
    name,
    words: '',
    at: frame.world(p),
    plain: true,
    edit,
  })
  if (curve.kind === 'points' && curve.points.length <= MOST_PINS)
    pins.push(...curve.points.map((p, i) => plain(`point ${i}`, p, movesPoint(curve.points, i))))
  if (curve.kind === 'bezier' && curve.from.kind === 'hand' && curve.runs[0].pieces.length * 3 <= MOST_PINS) {
    const [{ start, pieces: list }] = curve.runs
    pins.push(
      ...anchorsOf(curve.runs[0]).map((p, i) => plain(`anchor ${i}`, p, movesAnchor(curve.runs[0], i))),
      ...list.flatMap(([a, b], i) => [
        plain(`handle ${i} 0`, a, movesHandle(a, i, 0)),
        plain(`handle ${i} 1`, b, movesHandle(b, i, 1)),
      ]),
    )
    for (const [i, [a, b, to]] of list.entries()) {
      const from = i === 0 ? start : list[i - 1][2]
      guides.push([frame.world(from), frame.world(a)], [frame.world(to), frame.world(b)])
    }
  }
  if (curve.kind === 'catenary')
    pins.push({
      does: 'layout',
      name: 'chainEnd',
      words: 'end',
      at: frame.world(curve.to),
      edit: (way) => inCurve((now) => now.kind === 'catenary' && void (now.to = movedBy(curve.to, way))),
    })
  if (curve.kind === 'arc' || curve.kind === 'polygon' || curve.kind === 'helix')
    pins.push({
      does: 'layout',
      edit: ({ along, whole }) =>
        inCurve((now) => 'radius' in now && void (now.radius = Math.max(whole(curve.radius + along), 0.001))),
      name: 'curveRadius',
      words: 'radius',
      at: frame.world([curve.radius, 0, 0]),
      along: frame.direction([1, 0, 0]),
    })
  return { pins, dimensions: [], guides }
}
