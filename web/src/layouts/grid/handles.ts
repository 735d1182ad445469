import type { GridOutcome } from '@hilera/core/layouts/grid/place'
import type { Grid } from '@hilera/core/layouts/grid/schema'
import { takeHold } from '@hilera/core/spacing/hold'
import type { Vec3 } from '@hilera/core/values/values'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin } from '../../stage/pins'
import { editOf } from '../index'

export function gridHandles(_: Grid, laid: GridOutcome, frame: PatternAxes): LayoutHandles {
  const { across, deep, start } = laid
  const { high, low } = frame
  const [x0, y0, z0] = start
  const alongX = frame.direction([1, 0, 0])
  const alongZ = frame.direction([0, 0, 1])
  const front = z0 + deep.room

  /** Of one direction: a pin that takes hold of its spacing, and one that takes hold of its room. */
  const pitchPin = (axis: 'across' | 'deep', name: string, at: Pin['at'], along: Pin['at']): Pin => ({
    does: 'layout',
    name,
    words: 'pitch',
    field: `Spacing ${axis}`,
    at,
    along,
    edit: ({ along: gone, whole }) =>
      Number.isNaN(laid[axis].spacing)
        ? undefined
        : editOf('grid', (l) => takeHold(l[axis], 'spacing', whole(laid[axis].spacing + gone))),
  })
  const endPin = (axis: 'across' | 'deep', name: string, at: Pin['at'], along: Pin['at']): Pin => ({
    does: 'layout',
    name,
    words: 'end',
    field: `Room ${axis}`,
    at,
    along,
    edit: ({ along: gone, whole }) => editOf('grid', (l) => takeHold(l[axis], 'room', whole(laid[axis].room + gone))),
  })
  const over = (x: number, z: number, up = high[1]): Pin['at'] => {
    const [px, py, pz] = frame.lifted([x, y0, z])
    return frame.world([px, py + up, pz])
  }
  const pins: Pin[] = [{ does: 'move', name: 'move', words: 'move', at: over(x0, z0) }]
  if (across.count > 1) pins.push(pitchPin('across', 'pitchAcross', over(secondPivot(frame, 0) ?? x0, z0), alongX))
  if (deep.count > 1) pins.push(pitchPin('deep', 'pitchDeep', over(x0, secondPivot(frame, 2) ?? z0), alongZ))
  pins.push(endPin('across', 'endAcross', over(x0 + across.room, z0), alongX))
  pins.push(endPin('deep', 'endDeep', over(x0, front), alongZ))
  pins.push({ does: 'turn', name: 'turn', words: 'turn', at: over(x0 + across.room, front, 0) })

  const asideZ: Vec3 = [0, 0, Math.max(high[2], 0.02) * 1.4 + 0.03]
  const asideX: Vec3 = [Math.min(low[0], -0.02) * 1.4 - 0.03, 0, 0]
  const { across: acrossFrom, deep: deepFrom } = frame.update.stands
  const [yFront, ySide] = [frame.lifted([x0, y0, front])[1], frame.lifted([x0, y0, z0])[1]]
  const dimensions = []
  if (acrossFrom)
    dimensions.push(
      frame.dimension('across', [acrossFrom[0], yFront, front], [acrossFrom[1], yFront, front], asideZ, 1, 'across'),
    )
  if (deepFrom)
    dimensions.push(frame.dimension('deep', [x0, ySide, deepFrom[0]], [x0, ySide, deepFrom[1]], asideX, 1, 'deep'))
  return { pins, dimensions, guides: [] }
}

/** Along one axis, the smallest place after the first. */
function secondPivot({ update: { table } }: PatternAxes, axis: 0 | 2): number | undefined {
  let [first, second] = [Infinity, Infinity]
  for (let k = 0; k < table.count; k++) {
    const at = table.position[3 * k + axis]
    if (at < first - 1e-9) [first, second] = [at, first]
    else if (at > first + 1e-9 && at < second) second = at
  }
  return Number.isFinite(second) ? second : undefined
}
