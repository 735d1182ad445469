import { type Look, type Part, type Shape, shape as shapeSchema } from '../model/part'
import type { LengthUnit } from '../numbers/units'
import type { Solid, SolidKind } from '../solids/schema'
import { lengthened } from '../values/walk'

/** The solids that can be added, as they start out. */
export const newSolids: {
  readonly [K in SolidKind]: { readonly words: string; readonly solid: Extract<Solid, { kind: K }> }
} = {
  box: { words: 'Box', solid: { kind: 'box', width: 0.1, height: 0.1, depth: 0.1 } },
  roundedBox: {
    words: 'Rounded box',
    solid: { kind: 'roundedBox', width: 0.1, height: 0.1, depth: 0.1, radius: 0.012 },
  },
  cylinder: { words: 'Cylinder', solid: { kind: 'cylinder', width: 0.08, height: 0.12 } },
  cone: { words: 'Cone', solid: { kind: 'cone', width: 0.1, top: 0, height: 0.12 } },
  sphere: { words: 'Sphere', solid: { kind: 'sphere', width: 0.1 } },
  capsule: { words: 'Capsule', solid: { kind: 'capsule', width: 0.06, height: 0.14 } },
  plane: { words: 'Plane', solid: { kind: 'plane', width: 0.2, depth: 0.2 } },
  torus: { words: 'Torus', solid: { kind: 'torus', width: 0.12, thickness: 0.03 } },
  tube: {
    words: 'Tube along a curve',
    solid: {
      kind: 'tube',
      curve: { kind: 'helix', radius: 0.05, endRadius: 0.05, height: 0.12, turns: 3 },
      thickness: 0.012,
    },
  },
  extrusion: {
    words: 'Extruded outline',
    solid: { kind: 'extrusion', curve: { kind: 'polygon', sides: 6, radius: 0.06 }, depth: 0.02 },
  },
  lathe: {
    words: 'Turned profile',
    solid: {
      kind: 'lathe',
      profile: [
        { radius: 0, height: 0 },
        { radius: 0.035, height: 0 },
        { radius: 0.045, height: 0.05 },
        { radius: 0.02, height: 0.09 },
        { radius: 0.028, height: 0.12 },
        { radius: 0, height: 0.12 },
      ],
    },
  },
}

/** Four inches stand for 100 mm: what is round in millimetres is round in tenths of an inch then. */
const LONGER: Readonly<Record<LengthUnit, number>> = { mm: 1, cm: 1, m: 1, in: 1.016, ftin: 1.016 }

/** A shape that is round in millimetres, as it begins where lengths are told in a unit: round in that. */
export const roundIn = <S extends Shape>(shape: S, unit: LengthUnit): S =>
  LONGER[unit] === 1 ? shape : lengthened(shapeSchema, shape, LONGER[unit])

/** Everything that can be added as a part without a file. */
export type NewPartKind = SolidKind | 'assembly' | 'point' | 'spot' | 'sun' | 'placeholder'

interface NewPart {
  readonly words: string
  readonly shape: Shape
  readonly look?: Look
}

const daylight: Look = { color: '#ffe2b0', roughness: 1, metal: 0 }
const solids = Object.fromEntries(
  Object.entries(newSolids).map(([kind, { words, solid }]) => [kind, { words, shape: solid }]),
) as Record<SolidKind, NewPart>

export const newParts: Readonly<Record<NewPartKind, NewPart>> = {
  ...solids,
  assembly: { words: 'Assembly', shape: { kind: 'assembly', members: [] } },
  point: {
    words: 'Point light',
    shape: { kind: 'light', light: 'point', brightness: 8, angle: Math.PI / 3 },
    look: daylight,
  },
  spot: {
    words: 'Spot light',
    shape: { kind: 'light', light: 'spot', brightness: 20, angle: Math.PI / 3 },
    look: daylight,
  },
  sun: { words: 'Sun', shape: { kind: 'light', light: 'sun', brightness: 2, angle: Math.PI / 3 }, look: daylight },
  placeholder: {
    words: 'Placeholder',
    shape: { kind: 'placeholder', width: 0.1, height: 0.1, depth: 0.1 },
    look: { color: '#8d8471', roughness: 1, metal: 0 },
  },
}
export const newPartKinds = Object.keys(newParts) as NewPartKind[]

const colors = ['#b9662b', '#3a6b5f', '#694a70', '#c79a4b', '#7d8f84', '#a8493c']

/** A look for the n-th part of a project, so that neighbours in the tray differ. */
export const lookFor = (n: number): Part['look'] => ({ color: colors[n % colors.length], roughness: 0.6, metal: 0 })
