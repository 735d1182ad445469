import type { Bodies } from './bodies'

/** Balls, of bodies or inside them. */
type Balls = Pick<Bodies, 'count' | 'position' | 'middle' | 'there' | 'radius'>

/** Bodies sorted into cubes, to find those that may be near each other. Sorted anew after they have moved. */
export class NearBodies {
  private readonly size: number
  private cells = new Uint32Array(0)
  private starts = new Uint32Array(1)
  private readonly sorted: Uint32Array
  private dims: [number, number, number] = [1, 1, 1]

  /** @param reach bodies whose balls are nearer than this are neighbours */
  constructor(
    private readonly bodies: Balls,
    private readonly reach: number,
  ) {
    let most = 0
    for (let k = 0; k < bodies.count; k++) if (bodies.there[k]) most = Math.max(most, bodies.radius[k])
    this.size = 2 * most + reach
    this.sorted = new Uint32Array(bodies.count)
    this.sort()
  }

  sort(): void {
    const { bodies } = this
    const { position: p, middle: m, there, count } = bodies
    const low: [number, number, number] = [Infinity, Infinity, Infinity]
    const high = [-Infinity, -Infinity, -Infinity]
    for (let k = 0; k < count; k++) {
      if (!there[k]) continue
      for (let i = 0; i < 3; i++) {
        const at = p[3 * k + i] + m[3 * k + i]
        if (at < low[i]) low[i] = at
        if (at > high[i]) high[i] = at
      }
    }
    if (!(low[0] <= high[0])) low.fill(0)
    // Where copies stand far apart, larger cubes keep their number in bounds.
    let side = Math.max(this.size, 1e-9)
    const cellsAt = (s: number): number =>
      low.reduce((n, l, i) => n * (Math.floor(Math.max(high[i] - l, 0) / s) + 1), 1)
    while (cellsAt(side) > 8 * count + 64) side *= 1.5
    this.dims = [0, 1, 2].map((i) => Math.floor(Math.max(high[i] - low[i], 0) / side) + 1) as [number, number, number]
    const [dx, dy, dz] = this.dims
    const cellCount = dx * dy * dz
    if (this.starts.length < cellCount + 1) this.starts = new Uint32Array(cellCount + 1)
    if (this.cells.length < count) this.cells = new Uint32Array(count)
    const { starts, cells, sorted } = this
    starts.fill(0, 0, cellCount + 1)
    for (let k = 0; k < count; k++) {
      if (!there[k]) continue
      const c =
        Math.floor((p[3 * k] + m[3 * k] - low[0]) / side) +
        dx *
          (Math.floor((p[3 * k + 1] + m[3 * k + 1] - low[1]) / side) +
            dy * Math.floor((p[3 * k + 2] + m[3 * k + 2] - low[2]) / side))
      cells[k] = c
      starts[c + 1]++
    }
    for (let c = 0; c < cellCount; c++) starts[c + 1] += starts[c]
    // Filled from the back, so that within a cube they come in their own order.
    for (let k = count - 1; k >= 0; k--) if (there[k]) sorted[--starts[cells[k] + 1]] = k
    for (let c = 0; c < cellCount; c++) starts[c] = starts[c + 1]
    let filled = 0
    for (let k = 0; k < count; k++) filled += there[k]
    starts[cellCount] = filled
  }

  /**
   * Every pair of bodies whose balls are nearer than the reach, each once, in the order of the cubes.
   *
   * @param enough asked after each body: no more are visited once it is
   */
  pairs(visit: (i: number, j: number) => void, enough?: () => boolean): void {
    const { starts, sorted, bodies, reach } = this
    const { position: p, middle: m, radius } = bodies
    const [dx, dy, dz] = this.dims
    for (let z = 0; z < dz; z++) {
      for (let y = 0; y < dy; y++) {
        for (let x = 0; x < dx; x++) {
          const c = x + dx * (y + dy * z)
          for (let n = starts[c]; n < starts[c + 1]; n++) {
            if (enough?.()) return
            const i = sorted[n]
            const [ix, iy, iz] = [p[3 * i] + m[3 * i], p[3 * i + 1] + m[3 * i + 1], p[3 * i + 2] + m[3 * i + 2]]
            for (let w = z; w <= Math.min(z + 1, dz - 1); w++) {
              for (let v = w === z ? y : Math.max(y - 1, 0); v <= Math.min(y + 1, dy - 1); v++) {
                const sameRow = w === z && v === y
                for (let u = sameRow ? x : Math.max(x - 1, 0); u <= Math.min(x + 1, dx - 1); u++) {
                  const d = u + dx * (v + dy * w)
                  for (let o = d === c ? n + 1 : starts[d]; o < starts[d + 1]; o++) {
                    const j = sorted[o]
                    const ax = p[3 * j] + m[3 * j] - ix
                    const ay = p[3 * j + 1] + m[3 * j + 1] - iy
                    const az = p[3 * j + 2] + m[3 * j + 2] - iz
                    const near = radius[i] + radius[j] + reach
                    if (ax * ax + ay * ay + az * az < near * near) visit(i, j)
                  }
                }
              }
            }
          }
        }
      }
    }
  }
}
