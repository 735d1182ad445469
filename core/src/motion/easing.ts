import { z } from 'zod'

/** A cubic Bézier from (0, 0) to (1, 1) by its two inner points x₁, y₁, x₂, y₂; both x from 0 to 1, so that it is a function of time. */
export type Curve = readonly [x1: number, y1: number, x2: number, y2: number]

const inTime = z.number().min(0).max(1)
const anywhere = z.number().min(-10).max(10)
export const curve = z.tuple([inTime, anywhere, inTime, anywhere])

/** The curves that have names, as CSS Easing Functions Level 1 gives them for linear, ease-in, ease-out, ease-in-out and ease. */
export const curves = {
  evenly: [0, 0, 1, 1],
  slowFirst: [0.42, 0, 1, 1],
  slowLast: [0, 0, 0.58, 1],
  slowBoth: [0.42, 0, 0.58, 1],
  softly: [0.25, 0.1, 0.25, 1],
} as const satisfies Record<string, Curve>
export type CurveName = keyof typeof curves
export const curveNames = Object.keys(curves) as CurveName[]

/** How a value goes from one to another in time: by a curve that has a name, or by one that was typed. */
export const easing = z.union([z.enum(curveNames as [CurveName, ...CurveName[]]), curve])
export type Easing = z.infer<typeof easing>

const curveOf = (of: CurveName | Curve): Curve => (typeof of === 'string' ? curves[of] : of)

/** So close to the time that is asked for the curve is solved, of the whole. */
const EXACT = 1e-13

/**
 * How far a value has come: 0 at the beginning, 1 at the end; between them it may go beyond both where the curve does.
 *
 * Source: CSS Easing Functions Level 1, 2.2 "Cubic Bézier easing functions". Newton's method on x, by halves where its slope is no help;
 * a table of samples to start from was tried and dropped: the steps saved are fewer than those of filling it.
 *
 * @param share of the time, from 0 to 1; what lies outside is taken as the nearer end
 */
export function eased(of: CurveName | Curve, share: number): number {
  if (share <= 0) return 0
  if (share >= 1) return 1
  const [x1, y1, x2, y2] = curveOf(of)
  if (x1 === y1 && x2 === y2) return share
  return along(y1, y2, solve(x1, x2, share))
}

const along = (a: number, b: number, u: number): number =>
  ((1 - 3 * b + 3 * a) * u + (3 * b - 6 * a)) * u * u + 3 * a * u
const slope = (a: number, b: number, u: number): number =>
  3 * (1 - 3 * b + 3 * a) * u * u + 2 * (3 * b - 6 * a) * u + 3 * a

function solve(x1: number, x2: number, x: number): number {
  let [low, high, u] = [0, 1, x]
  for (let round = 0; round < 60; round++) {
    const miss = along(x1, x2, u) - x
    if (Math.abs(miss) < EXACT) return u
    if (miss > 0) high = u
    else low = u
    const next = u - miss / slope(x1, x2, u)
    u = next > low && next < high ? next : (low + high) / 2
  }
  return u
}
