import { goldenSection } from '../geometry/goldenSection'
import type { Vec3 } from '../values/values'
import type { ArcLength } from './arcLength'

/** Places looked at on each piece of a contour, and on a whole one at the most, before the nearest is refined. */
const PER_PIECE = 48
const MOST = 4096
/** From two of 48 steps down to a ten-millionth of the whole. */
const REFINE = 28

/** The place of a contour that is nearest to a point. */
export interface NearestSpot {
  /** How far along the contour it lies. */
  readonly length: number
  readonly distance: number
}

/**
 * Finds the nearest place of a contour: the nearest of many, and whatever else of them might come nearer, each by golden sections
 * between its neighbours.
 */
export class NearestOnCurve {
  private readonly places: Float64Array
  private readonly step: number
  private readonly spot = new Float64Array(6)

  constructor(private readonly measure: ArcLength) {
    const { length, contour } = measure
    const count = Math.min(MOST, PER_PIECE * contour.segments.length)
    this.step = length / count
    this.places = new Float64Array(3 * (count + 1))
    for (let i = 0; i <= count; i++) {
      measure.trace(i * this.step, this.spot)
      this.places.set(this.spot.subarray(0, 3), 3 * i)
    }
  }

  /** @returns its length is exact to a millionth of the contour */
  to(point: Readonly<Vec3>): NearestSpot {
    const { places: p, step } = this
    let [nearest, least] = [0, Infinity]
    for (let i = 0; i < p.length; i += 3) {
      const away = (p[i] - point[0]) ** 2 + (p[i + 1] - point[1]) ** 2 + (p[i + 2] - point[2]) ** 2
      if (away < least) [nearest, least] = [i / 3, away]
    }
    const rough = Math.sqrt(least)
    let best = this.refined(point, nearest, rough)
    // Another stretch may come nearer between two places than it does at them: by no more than it is long.
    const square = (k: number): number =>
      k < 0 || 3 * k >= p.length
        ? Infinity
        : (p[3 * k] - point[0]) ** 2 + (p[3 * k + 1] - point[1]) ** 2 + (p[3 * k + 2] - point[2]) ** 2
    for (let k = 0; 3 * k < p.length; k++) {
      const own = square(k)
      if (k === nearest || own >= (best.distance + step) ** 2 || own > square(k - 1) || own >= square(k + 1)) continue
      const other = this.refined(point, k, Math.sqrt(own))
      if (other.distance < best.distance) best = other
    }
    return best
  }

  /** The nearest place between the neighbours of one that was looked at, so far away. */
  private refined(point: Readonly<Vec3>, k: number, rough: number): NearestSpot {
    const { step, measure } = this
    const away = (length: number): number => {
      measure.trace(length, this.spot)
      return Math.hypot(this.spot[0] - point[0], this.spot[1] - point[1], this.spot[2] - point[2])
    }
    let [low, high] = [(k - 1) * step, (k + 1) * step]
    if (!measure.contour.closed) [low, high] = [Math.max(low, 0), Math.min(high, measure.length)]
    const at = goldenSection(away, low, high, REFINE)
    const found = { length: at, distance: away(at) }
    // Between two places a curve may turn: what was looked at is never worse than what is given.
    return found.distance <= rough ? found : { length: k * step, distance: rough }
  }
}
