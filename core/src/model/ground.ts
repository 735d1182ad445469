import { z } from 'zod'
import { groundShape } from '../grounds/index'
import { ownId } from '../values/marks'
import { finite, name, vec3 } from '../values/values'

/** A surface under the arrangement, on which copies settle. It is moved, and turned about up: radians. */
export const ground = z.object({
  id: ownId(),
  name,
  shape: groundShape,
  move: vec3,
  turn: finite,
  /** Not drawn; what settles on it still does. */
  hidden: z.boolean(),
  /** It is not moved. */
  locked: z.literal(true).optional(),
})
export type Ground = z.infer<typeof ground>
