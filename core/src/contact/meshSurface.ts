import { Box3, Matrix4, Ray, Vector3, DoubleSide } from 'three'
import { surfaceTreeOf } from './surfaceTree'
import { type BoxTree, boxTreeOf, visitAlong, visitInside } from '../geometry/boxTree'
import type { Mesh } from '../geometry/mesh'
import type { Level, Surface } from '../grounds/surface'

/** Triangles that stand somewhere: a mesh and a matrix in columns, as glTF writes them. */
export interface PlacedMesh {
  readonly mesh: Mesh
  readonly matrix: ArrayLike<number>
}

/** Straight down, from so far above the highest place. */
const ABOVE = 1
const DOWN = [0, -1, 0] as const

/**
 * The surface of meshes as they stand. Which triangle lies topmost is found by the boxes about the meshes and the tree over the
 * triangles of each; its height is then worked out in doubles from its corners, which the tree keeps in singles.
 */
export function meshSurface(placed: readonly PlacedMesh[], drawn: () => Mesh): Surface {
  const standing = placed.map(({ mesh, matrix }) => {
    const to = new Matrix4().fromArray(Array.from(matrix))
    const isPlain = to.equals(new Matrix4())
    return { mesh, to, isPlain, back: to.clone().invert(), ...surfaceTreeOf(mesh) }
  })
  const boxes = new Float64Array(6 * placed.length)
  const box = new Box3()
  for (const [i, { mesh, to, geometry }] of standing.entries()) {
    if (!geometry.boundingBox) geometry.computeBoundingBox()
    if (mesh.indices.length === 0) boxes.set([Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity], 6 * i)
    else {
      box.copy(geometry.boundingBox!).applyMatrix4(to)
      boxes.set([...box.min.toArray(), ...box.max.toArray()], 6 * i)
    }
  }
  const tree = boxTreeOf(boxes)
  const top = highest(boxes)
  const [ray, corner] = [new Ray(), new Vector3()]
  const origin = [0, top + ABOVE, 0]
  const corners = new Float64Array(9)
  /** Writes a triangle's corners as they stand, in doubles. */
  const write = (i: number, face: number): void => {
    const { mesh, geometry, to, isPlain } = standing[i]
    const order = geometry.index!.array
    for (let k = 0; k < 3; k++) {
      corner.fromArray(mesh.positions, 3 * order[3 * face + k])
      if (!isPlain) corner.applyMatrix4(to)
      corners[3 * k] = corner.x
      corners[3 * k + 1] = corner.y
      corners[3 * k + 2] = corner.z
    }
  }
  const under = new Float64Array(4)
  /** Height and normal of one mesh under a place. */
  const heightBelow = (i: number, x: number, z: number, out: Float64Array): boolean => {
    ray.origin.set(x, top + ABOVE, z)
    ray.direction.set(0, -1, 0)
    if (!standing[i].isPlain) ray.applyMatrix4(standing[i].back)
    const hit = standing[i].tree.raycastFirst(ray, DoubleSide)
    if (!hit) return false
    write(i, hit.faceIndex!)
    out[0] = heightOn(corners, x, z)
    normalOf(corners, out)
    return true
  }
  return {
    bend: 0,
    extent: levelOf(tree),
    at(x, z, out) {
      // One mesh, as most grounds are, needs no looking which is nearer.
      if (standing.length === 1) return heightBelow(0, x, z, out)
      let found = false
      origin[0] = x
      origin[2] = z
      visitAlong(tree, origin, DOWN, (i) => {
        if (!heightBelow(i, x, z, under)) return Infinity
        if (found && under[0] <= out[0]) return Infinity
        found = true
        out.set(under)
        return top + ABOVE - under[0]
      })
      return found
    },
    triangles(over, visit) {
      const within = [over.lowX, -Infinity, over.lowZ, over.highX, Infinity, over.highZ]
      visitInside(tree, within, (i) => {
        box.min.set(over.lowX, boxes[6 * i + 1], over.lowZ)
        box.max.set(over.highX, boxes[6 * i + 4], over.highZ)
        const { back } = standing[i]
        const own = box.clone().applyMatrix4(back)
        standing[i].tree.shapecast({
          intersectsBounds: (bounds) => bounds.intersectsBox(own),
          intersectsTriangle: (_, face) => {
            write(i, face)
            visit(corners)
            return false
          },
        })
      })
    },
    mesh: drawn,
  }
}

function highest(boxes: Float64Array): number {
  let top = 0
  for (let i = 4; i < boxes.length; i += 6) if (boxes[i] > top) top = boxes[i]
  return top
}

const levelOf = ({ bounds: b }: BoxTree): Level =>
  b.length > 0
    ? { lowX: b[0], highX: b[3], lowZ: b[2], highZ: b[5] }
    : { lowX: Infinity, highX: -Infinity, lowZ: Infinity, highZ: -Infinity }

/** The height of the plane of a triangle over a place. */
function heightOn(c: Float64Array, x: number, z: number): number {
  const [ux, uy, uz] = [c[3] - c[0], c[4] - c[1], c[5] - c[2]]
  const [wx, wy, wz] = [c[6] - c[0], c[7] - c[1], c[8] - c[2]]
  const area = ux * wz - uz * wx
  // A triangle on edge is met along its edge alone: its highest corner is there or near it.
  if (area === 0) return Math.max(c[1], c[4], c[7])
  const [dx, dz] = [x - c[0], z - c[2]]
  return c[1] + ((dx * wz - dz * wx) * uy + (ux * dz - uz * dx) * wy) / area
}

/** Its unit normal, turned to look upward, after the height. */
function normalOf(c: Float64Array, out: Float64Array): void {
  const [ux, uy, uz] = [c[3] - c[0], c[4] - c[1], c[5] - c[2]]
  const [wx, wy, wz] = [c[6] - c[0], c[7] - c[1], c[8] - c[2]]
  const [nx, ny, nz] = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
  const length = (Math.sqrt(nx * nx + ny * ny + nz * nz) || 1) * (ny < 0 ? -1 : 1)
  out[1] = nx / length
  out[2] = ny / length
  out[3] = nz / length
}
