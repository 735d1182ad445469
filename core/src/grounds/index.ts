import { z } from 'zod'
import type { GroundDefinition, GroundSource } from './definition'
import { grounds } from './registry'
import type { Surface } from './surface'

type Definitions = typeof grounds
type GroundOf<D> = D extends GroundDefinition<infer G> ? G : never
export type GroundKind = keyof Definitions
export type GroundShape = GroundOf<Definitions[GroundKind]>

/** All kinds of grounds, in the order in which they are offered. */
export const groundKinds = Object.keys(grounds) as GroundKind[]

export const groundShape = z.union(
  Object.values(grounds).map(({ schema }) => schema) as unknown as [z.ZodType<GroundShape>],
) as z.ZodType<GroundShape>

/** What is known of a ground's kind. */
export const groundDefinitionOf = ({ kind }: { readonly kind: GroundKind }): GroundDefinition<GroundShape> =>
  grounds[kind] as unknown as GroundDefinition<GroundShape>

const known = new WeakMap<GroundShape, { readonly from: readonly unknown[]; readonly surface: Surface | undefined }>()

/** The surface of a ground in its own axes, kept for as long as nothing that it rests on changes. */
export function surfaceOf(shape: GroundShape, source: GroundSource): Surface | undefined {
  const definition = groundDefinitionOf(shape)
  const from = definition.rests?.(shape, source) ?? []
  const before = known.get(shape)
  if (before && before.from.length === from.length && before.from.every((f, i) => f === from[i])) return before.surface
  const surface = definition.surface(shape, source)
  known.set(shape, { from, surface })
  return surface
}
