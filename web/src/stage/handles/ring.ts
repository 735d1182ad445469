import type { RingOutcome } from '@hilera/core/layouts/ring/place'
import type { Ring } from '@hilera/core/layouts/ring/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Vec3 } from '@hilera/core/values/values'
import type { PatternAxes, LayoutHandles, Pin } from './handles'

const CHORDS = 96

export function ringHandles(laid: RingOutcome, frame: PatternAxes, pattern: Pattern): LayoutHandles {
  const { start, sense, sweep, rings, radialPitch } = pattern.layout as Ring
  const { toZero, toQuarter, radius, step, count, chord } = laid
  const on = (angle: number, r: number, lift = 0): Vec3 =>
    [0, 1, 2].map(
      (i) => r * (Math.cos(angle) * toZero[i] + Math.sin(angle) * toQuarter[i]) + laid.axis[i] * lift,
    ) as Vec3
  const top = frame.high[1]
  const whole = sweep.kind === 'full' ? 2 * Math.PI : Math.abs(sweep.angle)
  const first = start + sense * laid.lead

  const pins: Pin[] = [
    { name: 'move', words: 'centre', at: frame.world([0, 0, 0]) },
    { name: 'radius', words: 'radius', at: frame.world(on(first, radius, top)), along: frame.direction(on(first, 1)) },
  ]
  if (sweep.kind === 'arc')
    pins.push({ name: 'sweep', words: 'end', at: frame.world(on(start + sense * whole, radius, top)) })
  pins.push({
    name: 'start',
    words: 'start',
    at: frame.world(on(start, radius + Math.max(frame.high[2], 0.02) * 1.6, 0)),
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
