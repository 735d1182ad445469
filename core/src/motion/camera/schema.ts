import { z } from 'zod'
import { LONGEST_MOTION } from '../../limits'
import { ownId, ref } from '../../values/marks'
import { finite } from '../../values/values'
import { easing } from '../easing'

/** By when the camera is where a kept view looks from, and how it gets there. */
export const cameraKey = z.object({
  id: ownId(),
  /** In seconds. */
  at: finite.refine((n) => n >= 0 && n <= LONGEST_MOTION, 'a time'),
  view: ref('view', 'aside'),
  easing,
  /** So many times it goes round what it looks at on the way, to the left where it is below 0. */
  turns: z.int().min(-20).max(20),
})
export type CameraKey = z.infer<typeof cameraKey>

export const camera = z.array(cameraKey).max(50)
