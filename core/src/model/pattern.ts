import { z } from 'zod'
import { layout } from './layout'
import { step } from './step'
import { finite, id, name, vec3 } from './values'

/** Which part each copy gets: those of the list in turn. An id may name another pattern: then that is repeated whole. */
export const deal = z.object({ kind: z.literal('inTurn'), parts: z.array(id).min(1).max(100) })
export type Deal = z.infer<typeof deal>

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
})
export type TouchUp = z.infer<typeof touchUp>

/** A slot as a key: its two 32-bit halves in hexadecimal, the high one left out while it is 0. */
export const slotKey = z.string().regex(/^[0-9a-f]{1,8}(:[0-9a-f]{1,8})?$/)

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
  hidden: z.boolean(),
})
export type Pattern = z.infer<typeof pattern>
