import type { FillOutcome } from '@hilera/core/layouts/fill/place'
import type { Fill } from '@hilera/core/layouts/fill/schema'
import { areaOf } from '@hilera/core/scatter/area'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin } from '../../stage/pins'
import { editOf } from '../index'

export function fillHandles({ outline }: Fill, _: FillOutcome, frame: PatternAxes): LayoutHandles {
  const { rings, low, high } = areaOf(outline)
  const loops = rings.map((corners) =>
    Array.from({ length: corners.length / 2 + 1 }, (_, i) => {
      const k = (2 * i) % corners.length
      return frame.at(corners[k], 0, corners[k + 1])
    }),
  )
  const pins: Pin[] = [
    { does: 'move', name: 'move', words: 'move', at: frame.at(0, frame.high[1], 0) },
    { does: 'turn', name: 'turn', words: 'turn', at: frame.at(high[0], 0, high[1]) },
  ]
  if (outline.kind === 'polygon') {
    for (const [i, [x, z]] of outline.points.entries())
      pins.push({
        does: 'layout',
        name: `point ${i}`,
        words: '',
        at: frame.at(x, 0, z),
        plain: true,
        edit: ({ across, deep, whole }) =>
          editOf('fill', (l) => {
            if (l.outline.kind === 'polygon') l.outline.points[i] = [whole(x + across), whole(z + deep)]
          }),
      })
  } else {
    /** The outline lies about its middle, so its side grows twice as fast as the pin goes. */
    const side = (key: 'width' | 'depth', at: Pin['at'], along: Pin['at']): Pin => ({
      does: 'layout',
      name: key,
      words: key,
      field: key === 'width' ? 'Width of the outline' : 'Depth of the outline',
      at,
      along,
      edit: ({ along: gone, whole }) =>
        editOf('fill', (l) => {
          if (l.outline.kind !== 'polygon') l.outline[key] = Math.max(whole(outline[key] + 2 * gone), 0.001)
        }),
    })
    pins.push(side('width', frame.at(high[0], 0, 0), frame.direction([1, 0, 0])))
    pins.push(side('depth', frame.at(0, 0, high[1]), frame.direction([0, 0, 1])))
  }
  const dimensions = [frame.dimension('width', [low[0], 0, high[1]], [high[0], 0, high[1]], [0, 0, 0.06], 1, 'across')]
  return { pins, dimensions, guides: loops }
}
