import type { Mesh } from '../geometry/mesh'
import { type Level, type Surface, bothLevels } from './surface'

/** Heights at the crossings of a grid, row by row from the back left. */
export interface HeightGrid {
  readonly across: number
  readonly deep: number
  readonly heights: Float64Array
  readonly extent: Level
}

/** Drawn with so many cells to a side at the most. */
const MOST_DRAWN = 192

/** A surface over a grid, with two triangles in each cell: that is what it is, so that whatever rests on it touches it. */
export function gridSurface(grid: HeightGrid): Surface {
  const { across, deep, heights, extent } = grid
  const [stepX, stepZ] = [(extent.highX - extent.lowX) / (across - 1), (extent.highZ - extent.lowZ) / (deep - 1)]
  const cell = (at: number, low: number, step: number, count: number): number =>
    Math.min(Math.max(Math.floor((at - low) / step), 0), count - 2)
  const corners = new Float64Array(9)
  const put = (at: number, i: number, j: number): void => {
    corners[at] = extent.lowX + i * stepX
    corners[at + 1] = heights[j * across + i]
    corners[at + 2] = extent.lowZ + j * stepZ
  }
  let drawn: Mesh | undefined
  return {
    bend: 0,
    extent,
    at(x, z, out) {
      if (!(x >= extent.lowX && x <= extent.highX && z >= extent.lowZ && z <= extent.highZ)) return false
      const [i, j] = [cell(x, extent.lowX, stepX, across), cell(z, extent.lowZ, stepZ, deep)]
      const [u, v] = [(x - extent.lowX) / stepX - i, (z - extent.lowZ) / stepZ - j]
      const row = j * across + i
      const [a, b, c, d] = [heights[row], heights[row + 1], heights[row + across], heights[row + across + 1]]
      // The diagonal runs from the back right to the front left.
      const first = u + v <= 1
      const dx = (first ? b - a : d - c) / stepX
      const dz = (first ? c - a : d - b) / stepZ
      out[0] = first ? a + u * (b - a) + v * (c - a) : d + (1 - u) * (c - d) + (1 - v) * (b - d)
      const length = Math.sqrt(dx * dx + 1 + dz * dz)
      out[1] = -dx / length
      out[2] = 1 / length
      out[3] = -dz / length
      return true
    },
    triangles(over, visit) {
      const both = bothLevels(over, extent)
      if (!both) return
      const [i0, i1] = [cell(both.lowX, extent.lowX, stepX, across), cell(both.highX, extent.lowX, stepX, across)]
      const [j0, j1] = [cell(both.lowZ, extent.lowZ, stepZ, deep), cell(both.highZ, extent.lowZ, stepZ, deep)]
      for (let j = j0; j <= j1; j++)
        for (let i = i0; i <= i1; i++) {
          put(0, i, j)
          put(3, i, j + 1)
          put(6, i + 1, j)
          visit(corners)
          put(0, i + 1, j + 1)
          put(3, i + 1, j)
          put(6, i, j + 1)
          visit(corners)
        }
    },
    mesh: () => (drawn ??= meshOf(grid)),
  }
}

/** Every so many crossings, so that it can be drawn; the edges are always among them. */
function chosen(count: number): number[] {
  const cells = Math.min(count - 1, MOST_DRAWN)
  return Array.from({ length: cells + 1 }, (_, k) => Math.round((k * (count - 1)) / cells))
}

function meshOf({ across, deep, heights, extent }: HeightGrid): Mesh {
  const [columns, rows] = [chosen(across), chosen(deep)]
  const at = (i: number, j: number): number => heights[j * across + i]
  const [stepX, stepZ] = [(extent.highX - extent.lowX) / (across - 1), (extent.highZ - extent.lowZ) / (deep - 1)]
  const [positions, normals, indices]: number[][] = [[], [], []]
  for (const j of rows)
    for (const i of columns) {
      positions.push(extent.lowX + i * stepX, at(i, j), extent.lowZ + j * stepZ)
      const [left, right] = [Math.max(i - 1, 0), Math.min(i + 1, across - 1)]
      const [back, front] = [Math.max(j - 1, 0), Math.min(j + 1, deep - 1)]
      const dx = (at(right, j) - at(left, j)) / ((right - left) * stepX)
      const dz = (at(i, front) - at(i, back)) / ((front - back) * stepZ)
      const length = Math.sqrt(dx * dx + 1 + dz * dz)
      normals.push(-dx / length, 1 / length, -dz / length)
    }
  const side = columns.length
  for (let j = 0; j + 1 < rows.length; j++)
    for (let i = 0; i + 1 < side; i++) {
      const a = j * side + i
      indices.push(a, a + side, a + 1, a + 1, a + side, a + side + 1)
    }
  return {
    positions: Float32Array.from(positions),
    normals: Float32Array.from(normals),
    indices: Uint32Array.from(indices),
    sections: [{ start: 0, count: indices.length }],
  }
}
