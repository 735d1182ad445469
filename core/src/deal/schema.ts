import { z } from 'zod'
import { dropsBy, formerId, ref, seed } from '../values/marks'
import { finite } from '../values/values'

const dealt = z.array(ref('thing')).min(1).max(100)

/**
 * Which part each copy gets. An id may name another pattern: then that is repeated whole. The list is read in turn; by
 * weight with a seed; in turn from row to row, column to column, layer to layer or ring to ring; as the first, the middle
 * and the last; or as the usual one and the one that every n-th copy gets.
 */
export const deal = dropsBy(
  z
    .discriminatedUnion('kind', [
      // A mirror deals nothing: its copies are images of others.
      z.object({ kind: z.literal('inTurn'), parts: z.array(ref('thing')).max(100) }),
      z.object({
        kind: z.literal('random'),
        parts: dealt,
        /** One for each part; they need not add up to anything. */
        weights: z
          .array(finite.refine((n) => n >= 0, '0 or more'))
          .min(1)
          .max(100),
        seed: seed(),
        /** One for each part: the id under which it draws, where a part came in another's place. */
        lots: z.array(formerId()).min(1).max(100).optional(),
      }),
      z.object({ kind: z.literal('by'), parts: dealt, by: z.enum(['column', 'row', 'layer', 'ring']) }),
      z.object({ kind: z.literal('ends'), parts: dealt.length(3) }),
      z.object({
        kind: z.literal('nth'),
        parts: dealt.length(2),
        every: z.int().min(2).max(10_000),
        from: z.int().min(1).max(10_000),
      }),
    ])
    .and(
      z.object({
        /** Whether a part stands for itself, or for itself and its variants: in turn, at random by each copy, or the one called so. */
        variants: z
          .union([z.enum(['inTurn', 'random']), z.object({ called: z.string().trim().min(1).max(80) })])
          .optional(),
      }),
    )
    .refine((d) => d.kind !== 'random' || (d.weights.length === d.parts.length && d.weights.some((w) => w > 0)), {
      message: 'one weight for each part, not all of them 0',
    })
    .refine((d) => d.kind !== 'random' || !d.lots || d.lots.length === d.parts.length, {
      message: 'one lot for each part',
    }),
  // Lists go with weights and places: whose part is gone has to be dealt anew.
  (value, gone) => (value.parts.some(gone) ? undefined : value),
)
export type Deal = z.infer<typeof deal>
