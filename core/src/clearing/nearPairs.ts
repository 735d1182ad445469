import type { Balls } from './bodies'
import { NearBodies } from './nearBodies'

/**
 * By this share farther apart than asked, pairs are listed all the same, so that a list serves several rounds. Without it pushing 20 000
 * spheres apart takes 279 ms; with 0.05 178, 0.1 160, 0.15 153, 0.2 151, and 0.3, which lists half as many again, 161.
 */
const SLACK = 0.15

/**
 * Pairs of bodies that may be nearer than asked, in one list that is made anew only when a body has moved farther than the list allows
 * for (neighbour lists as in Verlet, Physical Review 159, 1967).
 */
export class NearPairs {
  /** Both bodies of each pair, one after the other. */
  list = new Uint32Array(128)
  count = 0
  private readonly near: NearBodies
  private readonly since: Float64Array

  /**
   * @param reach bodies whose balls are nearer than this are pairs
   * @param held 1 for bodies that stay: two of them are no pair
   * @param most no more pairs than this are listed
   */
  constructor(
    private readonly balls: Balls,
    private readonly reach: number,
    private readonly held?: Uint8Array,
    private readonly most = Infinity,
  ) {
    this.near = new NearBodies(balls, reach, SLACK)
    this.since = new Float64Array(balls.position)
    this.make()
  }

  /** Asked before the list is read, after bodies have moved. */
  renew(): void {
    if (!this.isOfNow()) this.make()
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
        if (this.held?.[i] && this.held[j]) return
        if (2 * this.count === this.list.length) {
          const longer = new Uint32Array(2 * this.list.length)
          longer.set(this.list)
          this.list = longer
        }
        this.list[2 * this.count] = i
        this.list[2 * this.count + 1] = j
        this.count++
      },
      () => this.count > this.most,
    )
  }
}
