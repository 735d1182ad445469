import { z } from 'zod'
import { clear } from './clear'
import { layout } from './layout'
import { step } from './step'
import { finite, id, name, vec3 } from '../values/values'

const dealt = z.array(id).min(1).max(100)

/**
 * Which part each copy gets. An id may name another pattern: then that is repeated whole. The list is read in turn; by
 * weight with a seed; in turn from row to row, column to column, layer to layer or ring to ring; as the first, the middle
 * and the last; or as the usual one and the one that every n-th copy gets.
 */
export const deal = z
  .discriminatedUnion('kind', [
    // A mirror deals nothing: its copies are images of others.
    z.object({ kind: z.literal('inTurn'), parts: z.array(id).max(100) }),
    z.object({
      kind: z.literal('random'),
      parts: dealt,
      /** One for each part; they need not add up to anything. */
      weights: z
        .array(finite.refine((n) => n >= 0, '0 or more'))
        .min(1)
        .max(100),
      seed: z.int().min(0).max(0xffffffff),
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
      /** Whether a part stands for itself, or for itself and its variants: in turn, or at random by each copy. */
      variants: z.enum(['inTurn', 'random']).optional(),
    }),
  )
  .refine((d) => d.kind !== 'random' || (d.weights.length === d.parts.length && d.weights.some((w) => w > 0)), {
    message: 'one weight for each part, not all of them 0',
  })
export type Deal = z.infer<typeof deal>
export type DealKind = Deal['kind']

/** Where a pattern's own axes lie: moved, and turned about across, then up, then deep (intrinsic), in radians. */
export const place = z.object({ move: vec3, turn: vec3 })
export type Place = z.infer<typeof place>

const factor = finite.refine((n) => n > 0, 'more than 0')

/**
 * A change made by hand to one copy, kept while the pattern changes under it: an offset in the slot's own axes, a turn
 * (radians, about across, then up, then deep of the slot), factors for its size, another part, or the place left empty.
 */
export const touchUp = z.object({
  move: vec3.optional(),
  turn: vec3.optional(),
  size: z.tuple([factor, factor, factor]).optional(),
  part: id.optional(),
  empty: z.literal(true).optional(),
  /** It stays where it is while others are cleared. */
  held: z.literal(true).optional(),
})
export type TouchUp = z.infer<typeof touchUp>

/** A slot as a key: its two 32-bit halves in hexadecimal, the high one left out while it is 0. */
export const slotKey = z.string().regex(/^[0-9a-f]{1,8}(:[0-9a-f]{1,8})?$/)

export const fit = z.object({ move: vec3.optional(), size: z.tuple([factor, factor, factor]).optional() })
export type Fit = z.infer<typeof fit>

/** A live arrangement that places copies. */
export const pattern = z.object({
  id,
  name,
  place,
  deal,
  layout,
  /** Shaping steps, in order. */
  steps: z.array(step).max(100),
  touchUps: z.record(slotKey, touchUp),
  /** What keeps copies clear of each other, in order, after everything else. */
  clears: z.array(clear).max(20).optional(),
  /** What counts as the edge of a copy when overlaps are found and cleared: its outline where it is absent, or its triangles. */
  edges: z.literal('mesh').optional(),
  hidden: z.boolean(),
  /** How parts that came in by a swap are fitted to the places of what they took over: moved and sized in the slot's axes. */
  fits: z.record(id, fit).optional(),
  /** One seed for all that is left to chance here, in place of those of its deal, its fill, its steps and its clearings. */
  seed: z.int().min(0).max(0xffffffff).optional(),
  /** Parts whose own variation does not reach the copies here. */
  plain: z.array(id).max(1000).optional(),
  group: id.optional(),
  /** What the pattern was before its copies were made separate, so that it can be brought back. */
  was: z.object({ deal, layout, steps: z.array(step).max(100), touchUps: z.record(slotKey, touchUp) }).optional(),
})
export type Pattern = z.infer<typeof pattern>

/** The ids of the parts and patterns that a pattern's copies may be. */
export function thingsUsed({ deal, layout, touchUps }: Pick<Pattern, 'deal' | 'layout' | 'touchUps'>): Set<string> {
  const used = new Set<string>(deal.parts)
  for (const { part } of Object.values(touchUps)) if (part) used.add(part)
  if (layout.kind === 'spots') for (const { part } of layout.spots) if (part) used.add(part)
  return used
}

/** Whether a pattern could not be as it is without another: it repeats it, accompanies it, or mirrors nothing else. */
export function restsOnPattern(pattern: Pattern, id: string): boolean {
  const { layout } = pattern
  if (thingsUsed(pattern).has(id)) return true
  if (layout.kind === 'companion') return layout.host === id
  return layout.kind === 'mirror' && layout.sources.every((s) => s.kind === 'pattern' && s.id === id)
}
