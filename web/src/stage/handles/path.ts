import { anchorsOf } from '@hilera/core/curves/anchors'
import { buildCurve } from '@hilera/core/curves/build'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { PatternAxes, LayoutHandles, Pin } from './handles'

/** So many points are drawn of a guide, however many pieces it has. */
const MOST_POINTS = 3000
/** Curves with more points than this are not dragged point by point. */
const MOST_PINS = 80

export function pathHandles(pattern: Pattern, frame: PatternAxes): LayoutHandles {
  const { curve, shown } = pattern.layout as Path
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
  const pins: Pin[] = [{ name: 'move', words: 'move', at: frame.world([first[0], first[1] + frame.high[1], first[2]]) }]
  const plain = (name: string, p: readonly number[]): Pin => ({ name, words: '', at: frame.world(p), plain: true })
  if (curve.kind === 'points' && curve.points.length <= MOST_PINS)
    pins.push(...curve.points.map((p, i) => plain(`point ${i}`, p)))
  if (curve.kind === 'bezier' && curve.from.kind === 'hand' && curve.runs[0].pieces.length * 3 <= MOST_PINS) {
    const [{ start, pieces: list }] = curve.runs
    pins.push(
      ...anchorsOf(curve.runs[0]).map((p, i) => plain(`anchor ${i}`, p)),
      ...list.flatMap(([a, b], i) => [plain(`handle ${i} 0`, a), plain(`handle ${i} 1`, b)]),
    )
    for (const [i, [a, b, to]] of list.entries()) {
      const from = i === 0 ? start : list[i - 1][2]
      guides.push([frame.world(from), frame.world(a)], [frame.world(to), frame.world(b)])
    }
  }
  if (curve.kind === 'catenary') pins.push({ name: 'chainEnd', words: 'end', at: frame.world(curve.to) })
  if (curve.kind === 'arc' || curve.kind === 'polygon' || curve.kind === 'helix')
    pins.push({
      name: 'curveRadius',
      words: 'radius',
      at: frame.world([curve.radius, 0, 0]),
      along: frame.direction([1, 0, 0]),
    })
  return { pins, dimensions: [], guides }
}
