import { z } from 'zod'
import { measures, roomEdges } from '../spacing/measure'
import { endRules, leftovers, triple } from '../spacing/solve'
import { axis, finite, vec3 } from './values'

/** Where a line runs: along an axis, plus or minus, or by so much across, up and deep from each copy to the next. */
export const direction = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('axis'), axis, sign: z.union([z.literal(1), z.literal(-1)]) }),
  z.object({ kind: z.literal('amounts'), step: vec3 }),
])
export type Direction = z.infer<typeof direction>

const held = z.enum(triple)

export const line = z.object({
  kind: z.literal('line'),
  direction,
  /** The two of count, spacing and room that are held, the one held longer first. */
  hold: z.tuple([held, held]).refine(([a, b]) => a !== b, 'two different ones are held'),
  count: finite,
  spacing: finite,
  measure: z.enum(measures),
  room: finite,
  edges: z.enum(roomEdges),
  ends: z.enum(endRules),
  leftover: z.enum(leftovers),
})
export type Line = z.infer<typeof line>

export const layout = z.discriminatedUnion('kind', [line])
export type Layout = z.infer<typeof layout>
export type LayoutKind = Layout['kind']
