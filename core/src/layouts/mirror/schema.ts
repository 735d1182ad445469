import { z } from 'zod'
import { mirrorSource, reflection } from '../../values/reflection'

/** The images of other patterns' copies across planes; its own axes are those in which the planes stand. It deals nothing itself. */
export const mirror = reflection.extend({ kind: z.literal('mirror'), sources: z.array(mirrorSource).min(1).max(200) })
export type Mirror = z.infer<typeof mirror>
