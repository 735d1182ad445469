import type { LineOutcome } from '@hilera/core/layouts/line/place'
import type { Line } from '@hilera/core/layouts/line/schema'
import { reachOf } from '@hilera/core/spacing/strip'
import { takeHold } from '@hilera/core/spacing/hold'
import type { Vec3 } from '@hilera/core/values/values'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin } from '../../stage/pins'
import { editOf } from '../index'
import { countAtSpacing, spacingBy } from './spacingEdits'

export function lineHandles(line: Line, laid: LineOutcome, frame: PatternAxes): LayoutHandles {
  const { table } = frame.update
  const { direction, room } = laid
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

  /** From pivot to pivot of the first two, as laid out. */
  const pitch = laid.readAs?.pitch ?? regular
  const pins: Pin[] = [{ does: 'move', name: 'move', words: 'move', at: frame.world(on(first, base)) }]
  if (second !== undefined && table.count > 2)
    pins.push({
      does: 'layout',
      name: 'pitch',
      words: 'pitch',
      field: 'Spacing',
      at: frame.world(on(second, base)),
      along,
      edit: ({ along: gone, whole }) => editOf('line', spacingBy(laid, 1, whole(pitch + gone) - pitch)),
    })
  pins.push({
    does: 'layout',
    name: 'end',
    words: 'end',
    field: 'Room',
    at: frame.world(on(Math.max(room, last), base)),
    along,
    edit: ({ along: gone, whole }) => editOf('line', (l) => takeHold(l, 'room', whole(room + gone))),
  })
  pins.push({
    does: 'layout',
    name: 'more',
    words: 'more',
    field: 'Count',
    at: frame.world(on(Math.max(last, room) + regular, base)),
    along,
    edit: ({ along: gone }) =>
      pitch > 0 ? editOf('line', countAtSpacing(laid, Math.max(1, laid.count + Math.round(gone / pitch)))) : undefined,
  })
  pins.push({ does: 'turn', name: 'turn', words: 'turn', at: frame.world(on(room, aside.map((n) => n * 1.6) as Vec3)) })

  const dimensions = second === undefined ? [] : [frame.dimension('pitch', on(first), on(second), aside, 0.85, '')]
  // What the copies take, measured as the room is.
  const words = line.edges === 'centres' || line.direction.kind === 'amounts' ? 'between centres' : 'overall'
  const stands = reachOf(table, direction, words === 'overall' ? 'outsides' : 'centres', frame.supportOf)
  if (stands) dimensions.push(frame.dimension('overall', on(stands[0]), on(stands[1]), aside, 1.3, words))
  return { pins, dimensions, guides: [] }
}
