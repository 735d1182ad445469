import { z } from 'zod'
import type { Vec3 } from '../geometry/vec'
import { fileRef, ownId } from '../values/marks'
import { finite, name, positive, share, vec3 } from '../values/values'
import { type Result, done, refused } from '../words'

/** How a plan lies: on the ground, or standing as it is seen from the front or from the side. */
export const planLies = ['ground', 'front', 'side'] as const
export const planTypes = ['image/png', 'image/jpeg', 'image/webp', 'image/svg+xml'] as const

/** A picture or a drawing under the arrangement, to click on. */
export const plan = z.object({
  id: ownId(),
  name,
  file: fileRef('picture'),
  fileName: z.string().max(200),
  mime: z.enum(planTypes),
  /** How wide and high it is: in pixels, or in the units of a drawing. */
  pixels: z.tuple([positive, positive]),
  /** Metres to one of them. */
  perPixel: positive,
  lies: z.enum(planLies),
  /** Where its middle is, and how it is turned in its own plane, counter-clockwise as it is looked at. Radians. */
  move: vec3,
  turn: finite,
  /** How strongly it shows. */
  strength: share,
  hidden: z.boolean(),
  locked: z.literal(true).optional(),
})
export type Plan = z.infer<typeof plan>
type Lies = Plan['lies']

/** Pictures of more pixels than these are refused: 64 million. */
export const MOST_PIXELS = 64_000_000

/** Two places nearer than this part of a plan's width tell no scale. */
const TOO_NEAR = 1e-6

/**
 * A plan scaled so that two places on it are so far apart in truth. The first of them stays where it is.
 *
 * @param from a place of the world on it, as it lies now; so is `to`
 * @param length the true distance, in metres
 */
export function scaledPlan(plan: Plan, from: Readonly<Vec3>, to: Readonly<Vec3>, length: number): Result<Plan> {
  const [a, b] = [from, to].map((at) => inPlane(plan.lies, at))
  const now = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (!(length > 0)) return refused('The true distance is more than 0: type a length such as ', { length: 2.69 }, '.')
  if (now <= TOO_NEAR * plan.perPixel * plan.pixels[0])
    return refused('Those are the same place. Click two places that lie apart.')
  const by = length / now
  return done({
    ...plan,
    perPixel: plan.perPixel * by,
    move: plan.move.map((n, i) => from[i] + by * (n - from[i])) as Vec3,
  })
}

/** A place of the world as it is seen on a plan: to the right and upward; metres. */
export function inPlane(lies: Lies, [x, y, z]: Readonly<Vec3>): readonly [number, number] {
  if (lies === 'ground') return [x, -z]
  return lies === 'front' ? [x, y] : [-z, y]
}

/** The axes of a plan in the world, as it lies: to the right, upward and towards whoever looks at it. */
export function planAxes({ lies, turn }: Pick<Plan, 'lies' | 'turn'>): readonly [Vec3, Vec3, Vec3] {
  const [right, up, out]: readonly [Vec3, Vec3, Vec3] =
    lies === 'ground'
      ? [
          [1, 0, 0],
          [0, 0, -1],
          [0, 1, 0],
        ]
      : lies === 'front'
        ? [
            [1, 0, 0],
            [0, 1, 0],
            [0, 0, 1],
          ]
        : [
            [0, 0, -1],
            [0, 1, 0],
            [1, 0, 0],
          ]
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return [right.map((n, i) => c * n + s * up[i]) as Vec3, right.map((n, i) => c * up[i] - s * n) as Vec3, out]
}
