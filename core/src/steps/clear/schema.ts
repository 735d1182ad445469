import { z } from 'zod'
import { inMetres, ownId, ref, seed } from '../../values/marks'
import { finite, positiveLength } from '../../values/values'

const atLeastZero = inMetres(finite.refine((n) => n >= 0, '0 or more'))

const clearWays = ['push', 'shrink', 'leaveOut'] as const

/** Keeps copies clear of each other, once everything else about them is settled. Lengths in metres. */
export const clear = z.object({
  kind: z.literal('clear'),
  id: ownId(),
  /** Pushes them apart, shrinks them, or leaves some out. */
  how: z.enum(clearWays),
  /** The free distance that they keep; the larger one where a part asks for more. */
  clearance: atLeastZero,
  /** Pushing stops when no two miss it by more than this, or after so many rounds. */
  within: positiveLength,
  rounds: z.int().min(1).max(10_000),
  /** Along which axes of the pattern pushing moves copies. */
  axes: z.object({ across: z.boolean(), up: z.boolean(), deep: z.boolean() }),
  /** Whether copies keep to the path that their pattern runs along: it takes the place of the axes. */
  along: z.literal('path').optional(),
  /** Whether pivots stay in the outline of a fill, or in the box in which they stand. */
  inside: z.boolean(),
  /** Shrinking stops at this share of a copy's size. */
  floor: finite.refine((n) => n > 0 && n <= 1, 'more than 0, up to 1'),
  /** Who stays when some are left out: the first, the largest, or by chance; touched-up copies come before all. */
  priority: z.enum(['order', 'size', 'chance']),
  seed: seed(),
  /** Other patterns from which copies keep clear; those stay as they are. */
  from: z.array(ref('pattern')).max(100),
})
export type Clear = z.infer<typeof clear>

/** Pushed apart over the ground, to within a tenth of a millimetre. */
export const plainClear: Omit<Clear, 'id'> = {
  kind: 'clear',
  how: 'push',
  clearance: 0,
  within: 0.0001,
  rounds: 200,
  axes: { across: true, up: false, deep: true },
  inside: false,
  floor: 0.5,
  priority: 'order',
  seed: 17,
  from: [],
}
