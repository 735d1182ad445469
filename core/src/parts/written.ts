import type { SurfaceFrame } from '../mirror/frames'
import type { Part } from '../model/part'
import type { Mesh } from '../geometry/mesh'
import { grained } from './grained'
import { type Guise, grainOf, guiseMesh } from './guise'
import type { PartSource } from './partMesh'

/** The triangles of a guise as they are written: its grain as a picture of stripes. */
export function writtenMesh(
  part: Part,
  source: PartSource,
  guise: Guise,
  frames: readonly SurfaceFrame[],
): Mesh | undefined {
  const mesh = guiseMesh(part, source, guise, frames)
  const grain = grainOf(part, guise, frames)
  return mesh && grain ? grained(mesh, grain) : mesh
}

/** A part's name, and that it is its mirror image. */
export const nameOfGuise = ({ name }: Part, { twin }: Guise): string => (twin ? `${name} twin` : name)
