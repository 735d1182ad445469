import type { Companion } from '../src/layouts/companion/schema'
import type { Fill } from '../src/layouts/fill/schema'
import type { Grid } from '../src/layouts/grid/schema'
import { definitionOf, type Layout, type LayoutKind } from '../src/layouts/index'
import type { Line } from '../src/layouts/line/schema'
import type { Mirror } from '../src/layouts/mirror/schema'
import type { Path } from '../src/layouts/path/schema'
import type { Ring } from '../src/layouts/ring/schema'
import type { Vary } from '../src/steps/vary/schema'
import type { Spacing } from '../src/values/spacing'
import { plainPath } from '../src/layouts/path/schema'
import { plainRing } from '../src/layouts/ring/schema'
import { plainSpacing } from '../src/values/spacing'
import type { MirrorPlane, Reflection } from '../src/values/reflection'
import type { Part } from '../src/model/part'
import type { Pattern } from '../src/model/pattern'
import { type Project, emptyProject } from '../src/model/project'

/** A layout as it begins for a cube of 100 mm. */
export const begun = (kind: LayoutKind, host = 'shelf'): Layout =>
  definitionOf({ kind }).begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm', host, ground: 'ground' })

export const box = (id: string, width: number): Part => ({
  id,
  name: id,
  shape: { kind: 'box', width, height: 0.15, depth: 0.119 },
  look: { color: '#3a6b5f', roughness: 0.6, metal: 0 },
})

export const aLine = (change: Partial<Line> = {}): Line => ({
  kind: 'line',
  direction: { kind: 'axis', axis: 'across', sign: 1 },
  hold: ['spacing', 'room'],
  count: 5,
  spacing: 0.012,
  measure: 'gap',
  room: 1.18,
  edges: 'outsides',
  ends: 'both',
  leftover: 'both',
  ...change,
})

export const aPattern = (layout: Layout, parts: string[], change: Partial<Pattern> = {}): Pattern => ({
  id: 'shelf',
  name: 'Shelf tins',
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts },
  layout,
  steps: [],
  touchUps: {},
  hidden: false,
  ...change,
})

export const aProject = (parts: Part[], ...patterns: Pattern[]): Project => ({
  ...emptyProject('Test'),
  parts,
  patterns,
})

/** So many copies at a pitch. */
export const pitched = (count: number, pitch: number): Spacing => ({ ...plainSpacing, count, spacing: pitch })
/** As many as fit into a room, outside to outside, at a pitch. */
export const packed = (room: number, pitch: number): Spacing => ({
  ...plainSpacing,
  hold: ['spacing', 'room'],
  spacing: pitch,
  room,
  edges: 'outsides',
})

export const aGrid = (change: Partial<Grid> = {}): Grid => ({
  kind: 'grid',
  across: pitched(7, 0.09),
  deep: pitched(5, 0.09),
  up: plainSpacing,
  rows: { kind: 'inStep' },
  only: 'all',
  anchor: { across: 'start', deep: 'start', up: 'start' },
  order: 'rows',
  ...change,
})

export const aRing = (change: Partial<Ring> = {}): Ring => ({ ...plainRing, measure: 'arc', radius: 0.215, ...change })

export const aFill = (change: Partial<Fill> = {}): Fill => ({
  kind: 'fill',
  outline: { kind: 'rectangle', width: 1, depth: 1 },
  margin: 0,
  edge: 'pivots',
  by: 'count',
  count: 200,
  density: 200,
  how: 'random',
  least: 0.05,
  seed: 17,
  ...change,
})

/** A variation by chance, spread evenly, of all copies. */
export const aVary = (what: Vary['what'], low: number, high: number): Vary => ({
  kind: 'vary',
  id: what,
  what,
  low,
  high,
  spread: 'even',
  axes: 'copy',
  seed: 3,
  share: 1,
  strength: 1,
})

export const aCompanion = (host: string, change: Partial<Companion> = {}): Companion => ({
  kind: 'companion',
  host,
  at: 'top',
  offset: [0, 0, 0],
  turn: [0, 0, 0],
  axes: 'copy',
  every: 1,
  ...change,
})

export const ball = (id: string, width: number): Part => ({
  id,
  name: id,
  shape: { kind: 'sphere', width },
  look: { color: '#b9662b', roughness: 0.6, metal: 0 },
})

export const aPath = (change: Partial<Path> = {}): Path => ({
  ...plainPath,
  count: 5,
  curve: { kind: 'catenary', to: [2, 0, 0], by: 'length', value: 2.4 },
  ...change,
})

export const aPlane = (axis: 'across' | 'up' | 'deep', change: Partial<MirrorPlane> = {}): MirrorPlane => ({
  facing: { kind: 'axis', axis, angle: 0 },
  through: { kind: 'origin' },
  offset: 0,
  ...change,
})

export const aReflection = (...planes: MirrorPlane[]): Reflection => ({
  planes,
  keep: 'both',
  what: 'both',
  shapes: 'auto',
  answers: {},
  surfaces: 'book',
})

export const aMirror = (source: string, ...planes: MirrorPlane[]): Mirror => ({
  kind: 'mirror',
  sources: [{ kind: 'pattern', id: source }],
  ...aReflection(...planes),
})
