import { z } from 'zod'
import { ownId, ref } from '../../values/marks'
import { finite, length } from '../../values/values'

/** On what copies settle: a ground, or the copies of another pattern. */
const rest = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ground'), ground: ref('ground') }),
  z.object({ kind: z.literal('copies'), pattern: ref('pattern') }),
])
export type Rest = z.infer<typeof rest>

/** Brings copies down, or up, onto what lies under them. */
export const settle = z.object({
  kind: z.literal('settle'),
  id: ownId(),
  /** The saved selection to which it keeps; all copies where it is absent. */
  only: ref('set').optional(),
  on: z.array(rest).max(100),
  /** Where several lie under a copy: the topmost of them, or the first as they are listed. */
  which: z.enum(['topmost', 'first']),
  /** Turned as they are, along the normal, or towards it by so much at the most. */
  stands: z.enum(['upright', 'normal', 'limit']),
  /** Radians. */
  limit: finite.refine((n) => n >= 0 && n <= Math.PI / 2, 'from 0 to 90°'),
  /** What comes to rest: the pivot, the middle of what reaches lowest, or the whole outline, so that nothing goes in. */
  by: z.enum(['pivot', 'foot', 'outline']),
  /** How far above; metres. */
  above: length,
})
export type Settle = z.infer<typeof settle>
