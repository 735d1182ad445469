import type { Part, Solid, SolidKind } from '@hilera/core/model/part'

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
  torus: { words: 'Torus', solid: { kind: 'torus', width: 0.12, thickness: 0.03 } },
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

const colors = ['#b9662b', '#3a6b5f', '#694a70', '#c79a4b', '#7d8f84', '#a8493c']

/** A look for the n-th part of a project, so that neighbours in the tray differ. */
export const lookFor = (n: number): Part['look'] => ({ color: colors[n % colors.length], roughness: 0.6, metal: 0 })
