import type { RingOutcome } from '@hilera/core/layouts/ring/place'
import type { Ring } from '@hilera/core/layouts/ring/schema'
import type { Vec3 } from '@hilera/core/values/values'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin, Way } from '../../stage/pins'
import { editOf } from '../index'

const CHORDS = 96

export function ringHandles(ring: Ring, laid: RingOutcome, frame: PatternAxes): LayoutHandles {
  const { start, sense, sweep, rings, radialPitch } = ring
  const { toZero, toQuarter, radius, step, count, chord } = laid
  const on = (angle: number, r: number, lift = 0): Vec3 =>
    [0, 1, 2].map(
      (i) => r * (Math.cos(angle) * toZero[i] + Math.sin(angle) * toQuarter[i]) + laid.axis[i] * lift,
    ) as Vec3
  const top = frame.high[1]
  const whole = sweep.kind === 'full' ? 2 * Math.PI : Math.abs(sweep.angle)
  const first = start + sense * laid.lead

  const degree = Math.PI / 180
  /** Turned about the axis: seen in the ring's own plane, where a lying ring's quarter points away from the viewer. */
  const angleAfter = (angle: number, { across, deep }: Way): number => {
    const [x, y] = [radius * Math.cos(angle) + across, radius * Math.sin(angle) - deep]
    return Math.round(Math.atan2(y, x) / degree) * degree
  }
  const pins: Pin[] = [
    { does: 'move', name: 'move', words: 'centre', at: frame.world([0, 0, 0]) },
    {
      does: 'layout',
      name: 'radius',
      words: 'radius',
      field: 'Radius',
      at: frame.world(on(first, radius, top)),
      along: frame.direction(on(first, 1)),
      edit: ({ along, whole: rounded }) =>
        editOf('ring', (l) => {
          l.radius = Math.max(rounded(radius + along), 0)
          l.hold = [l.hold.find((held) => held !== 'radius') ?? 'count', 'radius']
        }),
    },
  ]
  if (sweep.kind === 'arc')
    pins.push({
      does: 'layout',
      name: 'sweep',
      words: 'end',
      field: 'Angle',
      at: frame.world(on(start + sense * whole, radius, top)),
      edit: (way) => {
        const gone = sense * (angleAfter(start + sense * sweep.angle, way) - start)
        // The turn count stays: the end goes on from where it was by less than half a turn.
        const angle = sweep.angle + Math.atan2(Math.sin(gone - sweep.angle), Math.cos(gone - sweep.angle))
        return editOf('ring', (l) => {
          if (l.sweep.kind === 'arc') l.sweep.angle = Math.max(Math.round(angle / degree), 1) * degree
        })
      },
    })
  pins.push({
    does: 'layout',
    name: 'start',
    words: 'start',
    field: 'Start angle',
    at: frame.world(on(start, radius + Math.max(frame.high[2], 0.02) * 1.6, 0)),
    edit: (way) => editOf('ring', (l) => void (l.start = angleAfter(start, way))),
  })

  const guides = Array.from({ length: rings }, (_, r) =>
    Array.from({ length: CHORDS + 1 }, (_, i) =>
      frame.world(on(start + (sense * whole * i) / CHORDS, radius + r * radialPitch)),
    ),
  )
  const dimensions = [frame.dimension('radius', [0, 0, 0], on(first, radius), [0, 0, 0], 0, 'radius')]
  if (count > 1 && chord > 0)
    dimensions.push(
      frame.dimension(
        'chord',
        on(first, radius),
        on(first + sense * step, radius),
        on(first + (sense * step) / 2, Math.max(frame.high[0], frame.high[2], 0.02) * 1.5),
        1,
        'straight',
      ),
    )
  return { pins, dimensions, guides }
}
