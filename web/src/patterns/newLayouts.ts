import { plainPath } from '@hilera/core/layouts/path/schema'
import { plainReflection } from '@hilera/core/values/reflection'
import { plainRing } from '@hilera/core/layouts/ring/schema'
import type { Layout, LayoutKind } from '@hilera/core/layouts/index'
import type { Spacing } from '@hilera/core/values/spacing'

/** What a new layout is fitted to. */
export interface Start {
  /** How far the thing reaches across and deep. */
  readonly width: number
  readonly depth: number
  /** Another pattern, for a layout that needs one. */
  readonly host?: string
}

const round = (metres: number): number => Math.max(Math.round(metres * 1000) / 1000, 0.001)
const spacing = (count: number, gap: number): Spacing => ({
  hold: ['spacing', 'count'],
  count,
  spacing: gap,
  measure: 'gap',
  room: 1,
  edges: 'outsides',
  ends: 'both',
  leftover: 'end',
})

/** Every layout as it starts out; undefined where it cannot start. */
export const newLayouts: { readonly [K in LayoutKind]: (start: Start) => Extract<Layout, { kind: K }> | undefined } = {
  line: ({ width }) => ({
    kind: 'line',
    direction: { kind: 'axis', axis: 'across', sign: 1 },
    ...spacing(5, round(width / 5)),
  }),
  grid: ({ width, depth }) => ({
    kind: 'grid',
    across: spacing(5, round(width / 5)),
    deep: spacing(4, round(depth / 5)),
    up: { ...spacing(1, 0.1), measure: 'pitch', edges: 'centres' },
    rows: { kind: 'inStep' },
    only: 'all',
    anchor: { across: 'start', deep: 'start', up: 'start' },
    order: 'rows',
  }),
  ring: ({ width, depth }) => ({
    ...plainRing,
    count: 8,
    spacing: round(Math.max(width, depth) * 1.2),
    radius: round(Math.max(width, depth) * 2),
    radialPitch: round(Math.max(width, depth) * 1.3),
  }),
  fill: ({ width, depth }) => ({
    kind: 'fill',
    outline: { kind: 'rectangle', width: round(width * 9), depth: round(depth * 6) },
    margin: 0,
    by: 'count',
    count: 24,
    density: 100,
    how: 'even',
    least: round(Math.hypot(width, depth) * 0.9),
    seed: 1,
  }),
  path: ({ width }) => ({
    ...plainPath,
    curve: {
      kind: 'points',
      points: [
        [0, 0, 0],
        [width * 3, 0, -width * 2],
        [width * 6, 0, width],
        [width * 9, 0, 0],
      ],
      smooth: true,
      closed: false,
    },
    spacing: round(width * 1.2),
  }),
  spots: ({ width }) => ({
    kind: 'spots',
    spots: [0, 1, 2].map((slot) => ({ slot, move: [round(width * 1.5) * slot, 0, 0] })),
  }),
  companion: ({ host }) =>
    host === undefined
      ? undefined
      : { kind: 'companion', host, at: 'top', offset: [0, 0, 0], turn: [0, 0, 0], axes: 'copy', every: 1 },
  mirror: ({ host }) =>
    host === undefined
      ? undefined
      : { kind: 'mirror', sources: [{ kind: 'pattern', id: host }], ...plainReflection('across') },
}
