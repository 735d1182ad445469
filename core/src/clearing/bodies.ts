import { Flag, type InstanceTable } from '../instances'
import { type Convex, isBall } from './convex'

/** Copies as convex shapes that stand in space, as plain arrays for the loops that compare them. */
export class Bodies {
  readonly count: number
  /** Pivots; what clears them writes here. */
  readonly position: Float64Array
  /** Turns as matrices, row by row. */
  readonly turn: Float64Array
  /** Sizes along the own axes, the first one below 0 for mirror images. */
  readonly size: Float64Array
  readonly shape: (Convex | undefined)[]
  /** The middle of the ball about each, from its pivot, and that ball's radius. */
  readonly middle: Float64Array
  readonly radius: Float64Array
  /** 1 for balls that are sized evenly: their gaps are plain sums. */
  readonly ball: Uint8Array
  /** 1 where there is a body at all. */
  readonly there: Uint8Array
  private readonly shapeOf: (thing: number) => Convex | undefined

  constructor(table: InstanceTable, shapeOf: (thing: number) => Convex | undefined) {
    const { count } = table
    this.count = count
    this.position = new Float64Array(3 * count)
    this.turn = new Float64Array(9 * count)
    this.size = new Float64Array(3 * count)
    this.middle = new Float64Array(3 * count)
    this.radius = new Float64Array(count)
    this.there = new Uint8Array(count)
    this.ball = new Uint8Array(count)
    this.shape = Array.from<Convex | undefined>({ length: count })
    const shapes = new Map<number, Convex | undefined>()
    this.shapeOf = (thing) => {
      if (!shapes.has(thing)) shapes.set(thing, shapeOf(thing))
      return shapes.get(thing)
    }
    for (let k = 0; k < count; k++) this.take(table, k)
  }

  /** Takes a copy anew as it stands in its table. */
  take(table: InstanceTable, k: number): void {
    for (let i = 3 * k; i < 3 * k + 3; i++) {
      this.position[i] = table.position[i]
      this.size[i] = table.scale[i]
    }
    if (table.flags[k] & Flag.twin) this.size[3 * k] = -this.size[3 * k]
    this.shape[k] = this.shapeOf(table.thing[k])
    this.there[k] = this.shape[k] && table.isPresent(k) ? 1 : 0
    this.turnFrom(table.quaternion, k)
    this.measure(k)
  }

  private turnFrom(q: Float64Array, k: number): void {
    const [x, y, z, w] = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
    const m = this.turn
    const i = 9 * k
    m[i] = 1 - 2 * (y * y + z * z)
    m[i + 1] = 2 * (x * y - w * z)
    m[i + 2] = 2 * (x * z + w * y)
    m[i + 3] = 2 * (x * y + w * z)
    m[i + 4] = 1 - 2 * (x * x + z * z)
    m[i + 5] = 2 * (y * z - w * x)
    m[i + 6] = 2 * (x * z - w * y)
    m[i + 7] = 2 * (y * z + w * x)
    m[i + 8] = 1 - 2 * (x * x + y * y)
  }

  /** Works out the ball about a body from its shape, size and turn. */
  measure(k: number): void {
    const shape = this.shape[k]
    if (!shape) return
    const { size, turn } = this
    const [x, y, z] = [
      shape.centre[0] * size[3 * k],
      shape.centre[1] * size[3 * k + 1],
      shape.centre[2] * size[3 * k + 2],
    ]
    for (let r = 0; r < 3; r++)
      this.middle[3 * k + r] = turn[9 * k + 3 * r] * x + turn[9 * k + 3 * r + 1] * y + turn[9 * k + 3 * r + 2] * z
    const [sx, sy, sz] = [Math.abs(size[3 * k]), size[3 * k + 1], size[3 * k + 2]]
    this.ball[k] = isBall(shape) && sx === sy && sy === sz ? 1 : 0
    this.radius[k] =
      shape.radius * Math.max(Math.abs(size[3 * k]), Math.abs(size[3 * k + 1]), Math.abs(size[3 * k + 2]))
  }

  /**
   * The point of a body that lies farthest along a direction of any length, written to `out` at `at`.
   *
   * @param factor sizes the body about its pivot besides
   */
  support(k: number, dx: number, dy: number, dz: number, out: Float64Array, at: number, factor = 1): void {
    const { points, rims, round, offset } = this.shape[k]!
    const m = this.turn
    const i = 9 * k
    const sx = this.size[3 * k]
    const sy = this.size[3 * k + 1]
    const sz = this.size[3 * k + 2]
    const ex = sx * (m[i] * dx + m[i + 3] * dy + m[i + 6] * dz)
    const ey = sy * (m[i + 1] * dx + m[i + 4] * dy + m[i + 7] * dz)
    const ez = sz * (m[i + 2] * dx + m[i + 5] * dy + m[i + 8] * dz)
    let px = 0
    let py = 0
    let pz = 0
    let most = -Infinity
    for (let p = 0; p < points.length; p += 3) {
      const along = points[p] * ex + points[p + 1] * ey + points[p + 2] * ez
      if (along > most) {
        most = along
        px = points[p]
        py = points[p + 1]
        pz = points[p + 2]
      }
    }
    if (rims.length > 0) {
      const flat = Math.sqrt(ex * ex + ez * ez)
      for (let r = 0; r < rims.length; r += 2) {
        const along = rims[r] * flat + rims[r + 1] * ey
        if (along > most) {
          most = along
          px = flat > 0 ? (rims[r] * ex) / flat : rims[r]
          py = rims[r + 1]
          pz = flat > 0 ? (rims[r] * ez) / flat : 0
        }
      }
    }
    if (round > 0) {
      const length = Math.sqrt(ex * ex + ey * ey + ez * ez) || 1
      px += (round * ex) / length
      py += (round * ey) / length
      pz += (round * ez) / length
    }
    px = (px + offset[0]) * sx * factor
    py = (py + offset[1]) * sy * factor
    pz = (pz + offset[2]) * sz * factor
    const p = this.position
    out[at] = p[3 * k] + m[i] * px + m[i + 1] * py + m[i + 2] * pz
    out[at + 1] = p[3 * k + 1] + m[i + 3] * px + m[i + 4] * py + m[i + 5] * pz
    out[at + 2] = p[3 * k + 2] + m[i + 6] * px + m[i + 7] * py + m[i + 8] * pz
  }

  /**
   * The box about a body along the axes, lowest and highest corner, six numbers written to `out` at `at`: three passes over its points
   * and rims, where its support would be asked for six times.
   */
  box(k: number, out: Float64Array, at: number): void {
    const { points, rims, round, offset } = this.shape[k]!
    for (let r = 0; r < 3; r++) {
      const i = 9 * k + 3 * r
      const x = this.turn[i] * this.size[3 * k]
      const y = this.turn[i + 1] * this.size[3 * k + 1]
      const z = this.turn[i + 2] * this.size[3 * k + 2]
      const flat = Math.sqrt(x * x + z * z)
      let low = Infinity
      let high = -Infinity
      for (let p = 0; p < points.length; p += 3) {
        const along = points[p] * x + points[p + 1] * y + points[p + 2] * z
        if (along < low) low = along
        if (along > high) high = along
      }
      for (let p = 0; p < rims.length; p += 2) {
        const [reach, along] = [rims[p] * flat, rims[p + 1] * y]
        if (along - reach < low) low = along - reach
        if (along + reach > high) high = along + reach
      }
      const around = round * Math.sqrt(x * x + y * y + z * z)
      const middle = this.position[3 * k + r] + offset[0] * x + offset[1] * y + offset[2] * z
      out[at + r] = middle + low - around
      out[at + 3 + r] = middle + high + around
    }
  }
}

/** Balls, of bodies or inside them. */
export type Balls = Pick<Bodies, 'count' | 'position' | 'middle' | 'there' | 'radius'>
