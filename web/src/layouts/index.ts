import {
  type LaidOut,
  type Layout,
  type LayoutKind,
  type LayoutOf,
  definitionOf,
  isLayout,
  layoutKinds,
} from '@hilera/core/layouts/index'
import { layouts } from '@hilera/core/layouts/registry'
import type { Project } from '@hilera/core/model/project'
import { factsText } from '@hilera/core/numbers/format'
import type { LengthUnit } from '@hilera/core/numbers/units'
import type { LayoutHandles, PatternAxes } from '../stage/handles'
import type { PatternUpdate } from '../worker/messages'
import type { LayoutView } from './definition'
import { layoutViews } from './registry'

export { layoutKinds }

/** How a layout is drawn, read and dragged. */
export const viewOf = (kind: LayoutKind): LayoutView<LayoutKind> =>
  layoutViews[kind] as unknown as LayoutView<LayoutKind>

/** How a kind of layout is called and what it is for. */
export const wordsOf = (kind: LayoutKind): { readonly words: string; readonly note: string } => layouts[kind]

/** It takes its places from another pattern or a ground: nothing is laid out so that stood otherwise before. */
export const leans = (kind: LayoutKind): boolean => definitionOf({ kind }).needs !== undefined

/** What a layout cannot begin without, and is not there; undefined where it can begin. */
export function lackOf(
  kind: LayoutKind,
  { patterns, grounds }: Pick<Project, 'patterns' | 'grounds'>,
): string | undefined {
  const { needs, words } = definitionOf({ kind })
  if (needs === 'pattern' && patterns.length === 0)
    return `A ${words.toLowerCase()} needs another pattern: add that first.`
  if (needs === 'ground' && grounds.length === 0) return `Add a ground under “Under it” first: it is spread over that.`
  return undefined
}

/** The name of anything that a layout or a step may name. */
export const namesIn =
  ({ patterns, groups, sets, parts, grounds }: Project) =>
  (id: string): string =>
    [...patterns, ...groups, ...sets, ...parts, ...grounds].find((thing) => thing.id === id)?.name ?? 'nothing'

/** One line about a layout of any kind. */
export const summaryOf = (layout: Layout, project: Project): string =>
  definitionOf(layout).summary(layout, namesIn(project))

const NONE: LayoutHandles = { pins: [], dimensions: [], guides: [] }

/** The pins, dimension lines and guides of a layout; none while what is known is of another. */
export function layoutHandles(layout: Layout, laid: LaidOut | undefined, axes: PatternAxes): LayoutHandles {
  return laid && laid.kind === layout.kind
    ? (viewOf(layout.kind).handles?.(layout as never, laid as never, axes) ?? NONE)
    : NONE
}

/** So many facts stand beside the pointer. */
const FEW_FACTS = 3

/** What a drag has come to. */
export function dragNote(layout: Layout, outcome: PatternUpdate | undefined, unit: LengthUnit): string {
  if (!outcome?.laid || outcome.laid.kind !== layout.kind) return ''
  const note = viewOf(layout.kind).note?.(layout as never, outcome.laid as never, unit)
  return note ?? factsText(outcome.facts.slice(0, FEW_FACTS), unit)
}

/** An edit that only a layout of its kind takes. */
export const editOf =
  <K extends LayoutKind>(kind: K, edit: (layout: LayoutOf<K>) => void): ((layout: Layout) => void) =>
  (layout) => {
    if (isLayout(kind, layout)) edit(layout)
  }

/** What a layout of a kind came out as; undefined while what is known is of another. */
export const laidOf = <K extends LayoutKind>(
  kind: K,
  outcome: Pick<PatternUpdate, 'laid'> | undefined,
): Extract<LaidOut, { kind: K }> | undefined =>
  outcome?.laid?.kind === kind ? (outcome.laid as Extract<LaidOut, { kind: K }>) : undefined
