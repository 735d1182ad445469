import { z } from 'zod'
import { ownId, ref } from '../../values/marks'
import { reflection } from '../../values/reflection'

/** Adds the images of the copies so far across planes in the pattern's axes, or moves them across. */
export const reflect = reflection.extend({ kind: z.literal('reflect'), id: ownId(), only: ref('set').optional() })
export type Reflect = z.infer<typeof reflect>
