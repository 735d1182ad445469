import type { Fill } from '@hilera/core/layouts/fill/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { areaOf } from '@hilera/core/scatter/area'
import type { PatternAxes, LayoutHandles, Pin } from './handles'

export function fillHandles(pattern: Pattern, frame: PatternAxes): LayoutHandles {
  const { outline } = pattern.layout as Fill
  const { corners, low, high } = areaOf(outline)
  const loop = Array.from({ length: corners.length / 2 + 1 }, (_, i) => {
    const k = (2 * i) % corners.length
    return frame.at(corners[k], 0, corners[k + 1])
  })
  const pins: Pin[] = [
    { name: 'move', words: 'move', at: frame.at(0, frame.high[1], 0) },
    { name: 'turn', words: 'turn', at: frame.at(high[0], 0, high[1]) },
  ]
  if (outline.kind === 'polygon') {
    for (const [i, [x, z]] of outline.points.entries())
      pins.push({ name: `point ${i}`, words: '', at: frame.at(x, 0, z), plain: true })
  } else {
    pins.push({ name: 'width', words: 'width', at: frame.at(high[0], 0, 0), along: frame.direction([1, 0, 0]) })
    pins.push({ name: 'depth', words: 'depth', at: frame.at(0, 0, high[1]), along: frame.direction([0, 0, 1]) })
  }
  const dimensions = [frame.dimension('width', [low[0], 0, high[1]], [high[0], 0, high[1]], [0, 0, 0.06], 1, 'across')]
  return { pins, dimensions, guides: [loop] }
}
