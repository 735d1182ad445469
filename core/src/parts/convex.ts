import { type Convex, convexOfMesh, convexOfSolid, movedConvex } from '../clearing/convex'
import type { Part } from '../model/part'
import { type PartSource, partMesh } from './partMesh'
import { plainSolidOf } from './plainSolid'

/** The convex outline of a part; undefined for what takes up no room: lights, and meshes that have not been read. */
export function convexOf(part: Part, source: PartSource): Convex | undefined {
  if (part.shape.kind === 'light') return undefined
  const { frame } = part
  // A pivot elsewhere only moves a solid; other sides on top turn it, and then its mesh is taken.
  const stands = !frame || (frame.up === 'top' && frame.front === 'front')
  const solid = stands ? plainSolidOf(part) : undefined
  const own = solid && convexOfSolid(solid)
  if (own) return frame ? movedConvex(own, frame.pivot) : own
  const mesh = partMesh(part, source)
  return mesh && mesh.positions.length > 0 ? convexOfMesh(mesh) : undefined
}
