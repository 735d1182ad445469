import type { Mesh } from '../geometry/mesh'
import { type MeshShape, type Part, meshKey } from '../model/part'
import { extentOf } from '../parts/pieces'

/** What becomes of the parts that were cut from one mesh when another takes its place. */
export interface ReadAgain {
  /** The new shapes, by the ids of their parts. */
  readonly shapes: ReadonlyMap<string, MeshShape>
  /** Parts whose piece the new mesh does not have: they stay what they were. */
  readonly left: readonly Part[]
}

/**
 * Puts another mesh in the place of that of a part, and where it is a piece, of all pieces that were cut from the same mesh: they stay
 * pieces of one file.
 *
 * @param asked whose mesh is replaced
 * @param now what of the shape is another: the file, its name, the number of the mesh in it
 */
export function readAgain(
  parts: readonly Part[],
  asked: Part & { readonly shape: MeshShape },
  now: Pick<MeshShape, 'file' | 'fileName' | 'mesh'>,
  mesh: Mesh,
): ReadAgain {
  const shapes = new Map<string, MeshShape>()
  const left: Part[] = []
  const key = meshKey(asked.shape)
  for (const part of parts) {
    const { id, shape } = part
    if (shape.kind !== 'mesh') continue
    if (id !== asked.id && !(asked.shape.cuts && shape.cuts && meshKey(shape) === key)) continue
    const extent = extentOf(mesh, shape.cuts)
    if (extent.triangles === 0) left.push(part)
    else shapes.set(id, { ...shape, ...now, ...extent })
  }
  return { shapes, left }
}
