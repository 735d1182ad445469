import { BufferAttribute, BufferGeometry, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'

/** A mesh's triangles sorted into boxes, for questions of distance and contact. */
export interface SurfaceTree {
  /** Its index is in the order of the tree. */
  readonly geometry: BufferGeometry
  readonly tree: MeshBVH
}

const trees = new WeakMap<Mesh, SurfaceTree>()

/** The triangles of a mesh, sorted once. */
export function surfaceTreeOf(mesh: Mesh): SurfaceTree {
  const known = trees.get(mesh)
  if (known) return known
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(mesh.positions, 3))
  // The tree puts triangles in an order of its own; the mesh keeps its own.
  geometry.setIndex(new BufferAttribute(mesh.indices.slice(), 1))
  const made = { geometry, tree: new MeshBVH(geometry) }
  // Where both of two have a tree, contact between them is looked for in both.
  ;(geometry as BufferGeometry & { boundsTree?: MeshBVH }).boundsTree = made.tree
  trees.set(mesh, made)
  return made
}

/** A point of a surface, the corners of its triangle and the shares in which they make it up. */
export interface SurfacePoint {
  readonly at: Vec3
  readonly corners: readonly [number, number, number]
  readonly shares: readonly [number, number, number]
}

const asked = new Vector3()
const found = { point: new Vector3(), distance: 0, faceIndex: 0 }

/** The point of a mesh's surface that is nearest to a place in its axes. */
export function nearestOnSurface(mesh: Mesh, place: Readonly<Vec3>): SurfacePoint | undefined {
  const { tree, geometry } = surfaceTreeOf(mesh)
  if (!tree.closestPointToPoint(asked.set(...place), found)) return undefined
  const at: Vec3 = [found.point.x, found.point.y, found.point.z]
  const corner = (i: number): number => geometry.index!.getX(3 * found.faceIndex + i)
  const corners = [corner(0), corner(1), corner(2)] as const
  const [a, b, c] = corners.map((v) => new Vector3().fromArray(mesh.positions, 3 * v))
  // The share of a corner is the area across from it.
  const area = (u: Vector3, v: Vector3): number => u.clone().sub(found.point).cross(v.clone().sub(found.point)).length()
  const areas = [area(b, c), area(c, a), area(a, b)]
  const whole = areas[0] + areas[1] + areas[2] || 1
  return { at, corners, shares: [areas[0] / whole, areas[1] / whole, areas[2] / whole] }
}
