import type { Similarity } from '../geometry/similarity'
import type { Vec3 } from '../values/values'
import { type Quaternion, fromAxes, rotate, turnMatrix } from '../geometry/rotation'
import { type Anchors, alike, anchorsOf } from './anchors'
import type { PlaceIndex } from '../geometry/placeIndex'
import { type Cloud, indexOf, pointAt, ROUNDING } from './cloud'
import { fitTurn } from './fit'
import type { SurfaceFault } from './corners'
import { Surface } from './surfaces'

/** What a comparison came to: the same shape, nearly the same with the reason why it is not, or nothing alike. */
export type Match =
  | { readonly kind: 'same'; readonly similarity: Similarity }
  | { readonly kind: 'near'; readonly deviation: number; readonly fault: SurfaceFault | 'points' }
  | { readonly kind: 'other' }

/** So many turns are tried at the most for one pair of shapes. */
const MOST_TURNS = 20_000
const FEW_TURNS = 300
/** How far apart, in spreads, shapes may be and still be told as near misses. */
const NEAR = 0.02

/** A shape that others are compared with: what is worked out once for all of them. */
export class ComparedShape {
  private readonly index: PlaceIndex
  private readonly surface: Surface
  private readonly anchors: Anchors | undefined

  constructor(readonly cloud: Cloud) {
    this.index = indexOf(cloud)
    this.surface = new Surface(cloud)
    this.anchors = anchorsOf(cloud)
  }

  /** Whether a cloud may be this shape, by counts and by what no turn changes. */
  mayBe(other: Cloud): boolean {
    const { cloud } = this
    if (other.count !== cloud.count || other.mesh.indices.length !== cloud.mesh.indices.length) return false
    return cloud.totals.every((total, i) => Math.abs(total - other.totals[i]) <= 4 * NEAR * Math.max(1, total))
  }

  /**
   * Compares: the same under a move, a turn, one size and perhaps a mirroring, whatever the order of vertices, with no
   * vertex further off than the tolerance. A mirror image is only found where no turn alone does it.
   *
   * Two anchor points of this shape are looked for among the other's points with like surroundings; every pair that
   * stands alike gives a turn, which is tried on all points, improved over them, and judged by the largest deviation: a
   * mean would hide a single vertex that is off.
   *
   * @param tolerance in metres, at the other's size
   * @param room how far off the anchors may be, in the other's spreads; by default what the tolerance and rounding give
   * @param most so many turns are tried at the most
   */
  match(other: Cloud, tolerance: number, room = this.strictRoom(other, tolerance), most = MOST_TURNS): Match {
    if (!this.mayBe(other) || !this.anchors) return { kind: 'other' }
    // Of the many turns of a symmetric shape, none at all is the one that is expected.
    const still = this.matchUnturned(other, tolerance)
    if (still.kind === 'same') return still
    let near: Match = { kind: 'other' }
    const matched = new Uint32Array(other.count)
    for (const mirrored of [false, true]) {
      const theirs = mirrored ? acrossMirrored(other.points) : other.points
      for (const turn of this.turns(other, theirs, room, most)) {
        // The anchors alone place the turn roughly: points far from them are given some room.
        if (!this.pair(theirs, turn, 8 * room, matched)) continue
        const found = this.judge(other, theirs, matched, mirrored, tolerance)
        if (found.kind === 'same') return found
        if (near.kind !== 'near' || found.deviation < near.deviation) near = found
      }
    }
    return near
  }

  /**
   * Compares as `match` does, but without any turn: both stand as they are. A symmetric shape has several turns that bring
   * it onto itself, so `match` may find one of those where none is wanted.
   */
  matchUnturned(other: Cloud, tolerance: number): Match {
    if (!this.mayBe(other)) return { kind: 'other' }
    const matched = new Uint32Array(other.count)
    const room = 8 * this.strictRoom(other, tolerance)
    if (!this.pair(other.points, UNTURNED, room, matched)) return { kind: 'other' }
    return this.judge(other, other.points, matched, false, tolerance)
  }

  /** How nearly another cloud is this shape, once it is known not to be the same: the best of fewer and looser tries. */
  nearness(other: Cloud, tolerance: number): Match {
    return this.match(other, tolerance, Math.max(NEAR, tolerance / other.spread), FEW_TURNS)
  }

  private strictRoom(other: Cloud, tolerance: number): number {
    const far = Math.hypot(...other.middle) / other.spread + Math.hypot(...this.cloud.middle) / this.cloud.spread
    return tolerance / other.spread + 8 * ROUNDING * (1 + far)
  }

  /** Turns from the other to this shape under which the anchors meet points with like surroundings. */
  private *turns(other: Cloud, theirs: Float64Array, room: number, most: number): Generator<Quaternion> {
    const { first, second } = this.anchors!
    const { points } = this.cloud
    const [p1, p2] = [pointAt(points, first), pointAt(points, second)]
    const target = frameOf(p1, p2)
    if (!target) return
    const firsts = alike(this.cloud, first, other, room)
    const seconds = alike(this.cloud, second, other, room)
    const apart = distance(p1, p2)
    let tried = 0
    for (const i of firsts) {
      const q1 = pointAt(theirs, i)
      for (const j of seconds) {
        if (i === j) continue
        const q2 = pointAt(theirs, j)
        if (Math.abs(distance(q1, q2) - apart) > 6 * room) continue
        const from = frameOf(q1, q2)
        if (!from) continue
        if (++tried > most) return
        yield between(from, target)
      }
    }
  }

  /** Improves the turn over all pairs of points and judges it by the largest deviation, then by what joins the points. */
  private judge(
    other: Cloud,
    theirs: Float64Array,
    matched: Uint32Array,
    mirrored: boolean,
    tolerance: number,
  ): Exclude<Match, { kind: 'other' }> {
    const ours = new Float64Array(theirs.length)
    const { points } = this.cloud
    for (let i = 0; i < matched.length; i++) {
      const from = 3 * matched[i]
      for (let k = 0; k < 3; k++) ours[3 * i + k] = points[from + k]
    }
    // From this shape to the other: first in units of their spreads, then in metres.
    const { turn, size } = tidied(fitTurn(ours, theirs), this.cloud.spread / other.spread)
    const m = turnMatrix(turn)
    let worst = 0
    for (let i = 0; i < ours.length; i += 3) {
      const [x, y, z] = [size * ours[i], size * ours[i + 1], size * ours[i + 2]]
      const dx = m[0] * x + m[1] * y + m[2] * z - theirs[i]
      const dy = m[3] * x + m[4] * y + m[5] * z - theirs[i + 1]
      const dz = m[6] * x + m[7] * y + m[8] * z - theirs[i + 2]
      worst = Math.max(worst, dx * dx + dy * dy + dz * dz)
    }
    const deviation = Math.sqrt(worst) * other.spread
    if (deviation > tolerance) return { kind: 'near', deviation, fault: 'points' }
    const back: Quaternion = [-turn[0], -turn[1], -turn[2], turn[3]]
    const fault = this.surface.compare(other, matched, back, mirrored)
    if (fault) return { kind: 'near', deviation, fault }
    return { kind: 'same', similarity: this.inMetres(other, turn, size, mirrored, deviation) }
  }

  /** Every point of the other with one of this shape, each once; false where that cannot be. */
  private pair(theirs: Float64Array, turn: Quaternion, room: number, matched: Uint32Array): boolean {
    const m = turnMatrix(turn)
    const count = matched.length
    const nearest = (k: number): number => {
      const [x, y, z] = [theirs[3 * k], theirs[3 * k + 1], theirs[3 * k + 2]]
      return this.index.nearest(
        m[0] * x + m[1] * y + m[2] * z,
        m[3] * x + m[4] * y + m[5] * z,
        m[6] * x + m[7] * y + m[8] * z,
        room,
      )
    }
    // Points spread over the whole first, so that a wrong turn shows at once.
    const stride = Math.max(1, Math.floor(count / 16))
    for (let k = 0; k < count; k += stride) if (nearest(k) < 0) return false
    const taken = new Uint8Array(count)
    for (let k = 0; k < count; k++) {
      const point = nearest(k)
      if (point < 0 || taken[point]) return false
      taken[point] = 1
      matched[k] = point
    }
    return true
  }

  /** Takes a turn between clouds out of their units: other = move + turn · size · (mirrored) shape. */
  private inMetres(other: Cloud, turn: Quaternion, size: number, mirrored: boolean, deviation: number): Similarity {
    const { cloud } = this
    // Found for the other mirrored; a mirrored turn is the turn seen in the mirror.
    const own: Quaternion = mirrored ? [turn[0], -turn[1], -turn[2], turn[3]] : turn
    // Exactly 1 where both are as large: a quotient of quotients is off by its last digit.
    const s = size === cloud.spread / other.spread ? 1 : (size * other.spread) / cloud.spread
    const [mx, my, mz] = cloud.middle
    const centre = rotate(own, [(mirrored ? -mx : mx) * s, my * s, mz * s])
    return {
      move: [0, 1, 2].map((i) => other.middle[i] - centre[i]) as Vec3,
      turn: own,
      size: [s, s, s],
      mirrored,
      deviation,
    }
  }
}

const UNTURNED: Quaternion = [0, 0, 0, 1]

/**
 * A turn and a size without what 32-bit coordinates cannot tell from none: a thing that stands as it stood is neither turned by a
 * millionth of a degree nor 1.0000000000000002 times as large.
 *
 * @param same the size, in units of both spreads, at which both are as large
 */
function tidied({ turn, size }: { turn: Quaternion; size: number }, same: number): { turn: Quaternion; size: number } {
  const isTurned = turn[0] ** 2 + turn[1] ** 2 + turn[2] ** 2 > ROUNDING ** 2
  return { turn: isTurned ? turn : UNTURNED, size: Math.abs(size / same - 1) > ROUNDING ? size : same }
}

const distance = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

function acrossMirrored(points: Float64Array): Float64Array {
  const out = points.slice()
  for (let i = 0; i < out.length; i += 3) out[i] = -out[i]
  return out
}

/** Three axes at right angles from two points that are not in line with the middle. */
function frameOf(p: Vec3, q: Vec3): readonly [Vec3, Vec3, Vec3] | undefined {
  const x = unit(p)
  const z = unit([x[1] * q[2] - x[2] * q[1], x[2] * q[0] - x[0] * q[2], x[0] * q[1] - x[1] * q[0]])
  if (!Number.isFinite(x[0]) || !Number.isFinite(z[0])) return undefined
  return [x, [z[1] * x[2] - z[2] * x[1], z[2] * x[0] - z[0] * x[2], z[0] * x[1] - z[1] * x[0]], z]
}

const unit = (v: Vec3): Vec3 => {
  const n = Math.hypot(...v)
  return [v[0] / n, v[1] / n, v[2] / n]
}

/** The turn that brings one frame onto another. */
function between(from: readonly [Vec3, Vec3, Vec3], to: readonly [Vec3, Vec3, Vec3]): Quaternion {
  const column = (c: number): Vec3 =>
    [0, 1, 2].map((r) => from.reduce((sum, axis, k) => sum + axis[c] * to[k][r], 0)) as Vec3
  return fromAxes(column(0), column(1), column(2))
}
