import { type Mesh, sameColor } from '../geometry/mesh'

/** By how much normals may lean from each other, as the cosine of 2°: files round them, some to a byte. */
export const LEAN = Math.cos((2 * Math.PI) / 180)
/** By how much places in a picture may differ, as a share of it. */
const SHIFT = 2e-4
/** Why two clouds whose points match are not one shape. */
export type SurfaceFault = 'triangles' | 'shading' | 'picture' | 'look'

/** Two meshes whose vertices are compared, and the turn that brings theirs, perhaps mirrored across first, to ours. */
export interface Corners {
  readonly ours: Mesh
  readonly theirs: Mesh
  readonly m: Float64Array
  readonly mirrored: boolean
}

/** By what a vertex of theirs is not the one of ours at its place. */
export function faultOf(
  { ours, theirs, m, mirrored }: Corners,
  v: number,
  w: number,
  pictured: boolean,
): SurfaceFault | undefined {
  const { normals: a } = ours
  const { normals: b } = theirs
  const x = mirrored ? -b[3 * w] : b[3 * w]
  const y = b[3 * w + 1]
  const z = b[3 * w + 2]
  const along =
    (m[0] * x + m[1] * y + m[2] * z) * a[3 * v] +
    (m[3] * x + m[4] * y + m[5] * z) * a[3 * v + 1] +
    (m[6] * x + m[7] * y + m[8] * z) * a[3 * v + 2]
  if (!(along > LEAN)) return 'shading'
  if (pictured && !samePlace(ours.uvs, v, theirs.uvs, w)) return 'picture'
  if ((ours.colors || theirs.colors) && !sameColor(ours.colors, v, theirs.colors, w)) return 'look'
  return undefined
}

export const samePlace = (a: Float32Array | undefined, v: number, b: Float32Array | undefined, w: number): boolean =>
  !!a && !!b && Math.abs(a[2 * v] - b[2 * w]) < SHIFT && Math.abs(a[2 * v + 1] - b[2 * w + 1]) < SHIFT
