import type * as THREE from 'three'
import type { ScreenPoint } from './viewer'

/** So long is an arrow on the screen where it can be, in pixels, and so far it is tried in the world first, in metres. */
const LONG = 90
const TRIED = 0.01
/** No arrow is longer in the world, in metres: one that is seen nearly end on would reach to the horizon. */
const FARTHEST = 3
/** What is shorter on the screen goes straight to the eye or away from it, in pixels. */
const END_ON = 12
/** From its point to the middle of its name, in pixels. */
const BEYOND = 18

export interface Arrow {
  readonly from: ScreenPoint
  readonly to: ScreenPoint
  /** Beyond its point, where it is named. */
  readonly name: { readonly x: number; readonly y: number }
  /** It has no length to be seen. */
  readonly isEndOn: boolean
}

/**
 * An arrow as it is seen: about equally long from near and far, shorter where it leans towards the eye.
 *
 * @param from in the world
 * @param toward a unit vector in the world
 * @returns undefined where it would begin or end behind the eye
 */
export function arrowOn(
  toScreen: (point: THREE.Vector3) => ScreenPoint,
  from: THREE.Vector3,
  toward: THREE.Vector3,
): Arrow | undefined {
  const after = (metres: number): ScreenPoint => toScreen(from.clone().addScaledVector(toward, metres))
  const foot = after(0)
  const away = ({ x, y }: ScreenPoint): number => Math.hypot(x - foot.x, y - foot.y)
  const pixelsEach = away(after(TRIED)) / TRIED
  const to = after(Math.min(LONG / Math.max(pixelsEach, 1e-9), FARTHEST))
  if (!foot.seen || !to.seen) return undefined
  const long = away(to)
  const isEndOn = long < END_ON
  const [x, y] = isEndOn ? [0, -1] : [(to.x - foot.x) / long, (to.y - foot.y) / long]
  return { from: foot, to, isEndOn, name: { x: to.x + BEYOND * x, y: to.y + BEYOND * y } }
}
