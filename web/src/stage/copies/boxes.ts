import type * as THREE from 'three'
import { PLACED } from '../../worker/batches'

/**
 * Writes the box along the axes about a box that was placed: six numbers, lowest and highest corner. Its middle is placed as a point;
 * its half sizes are added up by the turn without signs. One that is not turned, as most are, needs none of it. Written out, since it
 * runs for each copy of a crowd before the page has been running for long: lists taken apart cost three times as much then.
 */
export function boxOfPlaced(box: THREE.Box3, placed: Float32Array, copy: number, out: Float64Array, to: number): void {
  const { min, max } = box
  const at = PLACED * copy
  const w = placed[at + 6]
  const sx = placed[at + 7]
  const sy = placed[at + 8]
  const sz = placed[at + 9]
  const mx = (sx * (min.x + max.x)) / 2
  const my = (sy * (min.y + max.y)) / 2
  const mz = (sz * (min.z + max.z)) / 2
  const hx = (sx * (max.x - min.x)) / 2
  const hy = (sy * (max.y - min.y)) / 2
  const hz = (sz * (max.z - min.z)) / 2
  if (w === 1) {
    put(out, to, placed[at] + mx, hx)
    put(out, to + 1, placed[at + 1] + my, hy)
    put(out, to + 2, placed[at + 2] + mz, hz)
    return
  }
  const x = placed[at + 3]
  const y = placed[at + 4]
  const z = placed[at + 5]
  const xx = 1 - 2 * (y * y + z * z)
  const yy = 1 - 2 * (x * x + z * z)
  const zz = 1 - 2 * (x * x + y * y)
  const xy = 2 * (x * y - w * z)
  const yx = 2 * (x * y + w * z)
  const xz = 2 * (x * z + w * y)
  const zx = 2 * (x * z - w * y)
  const yz = 2 * (y * z - w * x)
  const zy = 2 * (y * z + w * x)
  const { abs } = Math
  put(out, to, placed[at] + xx * mx + xy * my + xz * mz, abs(xx) * hx + abs(xy) * hy + abs(xz) * hz)
  put(out, to + 1, placed[at + 1] + yx * mx + yy * my + yz * mz, abs(yx) * hx + abs(yy) * hy + abs(yz) * hz)
  put(out, to + 2, placed[at + 2] + zx * mx + zy * my + zz * mz, abs(zx) * hx + abs(zy) * hy + abs(zz) * hz)
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
