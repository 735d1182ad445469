import { z } from 'zod'
import { sides, turnOf, vec3 } from './values'

/** How a shape stands in its part: which point of it is the pivot, and which of its sides become top and front. */
export const frame = z
  .object({ pivot: vec3, up: z.enum(sides), front: z.enum(sides) })
  .refine(({ up, front }) => turnOf(up, front) !== undefined, 'top and front are two different directions')
export type PartFrame = z.infer<typeof frame>
