import { z } from 'zod'
import { LONGEST_MOTION, MOST_PICTURES } from '../limits'
import { finite } from '../values/values'
import type { MovementDefinition } from './definition'
import { movements } from './registry'

type Definitions = typeof movements
type MovementOfDefinition<D> = D extends MovementDefinition<infer M> ? M : never
export type MovementKind = keyof Definitions
export type Movement = MovementOfDefinition<Definitions[MovementKind]>

export const movementKinds = Object.keys(movements) as MovementKind[]

export const movement = z.union(
  Object.values(movements).map(({ schema }) => schema) as unknown as [z.ZodType<Movement>],
) as z.ZodType<Movement>

export const movementDefinitionOf = (of: { readonly kind: MovementKind }): MovementDefinition<Movement> =>
  movements[of.kind] as unknown as MovementDefinition<Movement>

/** How long an animation is, in seconds, and how many pictures it has to the second. */
export const clock = z.object({
  length: finite.refine((n) => n > 0 && n <= LONGEST_MOTION, 'a length in seconds'),
  rate: z.int().min(1).max(MOST_PICTURES),
})
export type Clock = z.infer<typeof clock>
export const usualClock: Clock = { length: 5, rate: 24 }
