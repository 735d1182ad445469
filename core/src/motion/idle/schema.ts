import { z } from 'zod'
import { ownId } from '../../values/marks'
import { axis, finite, length } from '../../values/values'
import { ordered } from '../ranks'

export const idleWays = ['turn', 'sway', 'bob'] as const

/** Copies keep moving where they stand: turning steadily, swaying about an axis, or bobbing along it. */
export const idle = z.object({
  kind: z.literal('idle'),
  id: ownId(),
  way: z.enum(idleWays),
  /** Of the pattern, through the copy's pivot. */
  axis,
  /** How far to either side it sways, in radians. */
  angle: finite,
  /** How far to either side it bobs, in metres. */
  distance: length,
  /** In seconds. */
  once: finite.refine((n) => n >= 0.01 && n <= 3600, 'from 0.01 to 3600 seconds'),
  ...ordered.shape,
  /** By which share of a round one is behind the one before; by chance each has its own. */
  behind: finite,
})
export type Idle = z.infer<typeof idle>
