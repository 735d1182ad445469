import { type PartSource, partMesh } from '@hilera/core/parts/partMesh'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Part } from '@hilera/core/model/part'
import type { Vec3 } from '@hilera/core/values/values'
import { type SilhouetteFace, silhouetteOf } from '@hilera/core/spacing/silhouette'

export interface PartPicture {
  readonly faces: readonly SilhouetteFace[]
  readonly low: readonly [number, number]
  readonly high: readonly [number, number]
}

/** Kept by the part's triangles, which stay the same object while nothing that the part rests on changes. */
const known = new WeakMap<Mesh, Map<string, PartPicture>>()

/** A part seen square to two directions, kept for as long as its triangles stay as they are. */
export function pictureOf(
  part: Part,
  source: PartSource,
  along: Vec3 = [1, 0, 0],
  above: Vec3 = [0, 1, 0],
): PartPicture | undefined {
  const key = [...along, ...above].join(' ')
  const mesh = partMesh(part, source)
  if (!mesh) return undefined
  const kept = known.get(mesh)?.get(key)
  if (kept) return kept
  const faces = silhouetteOf(mesh, along, above)
  const low: [number, number] = [Infinity, Infinity]
  const high: [number, number] = [-Infinity, -Infinity]
  for (const { points } of faces) {
    for (const point of points) {
      for (const i of [0, 1] as const) {
        low[i] = Math.min(low[i], point[i])
        high[i] = Math.max(high[i], point[i])
      }
    }
  }
  const picture = { faces, low, high }
  known.set(mesh, (known.get(mesh) ?? new Map()).set(key, picture))
  return picture
}

/** A face as an SVG path, the picture's y axis upwards. */
export const facePath = (face: SilhouetteFace, scale: number, x: number, y: number): string =>
  face.points
    .map(([a, b], i) => `${i === 0 ? 'M' : 'L'}${(x + a * scale).toFixed(2)} ${(y - b * scale).toFixed(2)}`)
    .join('') + 'Z'
