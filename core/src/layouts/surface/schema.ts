import { z } from 'zod'
import { ref, seed } from '../../values/marks'
import { finite, length } from '../../values/values'

/** Copies spread over a ground by its true area. */
export const surface = z.object({
  kind: z.literal('surface'),
  over: ref('ground'),
  count: finite,
  /** At random, or at random with a least distance between pivots, measured in space. */
  how: z.enum(['random', 'even']),
  least: length,
  /** Only where it leans no more than this; radians. */
  steepest: finite.refine((n) => n > 0 && n <= Math.PI / 2, 'more than 0, up to 90°'),
  /** Turned along the normal, or upright. */
  stands: z.enum(['normal', 'upright']),
  seed: seed(),
})
export type Surface = z.infer<typeof surface>
