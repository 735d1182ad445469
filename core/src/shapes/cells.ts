import type { Cloud } from './cloud'

/** The points of a cloud sorted into cubes, to find the one at a place. */
export class Cells {
  private readonly side: number
  private readonly low: readonly [number, number, number]
  private readonly size: readonly [number, number, number]
  /** Where each cube's points begin in `sorted`. */
  private readonly starts: Uint32Array
  private readonly sorted: Uint32Array

  constructor(private readonly cloud: Cloud) {
    const { points, count } = cloud
    const low = [Infinity, Infinity, Infinity]
    const high = [-Infinity, -Infinity, -Infinity]
    for (let i = 0; i < points.length; i++) {
      const k = i % 3
      if (points[i] < low[k]) low[k] = points[i]
      if (points[i] > high[k]) high[k] = points[i]
    }
    const extent = high.map((h, k) => Math.max(h - low[k], 1e-9))
    // About two points a cube where they lie on a surface.
    this.side = Math.max(...extent) / Math.max(1, Math.min(100, Math.ceil(Math.sqrt(count / 4))))
    this.low = [low[0], low[1], low[2]]
    this.size = [0, 1, 2].map((k) => Math.floor(extent[k] / this.side) + 1) as [number, number, number]
    const cells = this.size[0] * this.size[1] * this.size[2]
    const starts = new Uint32Array(cells + 1)
    const cellOf = new Uint32Array(count)
    for (let i = 0; i < count; i++) {
      const at =
        this.cell(points[3 * i], 0) +
        this.size[0] * (this.cell(points[3 * i + 1], 1) + this.size[1] * this.cell(points[3 * i + 2], 2))
      cellOf[i] = at
      starts[at + 1]++
    }
    for (let c = 0; c < cells; c++) starts[c + 1] += starts[c]
    const next = starts.slice()
    this.sorted = new Uint32Array(count)
    for (let i = 0; i < count; i++) this.sorted[next[cellOf[i]]++] = i
    this.starts = starts
  }

  private cell(value: number, k: 0 | 1 | 2): number {
    const at = Math.floor((value - this.low[k]) / this.side)
    return at < 0 ? 0 : at >= this.size[k] ? this.size[k] - 1 : at
  }

  /** The nearest point within a distance, or −1. */
  nearest(x: number, y: number, z: number, within: number): number {
    const { points } = this.cloud
    const [x0, x1] = [this.cell(x - within, 0), this.cell(x + within, 0)]
    const [y0, y1] = [this.cell(y - within, 1), this.cell(y + within, 1)]
    const [z0, z1] = [this.cell(z - within, 2), this.cell(z + within, 2)]
    let best = -1
    let least = within * within
    for (let k = z0; k <= z1; k++) {
      for (let j = y0; j <= y1; j++) {
        const row = this.size[0] * (j + this.size[1] * k)
        for (let n = this.starts[row + x0]; n < this.starts[row + x1 + 1]; n++) {
          const i = this.sorted[n]
          const [dx, dy, dz] = [points[3 * i] - x, points[3 * i + 1] - y, points[3 * i + 2] - z]
          const d = dx * dx + dy * dy + dz * dz
          if (d <= least) {
            least = d
            best = i
          }
        }
      }
    }
    return best
  }
}
