import { type BoxTree, boxTreeOf, visitAlong } from '@hilera/core/geometry/boxTree'
import * as THREE from 'three'
import { boxOfPlaced, ownBox } from './boxes'
import { type Chunk, type DrawnBatch, isDrawn } from './drawnBatch'
import { matrixOf } from './placed'

export interface Met {
  readonly row: number
  readonly distance: number
  /** Which way the face that was met looks, in the world. */
  readonly normal: THREE.Vector3
  /** Which one of its part was met. */
  readonly triangle: number
  readonly batch: DrawnBatch
  /** From the part's own axes to the world. */
  readonly matrix: THREE.Matrix4
}

const [matrix, back, own, local] = [new THREE.Matrix4(), new THREE.Matrix4(), new THREE.Ray(), new THREE.Ray()]
const hit = new THREE.Vector3()

/**
 * The nearest copy of some batches of a pattern that a ray in the world meets. A tree over the copies of a chunk is made when a ray first
 * comes near them: of a crowd a few are. Their boxes find candidates, triangles decide.
 *
 * @param world where the pattern stands
 * @param share only so many of the copies are drawn
 * @param except rows that are passed through
 * @param far only what is nearer is looked for
 */
export function metBy(
  ray: THREE.Ray,
  batches: readonly DrawnBatch[],
  world: THREE.Matrix4,
  share: number,
  except: (row: number) => boolean,
  far: number,
): Met | undefined {
  own.copy(ray).applyMatrix4(back.copy(world).invert())
  const near = batches.flatMap((batch) =>
    batch.chunks.flatMap((chunk) => {
      const distance = distanceTo(chunk.sphere)
      return distance < far ? [{ batch, chunk, distance }] : []
    }),
  )
  let best: Met | undefined
  for (const { batch, chunk, distance } of near.sort((a, b) => a.distance - b.distance)) {
    if (distance >= (best?.distance ?? far)) break
    best = metIn(ray, batch, chunk, world, share, except, best?.distance ?? far) ?? best
  }
  return best
}

/** How far along the ray a sphere begins; Infinity where the ray passes it. */
function distanceTo(sphere: THREE.Sphere): number {
  if (sphere.containsPoint(own.origin)) return 0
  return own.intersectSphere(sphere, hit)?.distanceTo(own.origin) ?? Infinity
}

function metIn(
  ray: THREE.Ray,
  of: DrawnBatch,
  chunk: Chunk,
  world: THREE.Matrix4,
  share: number,
  except: (row: number) => boolean,
  far: number,
): Met | undefined {
  let best: Met | undefined
  const { rows, placed } = of.batch
  chunk.tree ??= treeOf(of, chunk)
  visitAlong(
    chunk.tree,
    own.origin.toArray(),
    own.direction.toArray(),
    (item) => {
      const k = chunk.first + item
      if (!isDrawn(k, rows.length, share) || except(rows[k])) return Infinity
      matrixOf(placed, k, matrix).premultiply(world)
      local.copy(ray).applyMatrix4(back.copy(matrix).invert())
      const met = of.part.drawing.bvh.raycastFirst(local, THREE.FrontSide)
      if (!met) return Infinity
      const distance = met.point.applyMatrix4(matrix).distanceTo(ray.origin)
      if (distance >= (best?.distance ?? far)) return Infinity
      const normal = met.face!.normal.clone().applyNormalMatrix(new THREE.Matrix3().getNormalMatrix(matrix)).normalize()
      best = { row: rows[k], distance, normal, triangle: met.faceIndex!, batch: of, matrix: matrix.clone() }
      return distance
    },
    far,
  )
  return best
}

function treeOf({ batch, part }: DrawnBatch, { first, count }: Chunk): BoxTree {
  const boxes = new Float64Array(6 * count)
  const box = ownBox(part.drawing.surface)
  for (let i = 0; i < count; i++) boxOfPlaced(box, batch.placed, first + i, boxes, 6 * i)
  return boxTreeOf(boxes)
}
