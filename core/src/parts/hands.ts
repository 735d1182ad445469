import type { Part } from '../model/part'
import { partsInside } from '../model/part'
import { type PartSource, partMesh } from './partMesh'
import { type SymmetryPlane, type Symmetry, symmetryOf } from '../shapes/symmetry'
import type { MirrorThings } from '../mirror/hands'

/** Shapes of more points are taken to have a hand: comparing them with their mirror image would take seconds. */
const MOST_VERTICES = 300_000

/** What mirrors ask about the things of a project: its parts first, then its patterns, which have no shape of their own. */
export function mirrorThings(source: PartSource, idOf: (thing: number) => string): MirrorThings {
  const partOf = (thing: number): Part | undefined => source.parts[thing]
  const symmetry = (thing: number): Symmetry | undefined => {
    const part = partOf(thing)
    return part && symmetryOfPart(part, source)
  }
  return {
    idOf,
    bringsAnswer: (thing) => {
      const part = partOf(thing)
      return part?.lettering || part?.shape.kind === 'light' ? 'kept' : undefined
    },
    planesOf: (thing, withGrain) => {
      const part = partOf(thing)
      if (!part) return []
      const planes = symmetry(thing)?.planes ?? []
      if (!withGrain) return planes
      const grains = grainsIn(part, source)
      if (grains.some(({ own }) => !own)) return []
      return planes.filter((plane) => grains.every(({ grain }) => keepsGrain(plane, grain)))
    },
    middleOf: (thing) => symmetry(thing)?.middle ?? [0, 0, 0],
    turnsOntoItself: (thing, turn) => symmetry(thing)?.turnsOntoItself(turn) ?? false,
    isPatterned: (thing) => {
      const part = partOf(thing)
      return !part || isPatterned(part, source)
    },
  }
}

/** How a part falls on itself; undefined while its mesh is not there, or where it is too fine to compare. */
function symmetryOfPart(part: Part, source: PartSource): Symmetry | undefined {
  const mesh = partMesh(part, source)
  return mesh && mesh.positions.length <= 3 * MOST_VERTICES ? symmetryOf(mesh) : undefined
}

/** The planes of symmetry of a part, its grain included. */
export function symmetryPlanesOf(part: Part, source: PartSource): readonly SymmetryPlane[] {
  const at = source.parts.indexOf(part)
  return at < 0 ? [] : mirrorThings(source, () => part.id).planesOf(at, true)
}

type Grain = NonNullable<Part['look']['grain']>

/** The grains on a part; those of parts inside it run in axes of their own. */
function grainsIn(part: Part, source: PartSource): readonly { grain: Grain; own: boolean }[] {
  const own = part.look.grain ? [{ grain: part.look.grain, own: part.shape.kind !== 'assembly' }] : []
  if (part.shape.kind === 'assembly')
    return partsInside(part).flatMap((id) => {
      const inner = source.parts.find((p) => p.id === id)
      return inner ? grainsIn(inner, source).map(({ grain }) => ({ grain, own: false })) : []
    })
  return own
}

/** Whether stripes look the same in a mirror: it stands along them or square to them, and between two or on one where it counts. */
function keepsGrain({ normal, distance }: SymmetryPlane, { turn, width }: Grain): boolean {
  const along = normal[0] * Math.cos(turn) + normal[1] * Math.sin(turn)
  if (Math.abs(along) > 1 - 1e-9) return true
  const phase = (2 * distance) / width
  return Math.abs(along) < 1e-9 && Math.abs(phase - Math.round(phase)) < 1e-4
}

function isPatterned(part: Part, source: PartSource): boolean {
  if (part.look.grain || part.look.picture) return true
  if (part.shape.kind === 'assembly')
    return partsInside(part).some((id) => {
      const inner = source.parts.find((p) => p.id === id)
      return !!inner && isPatterned(inner, source)
    })
  return partMesh(part, source)?.sections.some((s) => s.picture !== undefined) ?? false
}
