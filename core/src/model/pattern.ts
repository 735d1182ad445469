import { z } from 'zod'
import { deal } from '../deal/schema'
import { layout } from '../layouts/index'
import { movement } from '../motion/index'
import { step } from '../steps/index'
import { formerId, ownId, ref, seed } from '../values/marks'
import { color, finite, name, placeIn, share, vec3 } from '../values/values'

/** Where a pattern's own axes lie: moved, and turned about across, then up, then deep (intrinsic), in radians. */
export const place = z.object({ move: vec3, turn: vec3 })
export type Place = z.infer<typeof place>

const factor = finite.refine((n) => n > 0, 'more than 0')

/**
 * A change made by hand to one copy, kept while the pattern changes under it: an offset in the slot's own axes, a turn
 * (radians, about across, then up, then deep of the slot), factors for its size, another part, a colour, or the place left empty.
 */
export const touchUp = z.object({
  move: placeIn.optional(),
  turn: vec3.optional(),
  size: z.tuple([factor, factor, factor]).optional(),
  part: ref('thing').optional(),
  /** In place of what its part and the steps give it. */
  color: color.optional(),
  empty: z.literal(true).optional(),
  /** It stays where it is while others are cleared. */
  held: z.literal(true).optional(),
  /** It stays where it is while others settle. */
  unsettled: z.literal(true).optional(),
})
export type TouchUp = z.infer<typeof touchUp>

/** A slot as a key: its two 32-bit halves in hexadecimal, the high one left out while it is 0. */
export const slotKey = z.string().regex(/^[0-9a-f]{1,8}(:[0-9a-f]{1,8})?$/)

/** Where something stands: moved, turned (a unit quaternion x y z w) and sized along its own axes. */
const placing = z.object({
  move: vec3,
  turn: z.tuple([finite, finite, finite, finite]).refine((q) => Math.abs(Math.hypot(...q) - 1) < 1e-6, 'a turn'),
  size: z.tuple([factor, factor, factor]),
})

/**
 * Places that were taken as the ones to come back to: that of the pattern, and of copies where they stood in the world, with what
 * the document said of them then, so that what has not changed beside comes back to the bit.
 */
export const baseline = z.object({
  place: place.optional(),
  copies: z.record(slotKey, z.object({ stands: placing, touch: touchUp.optional(), spot: placing.optional() })),
})
export type Baseline = z.infer<typeof baseline>

export const fit = z.object({ move: vec3.optional(), size: z.tuple([factor, factor, factor]).optional() })
export type Fit = z.infer<typeof fit>

/** How parts that came in by a swap are fitted to the places of what they took over: moved and sized in the slot's axes. */
const fits = z.record(ref('thing', 'aside'), fit)
const steps = z.array(step).max(120)
const touchUps = z.record(slotKey, touchUp)

/** A live arrangement that places copies. */
export const pattern = z.object({
  id: ownId(),
  name,
  place,
  deal,
  layout,
  /** In order, phase by phase: what shapes copies, and after the touch-ups what settles and clears them. */
  steps,
  touchUps,
  /** How its copies move in time, on top of all that places them. */
  motion: z.array(movement).max(20).optional(),
  /** What counts as the edge of a copy when overlaps are found and cleared: its outline where it is absent, or its triangles. */
  edges: z.literal('mesh').optional(),
  hidden: z.boolean(),
  /** It is not moved, nor picked by area. */
  locked: z.literal(true).optional(),
  baseline: baseline.optional(),
  fits: fits.optional(),
  /** One seed for all that is left to chance here, in place of those of its deal, its layout and its steps. */
  seed: seed().optional(),
  /** How much of all that varies its copies reaches them, that of its steps and that of its parts; all of it where it is absent. */
  strength: share.optional(),
  /** Parts whose own variation does not reach the copies here. */
  plain: z.array(ref('thing', 'aside')).max(1000).optional(),
  group: ref('group').optional(),
  /** The id under which its chances are drawn, where it is not its own: a duplicate has those of what it was made from. */
  chances: formerId().optional(),
  /** What the pattern was before its copies were made separate, so that it can be brought back. */
  was: z.object({ deal, layout, steps, touchUps, fits: fits.optional() }).optional(),
})
export type Pattern = z.infer<typeof pattern>

/** The id under which a pattern's or a part's chances are drawn. */
export const chancesOf = ({ id, chances }: { readonly id: string; readonly chances?: string | undefined }): string =>
  chances ?? id
