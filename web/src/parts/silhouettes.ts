import { type PartSource, partMesh } from '@hilera/core/parts/partMesh'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { inverse, rotate } from '@hilera/core/geometry/rotation'
import type { InstanceTable } from '@hilera/core/instances'
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

/** Directions that differ by less than this are seen as one. */
const ALIKE = 1e6
/** So many views of a part are kept. */
const MOST_VIEWS = 500

/**
 * The faces of a copy seen square to two directions of its pattern's axes, about its pivot: in its own hand, turned and sized as it
 * is. Seen so, a sized and turned mesh is the mesh itself seen along directions that are turned back and sized.
 */
export function pictureOfCopy(
  part: Part,
  source: PartSource,
  table: InstanceTable,
  row: number,
  { along, above }: { readonly along: Readonly<Vec3>; readonly above: Readonly<Vec3> },
): readonly SilhouetteFace[] | undefined {
  const back = inverse(table.turnOf(row))
  const size = table.sizeOf(row)
  const seen = (direction: Readonly<Vec3>): Vec3 => {
    const [x, y, z] = rotate(back, direction)
    return [table.isTwin(row) ? -x : x, y, z].map((n, i) => Math.round(n * size[i] * ALIKE) / ALIKE) as Vec3
  }
  const mesh = partMesh(part, source)
  const views = mesh && known.get(mesh)
  if (views && views.size > MOST_VIEWS) views.clear()
  return pictureOf(part, source, seen(along), seen(above))?.faces
}

/** A face as an SVG path, the picture's y axis upwards. */
export const facePath = (face: SilhouetteFace, scale: number, x: number, y: number): string =>
  face.points
    .map(([a, b], i) => `${i === 0 ? 'M' : 'L'}${(x + a * scale).toFixed(2)} ${(y - b * scale).toFixed(2)}`)
    .join('') + 'Z'
