import { PlaceIndex } from '../geometry/placeIndex'
import type { Randomness } from '../random'

/** Triangles over which points are spread: three corners each, nine numbers, in metres. */
export interface Sheet {
  readonly corners: Float64Array
  /** Areas added up, triangle by triangle. */
  readonly areas: Float64Array
  readonly area: number
}

/** Points as triples, the triangle of each, and the dart that made it: its identity, whatever the count. */
export interface MeshScatter {
  readonly points: Float64Array
  readonly triangles: Uint32Array
  readonly darts: Uint32Array
  readonly count: number
  /** True when no more could be placed. */
  readonly full: boolean
}

/** After so many darts in a row that found no room, and so many for each point that is there, none is looked for any more. */
const [MISSES, MISSES_EACH] = [2000, 1]

/** The triangles that lean no more than an angle, with their areas. */
export function sheetOf(all: Float64Array, steepest: number): Sheet {
  const least = Math.cos(steepest)
  const corners = new Float64Array(all.length)
  const areas = new Float64Array(all.length / 9)
  let [used, area] = [0, 0]
  for (let t = 0; t < all.length; t += 9) {
    const [ux, uy, uz] = [all[t + 3] - all[t], all[t + 4] - all[t + 1], all[t + 5] - all[t + 2]]
    const [wx, wy, wz] = [all[t + 6] - all[t], all[t + 7] - all[t + 1], all[t + 8] - all[t + 2]]
    const [nx, ny, nz] = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
    const twice = Math.sqrt(nx * nx + ny * ny + nz * nz)
    // A little more than the angle, so that what leans exactly so is in.
    if (!(twice > 0) || Math.abs(ny) / twice < least - 1e-9) continue
    corners.set(all.subarray(t, t + 9), 9 * used)
    area += twice / 2
    areas[used++] = area
  }
  return { corners: corners.subarray(0, 9 * used), areas: areas.subarray(0, used), area }
}

/**
 * Points spread over triangles by their area (Osada, Funkhouser, Chazelle & Dobkin 2002, section 4.1): a triangle by its share of the
 * whole, a place in it by two numbers that make all places alike likely. With a least distance a dart that lands nearer to another point
 * than that, straight through space, is passed over. A higher count only goes on where a lower one stopped.
 *
 * @param least metres; 0 for none
 */
export function onMesh(
  { corners: c, areas, area }: Sheet,
  count: number,
  least: number,
  random: Randomness,
): MeshScatter {
  const points = new Float64Array(3 * count)
  const triangles = new Uint32Array(count)
  const darts = new Uint32Array(count)
  const near = least > 0 ? new PlaceIndex(least, { expected: count }) : undefined
  // Two that are just as far apart as asked may stand.
  const below = least * (1 - Number.EPSILON)
  let [n, misses] = [0, 0]
  for (let dart = 0; n < count && areas.length > 0; dart++) {
    const t = triangleAt(areas, random.value(dart, 0, 0) * area)
    const side = Math.sqrt(random.value(dart, 0, 1))
    const along = random.value(dart, 0, 2)
    const [a, b] = [1 - side, side * (1 - along)]
    const w = side * along
    const i = 9 * t
    const x = a * c[i] + b * c[i + 3] + w * c[i + 6]
    const y = a * c[i + 1] + b * c[i + 4] + w * c[i + 7]
    const z = a * c[i + 2] + b * c[i + 5] + w * c[i + 8]
    if (near && near.find(x, y, z, below) >= 0) {
      if (++misses > MISSES + MISSES_EACH * n) break
      continue
    }
    misses = 0
    near?.add(x, y, z)
    points[3 * n] = x
    points[3 * n + 1] = y
    points[3 * n + 2] = z
    triangles[n] = t
    darts[n++] = dart
  }
  return { points, triangles, darts, count: n, full: n < count }
}

/** The first triangle up to which the areas reach a value. */
function triangleAt(areas: Float64Array, value: number): number {
  let [low, high] = [0, areas.length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if (areas[middle] > value) high = middle
    else low = middle + 1
  }
  return low
}
