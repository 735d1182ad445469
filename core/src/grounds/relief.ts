import type { Mesh } from '../geometry/mesh'
import { type Level, type Surface, bothLevels, newPlace } from './surface'

/** Heights over a rectangle, told by a formula. */
export interface Relief {
  readonly extent: Level
  /** The largest second derivative of its height, by its absolute value; 0 for planes. Per metre. */
  readonly bend: number
  height(x: number, z: number): number
  /** How much it rises to the right and towards the front there. */
  slope(x: number, z: number): readonly [number, number]
  /** Whether a place inside the rectangle belongs to it; all do where it is absent. */
  holds?(x: number, z: number): boolean
}

/** Drawn with so many cells to a side where it bends. */
const CELLS = 96

/** A surface from a formula: heights and normals are those of the formula itself, to the last digit. */
export function reliefSurface(relief: Relief): Surface {
  const { extent, bend } = relief
  const corners = new Float64Array(9)
  const put = (at: number, x: number, z: number): void => {
    corners[at] = x
    corners[at + 1] = relief.height(x, z)
    corners[at + 2] = z
  }
  let drawn: Mesh | undefined
  return {
    extent,
    bend,
    at(x, z, out) {
      if (x < extent.lowX || x > extent.highX || z < extent.lowZ || z > extent.highZ) return false
      if (relief.holds && !relief.holds(x, z)) return false
      const [dx, dz] = relief.slope(x, z)
      const length = Math.sqrt(dx * dx + 1 + dz * dz)
      out[0] = relief.height(x, z)
      out[1] = -dx / length
      out[2] = 1 / length
      out[3] = -dz / length
      return true
    },
    triangles(over, visit) {
      const both = bothLevels(over, extent)
      if (!both) return
      const { lowX, highX, lowZ, highZ } = both
      if (relief.holds && !relief.holds((lowX + highX) / 2, (lowZ + highZ) / 2)) return
      put(0, lowX, lowZ)
      put(3, lowX, highZ)
      put(6, highX, lowZ)
      visit(corners)
      put(0, highX, highZ)
      put(3, highX, lowZ)
      put(6, lowX, highZ)
      visit(corners)
    },
    mesh: () => (drawn ??= meshOf(relief, bend > 0 ? CELLS : 1)),
  }
}

function meshOf(relief: Relief, cells: number): Mesh {
  const { lowX, highX, lowZ, highZ } = relief.extent
  const surface = reliefSurface(relief)
  const side = cells + 1
  const [positions, normals] = [new Float32Array(3 * side * side), new Float32Array(3 * side * side)]
  const place = newPlace()
  for (let j = 0; j < side; j++)
    for (let i = 0; i < side; i++) {
      const [x, z] = [lowX + ((highX - lowX) * i) / cells, lowZ + ((highZ - lowZ) * j) / cells]
      const at = 3 * (j * side + i)
      positions.set([x, relief.height(x, z), z], at)
      normals.set(surface.at(x, z, place) ? place.subarray(1) : [0, 1, 0], at)
    }
  const indices: number[] = []
  for (let j = 0; j < cells; j++)
    for (let i = 0; i < cells; i++) {
      const [x, z] = [lowX + ((highX - lowX) * (i + 0.5)) / cells, lowZ + ((highZ - lowZ) * (j + 0.5)) / cells]
      if (relief.holds && !relief.holds(x, z)) continue
      const a = j * side + i
      indices.push(a, a + side, a + 1, a + 1, a + side, a + side + 1)
    }
  return {
    positions,
    normals,
    indices: Uint32Array.from(indices),
    sections: [{ start: 0, count: indices.length }],
  }
}
