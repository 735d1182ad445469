import { z } from 'zod'
import type { Facts } from '../words'
import type { LayoutDefinition, Things, Worked, Stands } from './definition'
import { layouts } from './registry'
import type { Unrolled } from './unrolled'

export type { Start } from './beginning'
export type { Edit } from './definition'

type Definitions = typeof layouts
type LayoutOfDefinition<D> = D extends LayoutDefinition<infer L, infer _> ? L : never
type OutcomeOfDefinition<D> = D extends LayoutDefinition<infer _, infer Out> ? Out : never

export type LayoutKind = keyof Definitions
export type LayoutOf<K extends LayoutKind> = LayoutOfDefinition<Definitions[K]>
export type Layout = LayoutOf<LayoutKind>
/** What a layout came out as: plain data that can cross to another thread. */
export type LaidOut = OutcomeOfDefinition<Definitions[LayoutKind]>

/** All ways to lay copies out, in the order in which they are offered. */
export const layoutKinds = Object.keys(layouts) as LayoutKind[]

const schemas = Object.values(layouts).map(({ schema }) => schema)
export const layout = z.discriminatedUnion(
  'kind',
  schemas as unknown as [z.core.$ZodTypeDiscriminable],
) as unknown as z.ZodType<Layout>

/** What is known of a layout's kind. */
export const definitionOf = (layout: { readonly kind: LayoutKind }): LayoutDefinition<Layout, LaidOut> =>
  layouts[layout.kind] as unknown as LayoutDefinition<Layout, LaidOut>

/** Whether a layout is of a kind, for what belongs to that kind alone. */
export const isLayout = <K extends LayoutKind>(kind: K, layout: Layout | undefined): layout is Layout & LayoutOf<K> =>
  layout?.kind === kind

/** A pattern that is worked out, laid out flat; none where its layout has no strip. */
export function unrolled(
  layout: Layout,
  worked: Omit<Worked<LaidOut>, 'laid'> & { readonly laid?: LaidOut },
  things: Things,
): Unrolled {
  return (isLaidBy(worked, layout) && definitionOf(layout).unroll?.(layout, worked, things)) || { as: 'none' }
}

/** Whether something came out of a layout as it is now: what is told may be of the last answer, and the layout may have changed since. */
export const isLaidBy = <W extends { readonly laid?: LaidOut }>(
  worked: W,
  layout: Layout,
): worked is W & { readonly laid: LaidOut } => worked.laid?.kind === layout.kind

/** From where to where copies stand along each direction of their layout; of those whose copies stand along none, nothing. */
export function standsAlong(
  layout: Layout,
  worked: Omit<Worked<LaidOut>, 'laid'> & { readonly laid?: LaidOut },
  things: Things,
): Stands {
  return (isLaidBy(worked, layout) && definitionOf(layout).stands?.(layout, worked, things)) || {}
}

/** What is said of copies as they stand. */
export const measuredFacts = (layout: Layout, worked: Worked<LaidOut>, things: Things): Facts =>
  definitionOf(layout).facts?.(layout, worked, things) ?? []
