import { z } from 'zod'
import { LONGEST_MOTION, MOST_KEYS } from '../../limits'
import { quantities } from '../../numbers/units'
import { ownId } from '../../values/marks'
import { finite } from '../../values/values'
import { easing } from '../easing'

const time = finite.refine((n) => n >= 0 && n <= LONGEST_MOTION, 'a time')

/** A value that is to be reached, in metres, radians, parts of one or plain, and by when. */
const key = z.object({ at: time, value: finite, easing })
export type ChangeKey = z.infer<typeof key>

/**
 * A number of the pattern's sentences goes from one value to others in time. Before the first time it is the first value, after the last one
 * the last. Every moment is a document of its own, in which the number stands as it is then.
 */
export const change = z.object({
  kind: z.literal('change'),
  id: ownId(),
  /** The sentence that says it: of the layout, the deal or the place, or of a step, by its id. */
  of: z.string().regex(/^[a-z0-9-]{1,40}$/),
  /** How it is called in that sentence; empty where none is chosen yet. */
  value: z.string().max(80),
  quantity: z.enum(quantities),
  from: z.object({ at: time, value: finite }),
  keys: z.array(key).min(1).max(MOST_KEYS),
  /** What comes of it is averaged over so many pictures before and after. */
  smooth: z.int().min(1).max(12).optional(),
})
export type Change = z.infer<typeof change>
