import { z } from 'zod'
import { ownId, ref } from '../../values/marks'

/** Keeps every n-th copy, from the one numbered `from` (1 is the first). */
export const thin = z.object({
  kind: z.literal('thin'),
  id: ownId(),
  only: ref('set').optional(),
  every: z.int().min(1),
  from: z.int().min(1),
})
export type Thin = z.infer<typeof thin>
