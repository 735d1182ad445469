import type { Balls } from './bodies'

/** Bodies sorted into cubes, to find those that may be near each other. Sorted anew after they have moved. */
export class NearBodies {
  private readonly size: number
  private cells = new Uint32Array(0)
  private starts = new Uint32Array(1)
  private readonly sorted: Uint32Array
  /** Middles and radius of the bodies as they are sorted, four numbers each: read in a row, where the bodies' own lie anywhere. */
  private readonly ball: Float64Array
  private dims: [number, number, number] = [1, 1, 1]

  /**
   * @param reach bodies whose balls are nearer than this are neighbours
   * @param slack by this share farther apart they are neighbours still
   */
  constructor(
    private readonly bodies: Balls,
    private readonly reach: number,
    private readonly slack = 0,
  ) {
    let most = 0
    for (let k = 0; k < bodies.count; k++) if (bodies.there[k]) most = Math.max(most, bodies.radius[k])
    this.size = (2 * most + reach) * (1 + slack)
    this.sorted = new Uint32Array(bodies.count)
    this.ball = new Float64Array(4 * bodies.count)
    this.sort()
  }

  sort(): void {
    const { bodies } = this
    const { position: p, middle: m, there, radius, count } = bodies
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
    this.dims = [0, 1, 2].map((i) => Math.floor(Math.max(high[i] - low[i], 0) * (1 / side)) + 1) as [
      number,
      number,
      number,
    ]
    const [dx, dy, dz] = this.dims
    const cellCount = dx * dy * dz
    if (this.starts.length < cellCount + 1) this.starts = new Uint32Array(cellCount + 1)
    if (this.cells.length < count) this.cells = new Uint32Array(count)
    const { starts, cells, sorted, ball } = this
    starts.fill(0, 0, cellCount + 1)
    const each = 1 / side
    for (let k = 0; k < count; k++) {
      if (!there[k]) continue
      const c =
        Math.floor((p[3 * k] + m[3 * k] - low[0]) * each) +
        dx *
          (Math.floor((p[3 * k + 1] + m[3 * k + 1] - low[1]) * each) +
            dy * Math.floor((p[3 * k + 2] + m[3 * k + 2] - low[2]) * each))
      cells[k] = c
      starts[c + 1]++
    }
    for (let c = 0; c < cellCount; c++) starts[c + 1] += starts[c]
    const filled = starts[cellCount]
    // Filled from the back, so that within a cube they come in their own order.
    for (let k = count - 1; k >= 0; k--) if (there[k]) sorted[--starts[cells[k] + 1]] = k
    for (let c = 0; c < cellCount; c++) starts[c] = starts[c + 1]
    starts[cellCount] = filled
    for (let n = 0; n < filled; n++) {
      const k = sorted[n]
      for (let i = 0; i < 3; i++) ball[4 * n + i] = p[3 * k + i] + m[3 * k + i]
      ball[4 * n + 3] = radius[k]
    }
  }

  /**
   * Every pair of bodies whose balls were nearer than the reach when they were sorted, each once, in the order of the cubes.
   *
   * @param enough asked after each body: no more are visited once it is
   */
  pairs(visit: (i: number, j: number) => void, enough?: () => boolean): void {
    const { starts, sorted, ball, reach } = this
    const wider = 1 + this.slack
    const [dx, dy, dz] = this.dims
    for (let z = 0; z < dz; z++) {
      for (let y = 0; y < dy; y++) {
        for (let x = 0; x < dx; x++) {
          const c = x + dx * (y + dy * z)
          for (let n = starts[c]; n < starts[c + 1]; n++) {
            if (enough?.()) return
            const i = sorted[n]
            const ix = ball[4 * n]
            const iy = ball[4 * n + 1]
            const iz = ball[4 * n + 2]
            const around = ball[4 * n + 3] + reach
            // Cubes that follow each other across lie behind each other here: a row of three is one stretch.
            for (let w = z; w <= Math.min(z + 1, dz - 1); w++) {
              for (let v = w === z ? y : Math.max(y - 1, 0); v <= Math.min(y + 1, dy - 1); v++) {
                const row = dx * (v + dy * w)
                const own = w === z && v === y
                const from = own ? n + 1 : starts[row + Math.max(x - 1, 0)]
                const to = starts[row + Math.min(x + 1, dx - 1) + 1]
                for (let o = from; o < to; o++) {
                  const ax = ball[4 * o] - ix
                  const ay = ball[4 * o + 1] - iy
                  const az = ball[4 * o + 2] - iz
                  const near = (ball[4 * o + 3] + around) * wider
                  if (ax * ax + ay * ay + az * az < near * near) visit(i, sorted[o])
                }
              }
            }
          }
        }
      }
    }
  }
}
