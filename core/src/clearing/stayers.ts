import type { Bodies } from './bodies'

/**
 * Bodies that stay, sorted into cubes as they come, to be asked which of them may be near another one. Where many lie in each other few
 * can stay: who asks after these alone never meets the heap.
 */
export class Stayers {
  private readonly side: number
  private readonly low: readonly number[]
  private readonly dims: readonly number[]
  /** The one that came last into each cube, and before each the one that came before it; one more than its number, 0 for none. */
  private readonly last: Uint32Array
  private readonly before: Uint32Array

  /** @param reach bodies whose balls are nearer than this are neighbours */
  constructor(
    private readonly bodies: Bodies,
    private readonly reach: number,
  ) {
    const { position: p, middle: m, there, radius, count } = bodies
    const low = [Infinity, Infinity, Infinity]
    const high = [-Infinity, -Infinity, -Infinity]
    let most = 0
    for (let k = 0; k < count; k++) {
      if (!there[k]) continue
      most = Math.max(most, radius[k])
      for (let i = 0; i < 3; i++) {
        const at = p[3 * k + i] + m[3 * k + i]
        if (at < low[i]) low[i] = at
        if (at > high[i]) high[i] = at
      }
    }
    const spans = low.map((l, i) => Math.max(high[i] - l, 0))
    const along = (side: number, span: number): number => Math.floor(span / side) + 1
    // Where they stand far apart, larger cubes keep their number in bounds.
    let side = Math.max(2 * most + reach, 1e-9)
    while (spans.reduce((n, span) => n * along(side, span), 1) > 8 * count + 64) side *= 1.5
    this.side = side
    this.low = low
    this.dims = spans.map((span) => along(side, span))
    this.last = new Uint32Array(this.dims[0] * this.dims[1] * this.dims[2])
    this.before = new Uint32Array(count)
  }

  private cube(k: number, axis: number): number {
    const { position: p, middle: m } = this.bodies
    return Math.floor((p[3 * k + axis] + m[3 * k + axis] - this.low[axis]) / this.side)
  }

  add(k: number): void {
    const [dx, dy] = this.dims
    const cube = this.cube(k, 0) + dx * (this.cube(k, 1) + dy * this.cube(k, 2))
    this.before[k] = this.last[cube]
    this.last[cube] = k + 1
  }

  /** Whether any that stays, and whose ball is nearer than the reach, passes a test. */
  some(k: number, test: (j: number) => boolean): boolean {
    const { position: p, middle: m, radius } = this.bodies
    const [dx, dy, dz] = this.dims
    const [x, y, z] = [this.cube(k, 0), this.cube(k, 1), this.cube(k, 2)]
    for (let w = Math.max(z - 1, 0); w <= Math.min(z + 1, dz - 1); w++)
      for (let v = Math.max(y - 1, 0); v <= Math.min(y + 1, dy - 1); v++)
        for (let u = Math.max(x - 1, 0); u <= Math.min(x + 1, dx - 1); u++)
          for (let n = this.last[u + dx * (v + dy * w)]; n > 0; n = this.before[n - 1]) {
            const j = n - 1
            const ax = p[3 * j] + m[3 * j] - p[3 * k] - m[3 * k]
            const ay = p[3 * j + 1] + m[3 * j + 1] - p[3 * k + 1] - m[3 * k + 1]
            const az = p[3 * j + 2] + m[3 * j + 2] - p[3 * k + 2] - m[3 * k + 2]
            const near = radius[j] + radius[k] + this.reach
            if (ax * ax + ay * ay + az * az < near * near && test(j)) return true
          }
    return false
  }
}
