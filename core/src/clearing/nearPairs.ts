import type { Balls } from './bodies'
import { NearBodies } from './nearBodies'

/**
 * By this share farther apart than asked, pairs are listed all the same, so that a list serves several rounds. Without it pushing 20 000
 * spheres apart takes 279 ms; with 0.05 178, 0.1 160, 0.15 153, 0.2 151, and 0.3, which lists half as many again, 161.
 */
const SLACK = 0.15

/** So many are listed at the most, 32 MB of them: in a heap each body is near each other one. */
const MOST = 2 ** 22

/**
 * Pairs of bodies that may be nearer than asked, in one list that is made anew only when a body has moved farther than the list allows
 * for (neighbour lists as in Verlet, Physical Review 159, 1967).
 */
export class NearPairs {
  /** Both bodies of each pair, one after the other. */
  list = new Uint32Array(128)
  count = 0
  /** False where there are more of them than are listed. */
  isWhole = true
  private readonly near: NearBodies
  private readonly since: Float64Array

  /**
   * @param reach bodies whose balls are nearer than this are pairs
   * @param held 1 for bodies that stay: two of them are no pair
   */
  constructor(
    private readonly balls: Balls,
    private readonly reach: number,
    private readonly held?: Uint8Array,
  ) {
    this.near = new NearBodies(balls, reach, SLACK)
    this.since = new Float64Array(balls.position)
    this.make()
  }

  /** Asked before the pairs are read, after bodies have moved. */
  renew(): void {
    if (!this.isWhole || !this.isOfNow()) this.make()
  }

  /**
   * All pairs of which the balls are nearer than the reach as they stand by then, whether they are listed or not.
   *
   * @param enough asked on the way: no more are visited once it is
   */
  each(visit: (i: number, j: number) => void, enough?: () => boolean): void {
    const { list, count, held, reach } = this
    const { position: p, middle: m, radius } = this.balls
    const visitNear = (i: number, j: number): void => {
      const x = p[3 * j] + m[3 * j] - p[3 * i] - m[3 * i]
      const y = p[3 * j + 1] + m[3 * j + 1] - p[3 * i + 1] - m[3 * i + 1]
      const z = p[3 * j + 2] + m[3 * j + 2] - p[3 * i + 2] - m[3 * i + 2]
      const near = radius[i] + radius[j] + reach
      if (x * x + y * y + z * z < near * near) visit(i, j)
    }
    if (!this.isWhole) this.near.pairs((i, j) => !(held?.[i] && held[j]) && visitNear(i, j), enough)
    else for (let n = 0; n < 2 * count && !enough?.(); n += 2) visitNear(list[n], list[n + 1])
  }

  /** Whether no body has moved by more than its share of what is allowed for: together two may use up what lies between them. */
  private isOfNow(): boolean {
    const { since, reach } = this
    const { count, position: p, there, radius } = this.balls
    for (let k = 0; k < count; k++) {
      if (!there[k]) continue
      const x = p[3 * k] - since[3 * k]
      const y = p[3 * k + 1] - since[3 * k + 1]
      const z = p[3 * k + 2] - since[3 * k + 2]
      const allowed = SLACK * (radius[k] + reach / 2)
      if (x * x + y * y + z * z > allowed * allowed) return false
    }
    return true
  }

  private make(): void {
    this.near.sort()
    this.since.set(this.balls.position)
    this.count = 0
    this.near.pairs(
      (i, j) => {
        if (this.count === MOST || (this.held?.[i] && this.held[j])) return
        if (2 * this.count === this.list.length) {
          const longer = new Uint32Array(2 * this.list.length)
          longer.set(this.list)
          this.list = longer
        }
        this.list[2 * this.count] = i
        this.list[2 * this.count + 1] = j
        this.count++
      },
      () => this.count === MOST,
    )
    this.isWhole = this.count < MOST
  }
}
