import type { Mesh } from '../geometry/mesh'
import type { Part } from '../model/part'
import { grained } from './grained'
import { type Guise, grainOf, guiseMesh } from './guise'
import type { PartSource } from './partMesh'

/** The triangles of a guise as they are written: its grain as a picture of stripes. */
export function writtenMesh(part: Part, source: PartSource, guise: Guise): Mesh | undefined {
  const mesh = guiseMesh(part, source, guise)
  const grain = grainOf(part, guise)
  return mesh && grain ? grained(mesh, grain) : mesh
}

/** A part's name, and that it is its mirror image. */
export const nameOfGuise = ({ name }: Part, { twin }: Guise): string => (twin ? `${name} twin` : name)
