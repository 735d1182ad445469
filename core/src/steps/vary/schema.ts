import { z } from 'zod'
import { ownId, ref } from '../../values/marks'
import { share } from '../../values/values'
import { driver, reach, variation } from '../../values/variation'

/** Changes one value of each copy by chance, which belongs to the copy; or by what lies under it. */
export const vary = variation.and(
  z.object({
    kind: z.literal('vary'),
    id: ownId(),
    /** The saved selection to which it keeps; all copies where it is absent. */
    only: ref('set').optional(),
    /** The share of copies that it reaches, each by its own chance; or exactly so many, which then depends on who else is there. */
    share,
    exactly: z.int().min(0).max(1_000_000).optional(),
    /** From 0, where nothing changes, to 1. */
    strength: share,
    reach: reach.optional(),
    by: driver.optional(),
  }),
)
export type Vary = z.infer<typeof vary>
