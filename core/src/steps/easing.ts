import type { Easing } from '../values/graded'

/** How a value goes from 0 to 1: steadily, or with the cubic's slow start, slow end or both (smoothstep). */
export const easings: Readonly<Record<Easing, (t: number) => number>> = {
  evenly: (t) => t,
  slowFirst: (t) => t * t,
  slowLast: (t) => t * (2 - t),
  slowBoth: (t) => t * t * (3 - 2 * t),
}
