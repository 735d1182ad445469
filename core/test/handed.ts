import { Flag, type InstanceTable } from '../src/instances'
import type { Part } from '../src/model/part'
import { guiseMesh, guiseNumber, guiseOf } from '../src/parts/guise'
import type { PartSource } from '../src/parts/partMesh'
import { rotate } from '../src/geometry/rotation'
import type { SurfaceFrame } from '../src/mirror/frames'
import { type Mesh, volumeOf } from '../src/geometry/mesh'

const drawn = (id: string, points: [number, number, number][]): Part => ({
  id,
  name: id,
  shape: { kind: 'extrusion', depth: 0.04, curve: { kind: 'points', closed: true, smooth: false, points } },
  look: { color: '#6b6f5f', roughness: 0.6, metal: 0 },
})

/** A bent arm with a nose, tapered upwards: it has a hand in every plane. */
export const arm = (id = 'arm'): Part => ({
  ...drawn(id, [
    [0, 0, 0],
    [0.2, 0, 0],
    [0.2, 0.04, 0],
    [0.05, 0.06, 0],
    [0.03, 0.3, 0],
    [0, 0.3, 0],
  ]),
  form: { taper: 0.7, bend: 0.4, segments: 6 },
  frame: { pivot: [0.02, 0.01, 0.03], up: 'top', front: 'front' },
})

/** An L with unequal legs: symmetric in its own flat plane only, which misses its pivot. */
export const flatL = (id = 'flat'): Part => ({
  ...drawn(id, [
    [0, 0, 0],
    [0.2, 0, 0],
    [0.2, 0.03, 0],
    [0.03, 0.03, 0],
    [0.03, 0.3, 0],
    [0, 0.3, 0],
  ]),
  frame: { pivot: [0, 0, 0.1], up: 'top', front: 'front' },
})

/** The triangles of one copy where it stands in its pattern. */
export function standing(
  table: InstanceTable,
  k: number,
  source: PartSource,
  frames: readonly SurfaceFrame[] = [],
): Mesh {
  const guise = guiseOf(guiseNumber(table, k), frames)
  const mesh = guiseMesh(source.parts[guise.part], source, guise)!
  const [s, at] = [table.scale, table.position]
  const positions = new Float64Array(mesh.positions.length)
  for (let i = 0; i < positions.length; i += 3) {
    const sized = [0, 1, 2].map((c) => mesh.positions[i + c] * s[3 * k + c]) as [number, number, number]
    const turned = rotate(table.turnOf(k), sized)
    for (let c = 0; c < 3; c++) positions[i + c] = turned[c] + at[3 * k + c]
  }
  return { ...mesh, positions: positions as unknown as Float32Array }
}

/** A pattern's volume, copy by copy: above 0 while faces look outward. */
export const volumesOf = (table: InstanceTable, source: PartSource): number[] =>
  Array.from({ length: table.count }, (_, k) => volumeOf(standing(table, k, source)))

/** The largest distance of a point from the nearest of others. */
export function farthest(points: ArrayLike<number>, from: ArrayLike<number>): number {
  let worst = 0
  for (let i = 0; i < points.length; i += 3) {
    let least = Infinity
    for (let j = 0; j < from.length; j += 3)
      least = Math.min(least, Math.hypot(points[i] - from[j], points[i + 1] - from[j + 1], points[i + 2] - from[j + 2]))
    worst = Math.max(worst, least)
  }
  return worst
}

export const twinsIn = (table: InstanceTable): number =>
  Array.from({ length: table.count }, (_, k) => table.flags[k] & Flag.twin).filter(Boolean).length
