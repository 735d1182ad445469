import { DoubleSide, Matrix4, Ray, Vector3 } from 'three'
import type { Bodies } from '../clearing/bodies'
import { type Gaps, gapOf } from '../clearing/gap'
import type { Mesh } from '../geometry/mesh'
import { type SurfaceTree, surfaceTreeOf } from './surfaceTree'

/** So many places on the way out of an overlap are looked at before the nearest free one is refined. */
const STEPS = 8
const HALVINGS = 18

/**
 * Gaps between bodies by their triangles: the distance of their surfaces, below 0 by how far one has to move, the way that frees
 * their outlines, until the surfaces are free. Bodies without triangles are taken by their outlines.
 *
 * @param meshOf the triangles of a body, about its pivot
 * @param far where outlines are farther apart than this, their gap is good enough
 */
export function meshGaps(bodies: Bodies, meshOf: (k: number) => Mesh | undefined, far: number): Gaps {
  const standing = (k: number, factor: number): Standing | undefined => {
    const mesh = meshOf(k)
    return mesh && mesh.indices.length > 0 ? stand(bodies, k, mesh, factor) : undefined
  }
  return {
    areClear: (i, j, clearance, factor = 1) => {
      const { gap } = gapOf(bodies, i, j, factor)
      if (gap >= clearance) return true
      const [a, b] = [standing(i, factor), standing(j, factor)]
      if (!a || !b || touch(a, b)) return false
      return clearance <= 0 || distance(a, b, clearance, clearance) >= clearance
    },
    between: (i, j, factor = 1) => {
      const { gap, x, y, z } = gapOf(bodies, i, j, factor)
      if (gap > far) return gap
      const [a, b] = [standing(i, factor), standing(j, factor)]
      if (!a || !b) return gap
      if (gap > 0 || !touch(a, b)) return distance(a, b, 0, far)
      return -depth(a, b, new Vector3(x, y, z), -gap)
    },
  }
}

/** How far the second has to move along a way until it is free, at the most where outlines are free. */
function depth(a: Standing, b: Standing, way: Vector3, most: number): number {
  const start = b.matrix.clone()
  const isFree = (t: number): boolean => {
    b.matrix.copy(start).premultiply(shift.makeTranslation(t * way.x, t * way.y, t * way.z))
    return !touch(a, b)
  }
  let [low, high] = [0, most]
  for (let n = 1; n < STEPS && high === most; n++) {
    const t = (most * n) / STEPS
    if (isFree(t)) high = t
    else low = t
  }
  for (let n = 0; n < HALVINGS; n++) {
    const middle = (low + high) / 2
    if (isFree(middle)) high = middle
    else low = middle
  }
  return high
}

const shift = new Matrix4()

/** A body's triangles, evenly sized from how they are kept, and how they stand. */
interface Standing extends SurfaceTree {
  readonly matrix: Matrix4
  readonly size: number
}

const sized = new WeakMap<Mesh, Map<string, Mesh>>()

function stand({ position: p, turn: m, size: s }: Bodies, k: number, mesh: Mesh, factor: number): Standing {
  const [sx, sy, sz] = [factor * s[3 * k], factor * s[3 * k + 1], factor * s[3 * k + 2]]
  const even = Math.abs(sx) === sy && sy === sz
  const [ax, ay, az] = even ? [sx, sy, sz] : [1, 1, 1]
  const i = 9 * k
  const matrix = new Matrix4().set(
    m[i] * ax,
    m[i + 1] * ay,
    m[i + 2] * az,
    p[3 * k],
    m[i + 3] * ax,
    m[i + 4] * ay,
    m[i + 5] * az,
    p[3 * k + 1],
    m[i + 6] * ax,
    m[i + 7] * ay,
    m[i + 8] * az,
    p[3 * k + 2],
    0,
    0,
    0,
    1,
  )
  return { ...surfaceTreeOf(even ? mesh : sizedMesh(mesh, sx, sy, sz)), matrix, size: even ? sy : 1 }
}

/** Distances are only true where all axes are sized alike, so other sizes are worked into the triangles. */
function sizedMesh(mesh: Mesh, x: number, y: number, z: number): Mesh {
  const bySize = sized.get(mesh) ?? new Map<string, Mesh>()
  sized.set(mesh, bySize)
  const key = `${x} ${y} ${z}`
  const known = bySize.get(key)
  if (known) return known
  const made = { ...mesh, positions: mesh.positions.map((n, i) => n * [x, y, z][i % 3]) }
  // Shrinking tries many sizes: only the last few are asked for again.
  if (bySize.size > 64) bySize.clear()
  bySize.set(key, made)
  return made
}

const between = (a: Standing, b: Standing): Matrix4 => a.matrix.clone().invert().multiply(b.matrix)

/** The distance of two surfaces; any that is less where it is less than `least`, and Infinity where it is more than `most`. */
function distance(a: Standing, b: Standing, least: number, most: number): number {
  const found = a.tree.closestPointToGeometry(
    b.geometry,
    between(a, b),
    undefined,
    undefined,
    least / a.size,
    most / a.size,
  )
  return (found?.distance ?? Infinity) * a.size
}

/** Whether surfaces cross, or one body lies wholly in the other. */
function touch(a: Standing, b: Standing): boolean {
  return a.tree.intersectsGeometry(b.geometry, between(a, b)) || holds(a, b) || holds(b, a)
}

const ray = new Ray(new Vector3(), new Vector3(0.5377, 0.6419, 0.5467).normalize())

/** Whether a corner of the second lies inside the first: a ray from there leaves it an odd number of times. */
function holds(a: Standing, b: Standing): boolean {
  ray.origin
    .fromBufferAttribute(b.geometry.getAttribute('position'), b.geometry.index!.getX(0))
    .applyMatrix4(between(a, b))
  if (!a.geometry.boundingBox) a.geometry.computeBoundingBox()
  if (!a.geometry.boundingBox!.containsPoint(ray.origin)) return false
  return a.tree.raycast(ray, DoubleSide).length % 2 === 1
}
