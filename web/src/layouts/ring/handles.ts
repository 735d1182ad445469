import type { RingOutcome } from '@hilera/core/layouts/ring/place'
import type { Ring } from '@hilera/core/layouts/ring/schema'
import { gridPlaceOf, isImage } from '@hilera/core/slots'
import type { Vec3 } from '@hilera/core/values/values'
import type { LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin, Way } from '../../stage/pins'
import { editOf } from '../index'

const CHORDS = 96

export function ringHandles(ring: Ring, laid: RingOutcome, frame: PatternAxes): LayoutHandles {
  const { start, sense, sweep, rings, radialPitch } = ring
  const { toZero, toQuarter, radius, axis } = laid
  const on = (angle: number, r: number, lift = 0): Vec3 =>
    [0, 1, 2].map((i) => r * (Math.cos(angle) * toZero[i] + Math.sin(angle) * toQuarter[i]) + axis[i] * lift) as Vec3
  const level = (angle: number, r: number, over = 0): Vec3 => on(angle, r, over + frame.lift(on(angle, r), axis))
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
      at: frame.world(level(first, radius, top)),
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
      at: frame.world(level(start + sense * whole, radius, top)),
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
    at: frame.world(level(start, radius + Math.max(frame.high[2], 0.02) * 1.6)),
    edit: (way) => editOf('ring', (l) => void (l.start = angleAfter(start, way))),
  })

  const guides = Array.from({ length: rings }, (_, r) =>
    Array.from({ length: CHORDS + 1 }, (_, i) =>
      frame.world(on(start + (sense * whole * i) / CHORDS, radius + r * radialPitch)),
    ),
  )
  const [one, next] = firstTwo(frame)
  const dimensions = []
  if (one) {
    const out = [toZero, toQuarter].map((way) => way[0] * one[0] + way[1] * one[1] + way[2] * one[2])
    const lift = axis[0] * one[0] + axis[1] * one[1] + axis[2] * one[2]
    const middle = axis.map((n) => n * lift) as Vec3
    const reach = [0, 1, 2].map((i) => middle[i] + out[0] * toZero[i] + out[1] * toQuarter[i]) as Vec3
    dimensions.push(frame.dimension('radius', middle, reach, [0, 0, 0], 0, 'radius'))
  }
  if (one && next) {
    const between = [0, 1, 2].map((i) => (one[i] + next[i]) / 2)
    const outwards = [0, 1, 2].map(
      (i) => between[i] - axis[i] * (axis[0] * between[0] + axis[1] * between[1] + axis[2] * between[2]),
    )
    const far = Math.hypot(...outwards) || 1
    const off = Math.max(frame.high[0], frame.high[2], 0.02) * 1.5
    const aside = outwards.map((n) => (n / far) * off) as Vec3
    dimensions.push(frame.dimension('chord', one, next, aside, 1, 'straight'))
  }
  return { pins, dimensions, guides }
}

/** Where the first two on the innermost ring stand, of those that are there. */
function firstTwo({ update: { table } }: PatternAxes): [Vec3 | undefined, Vec3 | undefined] {
  let [first, second]: (readonly [number, Vec3])[] | undefined[] = [undefined, undefined]
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const [number, lane] = gridPlaceOf(table.slotLow[k], table.slotHigh[k])
    if (lane !== 0) continue
    const found = [number, table.moveOf(k)] as const
    if (!first || number < first[0]) [first, second] = [found, first]
    else if (!second || number < second[0]) second = found
  }
  return [first?.[1], second?.[1]]
}
