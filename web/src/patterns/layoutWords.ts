import type { Layout, LayoutKind } from '@hilera/core/layouts/index'
import type { MirrorSource } from '@hilera/core/values/reflection'
import type { Project } from '@hilera/core/model/project'
import { Ellipsis, FlipHorizontal2, Grid3x3, LifeBuoy, Link2, MapPin, Sparkles, Spline } from '@lucide/vue'
import type { Component } from 'vue'

interface LayoutWords<K extends LayoutKind> {
  readonly words: string
  /** What it is for, in one line. */
  readonly note: string
  readonly icon: Component
  /** One line for the list. */
  summary(layout: Extract<Layout, { kind: K }>, project: Project): string
}

/** How each layout is named and drawn in lists. */
export const layoutWords: { readonly [K in LayoutKind]: LayoutWords<K> } = {
  line: {
    words: 'Line',
    note: 'copies side by side at an exact pitch or gap',
    icon: Ellipsis,
    summary: ({ direction }) =>
      direction.kind === 'axis'
        ? `line ${direction.axis === 'up' ? (direction.sign > 0 ? 'upwards' : 'downwards') : direction.axis}`
        : 'line by amounts',
  },
  grid: {
    words: 'Grid',
    note: 'columns, rows and layers, in step or shifted',
    icon: Grid3x3,
    summary: ({ rows }) =>
      rows.kind === 'hexagonal'
        ? 'grid, hexagonal'
        : rows.kind === 'offset'
          ? 'grid, rows shifted'
          : 'grid, rows in step',
  },
  ring: {
    words: 'Ring',
    note: 'round a circle or an arc, rising or widening',
    icon: LifeBuoy,
    summary: ({ facing, rise, widen, sweep }) => {
      const shape = rise !== 0 ? 'helix' : widen !== 0 ? 'spiral' : sweep.kind === 'arc' ? 'arc' : 'ring'
      return facing === 'unchanged'
        ? shape
        : `${shape}, ${facing === 'turning' ? 'turning with it' : `facing ${facing}`}`
    },
  },
  path: {
    words: 'Path',
    note: 'along a curve, a drawing or lettering, in true length',
    icon: Spline,
    summary: ({ curve, way }) =>
      `path, ${{ length: 'by length', straight: 'by straight distance', corners: 'on its corners' }[way]}${curve.kind === 'catenary' ? ', hanging' : ''}`,
  },
  fill: {
    words: 'Fill',
    note: 'an outlined area, by count or density',
    icon: Sparkles,
    summary: ({ how, outline }) =>
      `${{ polygon: 'outline', rectangle: 'rectangle', ellipse: 'ellipse' }[outline.kind]} filled ${{ random: 'at random', even: 'evenly', sunflower: 'as a sunflower' }[how]}`,
  },
  spots: {
    words: 'Spots',
    note: 'one on each of the places that you click',
    icon: MapPin,
    summary: ({ spots }) => (spots.some((s) => s.part) ? 'places of their own' : 'clicked spots'),
  },
  companion: {
    words: 'Companion',
    note: 'one with every copy of another pattern',
    icon: Link2,
    summary: ({ host }, project) => `companion of ${project.patterns.find((p) => p.id === host)?.name ?? 'nothing'}`,
  },
  mirror: {
    words: 'Mirror',
    note: 'the images of other patterns, live, right way round',
    icon: FlipHorizontal2,
    summary: ({ sources, keep }, project) =>
      `${keep === 'both' ? 'mirror of' : 'moves across'} ${sources.length === 1 ? nameOfSource(sources[0], project) : `${sources.length} things`}`,
  },
}

/** What a mirror mirrors, by its name. */
export function nameOfSource({ kind, id }: MirrorSource, { patterns, groups, sets }: Project): string {
  const list: readonly { id: string; name: string }[] = { pattern: patterns, group: groups, set: sets }[kind]
  return list.find((thing) => thing.id === id)?.name ?? 'nothing'
}

/** Layouts that take their places from another pattern, and cannot begin without one. */
export const leans = (kind: LayoutKind): boolean => kind === 'companion' || kind === 'mirror'

export const layoutKinds = Object.keys(layoutWords) as LayoutKind[]

/** One line about a layout of any kind. */
export const summaryOf = <K extends LayoutKind>(layout: Extract<Layout, { kind: K }>, project: Project): string =>
  (layoutWords[layout.kind as K] as LayoutWords<K>).summary(layout, project)
