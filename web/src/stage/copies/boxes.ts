import type * as THREE from 'three'
import { PLACED } from '../../worker/batches'

/**
 * Writes the box along the axes about a box that was placed: six numbers, lowest and highest corner. Its middle is placed as a point;
 * its half sizes are added up by the turn without signs.
 */
export function boxOfPlaced(box: THREE.Box3, placed: Float32Array, copy: number, out: Float64Array, to: number): void {
  const { min, max } = box
  const at = PLACED * copy
  const [x, y, z, w] = [placed[at + 3], placed[at + 4], placed[at + 5], placed[at + 6]]
  const [sx, sy, sz] = [placed[at + 7], placed[at + 8], placed[at + 9]]
  const [mx, my, mz] = [(sx * (min.x + max.x)) / 2, (sy * (min.y + max.y)) / 2, (sz * (min.z + max.z)) / 2]
  const [hx, hy, hz] = [(sx * (max.x - min.x)) / 2, (sy * (max.y - min.y)) / 2, (sz * (max.z - min.z)) / 2]
  const [xx, yy, zz] = [1 - 2 * (y * y + z * z), 1 - 2 * (x * x + z * z), 1 - 2 * (x * x + y * y)]
  const [xy, yx] = [2 * (x * y - w * z), 2 * (x * y + w * z)]
  const [xz, zx] = [2 * (x * z + w * y), 2 * (x * z - w * y)]
  const [yz, zy] = [2 * (y * z - w * x), 2 * (y * z + w * x)]
  put(out, to, placed[at] + xx * mx + xy * my + xz * mz, Math.abs(xx) * hx + Math.abs(xy) * hy + Math.abs(xz) * hz)
  put(
    out,
    to + 1,
    placed[at + 1] + yx * mx + yy * my + yz * mz,
    Math.abs(yx) * hx + Math.abs(yy) * hy + Math.abs(yz) * hz,
  )
  put(
    out,
    to + 2,
    placed[at + 2] + zx * mx + zy * my + zz * mz,
    Math.abs(zx) * hx + Math.abs(zy) * hy + Math.abs(zz) * hz,
  )
}

function put(out: Float64Array, to: number, middle: number, half: number): void {
  out[to] = middle - half
  out[to + 3] = middle + half
}

/** The eight corners of a box as it is placed by a matrix: 24 numbers. */
export function cornersOf({ min, max }: THREE.Box3, { elements: m }: THREE.Matrix4, out: Float64Array): void {
  for (let c = 0; c < 8; c++) {
    const [x, y, z] = [c & 1 ? max.x : min.x, c & 2 ? max.y : min.y, c & 4 ? max.z : min.z]
    for (let row = 0; row < 3; row++) out[3 * c + row] = m[row] * x + m[row + 4] * y + m[row + 8] * z + m[row + 12]
  }
}

/** The box of a shape, worked out once. */
export function ownBox(surface: THREE.BufferGeometry): THREE.Box3 {
  if (!surface.boundingBox) surface.computeBoundingBox()
  return surface.boundingBox!
}
