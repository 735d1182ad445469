import type { Solid, SolidKind } from '@hilera/core/solids/schema'

/** A number of a solid, as its sentence names it. */
export interface SolidNumber {
  readonly label: string
  /** The words that follow the value. */
  readonly after: string
  read(solid: Solid): number
  write(solid: Solid, value: number): void
  /** 0 is allowed, as for the top of a cone that ends in a point. */
  readonly zero?: boolean
}

type Key = 'width' | 'height' | 'depth' | 'radius' | 'top' | 'thickness'

/** A number that stands in the solid under that name. */
const number = (key: Key, label: string, after: string, zero = false): SolidNumber => ({
  label,
  after,
  zero,
  read: (solid) => (solid as Partial<Record<Key, number>>)[key] ?? 0,
  write: (solid, value) => void Object.assign(solid, { [key]: value }),
})
const width = number('width', 'Width', 'wide')
const height = number('height', 'Height', 'tall')
const depth = number('depth', 'Depth', 'deep')

type Lathe = Extract<Solid, { kind: 'lathe' }>
const widest = (s: Lathe): number => 2 * Math.max(...s.profile.map((p) => p.radius))
const low = (s: Lathe): number => Math.min(...s.profile.map((p) => p.height))
const tall = (s: Lathe): number => Math.max(...s.profile.map((p) => p.height)) - low(s)

const latheWidth: SolidNumber = {
  label: 'Width',
  after: 'wide',
  read: (solid) => widest(solid as Lathe),
  write: (solid, value) => {
    const by = value / widest(solid as Lathe)
    for (const p of (solid as Lathe).profile) p.radius *= by
  },
}
const latheHeight: SolidNumber = {
  label: 'Height',
  after: 'tall',
  read: (solid) => tall(solid as Lathe),
  write: (solid, value) => {
    const [by, base] = [value / tall(solid as Lathe), low(solid as Lathe)]
    for (const p of (solid as Lathe).profile) p.height = base + (p.height - base) * by
  },
}

/** How a solid is told, and its numbers in order. */
export const solidWords: {
  readonly [K in SolidKind]: { readonly words: string; readonly numbers: readonly SolidNumber[] }
} = {
  box: { words: 'A box', numbers: [width, height, depth] },
  roundedBox: {
    words: 'A box',
    numbers: [width, height, depth, number('radius', 'Edge radius', 'round at its edges')],
  },
  cylinder: { words: 'A cylinder', numbers: [width, height] },
  cone: {
    words: 'A cone',
    numbers: [number('width', 'Width', 'wide at its base'), number('top', 'Top width', 'at its top', true), height],
  },
  sphere: { words: 'A sphere', numbers: [number('width', 'Width', 'across')] },
  capsule: { words: 'A capsule', numbers: [width, height] },
  plane: { words: 'A plane', numbers: [width, depth] },
  tube: { words: 'A tube', numbers: [number('thickness', 'Thickness', 'thick')] },
  extrusion: { words: 'An extruded outline', numbers: [depth] },
  torus: { words: 'A torus', numbers: [width, number('thickness', 'Thickness', 'thick')] },
  lathe: { words: 'A turned profile', numbers: [latheWidth, latheHeight] },
}
