import type { LineOutcome } from '@hilera/core/layouts/line/place'
import type { Vec3 } from '@hilera/core/values/values'
import type { PatternAxes, LayoutHandles, Pin } from './handles'

export function lineHandles(laid: LineOutcome, frame: PatternAxes): LayoutHandles {
  const { table } = frame.update
  const { direction, room, lead, run } = laid
  const [widest, highest, nearest] = frame.high
  const standing = Math.abs(direction[1]) > 0.7
  // Dimension lines lie beside the copies, towards the viewer; those of a standing line to its right.
  const aside: Vec3 = standing ? [widest * 1.25 + 0.03, 0, 0] : [0, 0, nearest * 1.35 + 0.03]
  const base: Vec3 = standing ? [0, 0, nearest] : [0, highest, 0]
  const on = (along: number, off: Vec3 = [0, 0, 0]): Vec3 => [0, 1, 2].map((i) => direction[i] * along + off[i]) as Vec3
  const pivot = (row: number): number =>
    [0, 1, 2].reduce((sum, i) => sum + table.position[3 * row + i] * direction[i], 0)
  const first = pivot(0)
  const second = table.count > 1 ? pivot(1) : undefined
  const last = pivot(table.count - 1)
  const regular = second === undefined ? Math.max(widest * 2, 0.1) : second - first
  const along = frame.direction(direction)

  const pins: Pin[] = [{ name: 'move', words: 'move', at: frame.world(on(first, base)) }]
  if (second !== undefined && table.count > 2)
    pins.push({ name: 'pitch', words: 'pitch', at: frame.world(on(second, base)), along })
  pins.push({ name: 'end', words: 'end', at: frame.world(on(Math.max(room, last), base)), along })
  pins.push({ name: 'more', words: 'more', at: frame.world(on(Math.max(last, room) + regular, base)), along })
  pins.push({ name: 'turn', words: 'turn', at: frame.world(on(room, aside.map((n) => n * 1.6) as Vec3)) })

  const dimensions = second === undefined ? [] : [frame.dimension('pitch', on(first), on(second), aside, 0.85, '')]
  dimensions.push(frame.dimension('overall', on(lead), on(lead + run), aside, 1.3, 'overall'))
  return { pins, dimensions, guides: [] }
}
