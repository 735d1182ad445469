import fc from 'fast-check'
import { expect, it } from 'vitest'
import { aPlan } from '../../test/plans'
import type { Vec3 } from '../values/values'
import { type Plan, inPlane, planAxes, planLies, scaledPlan } from './plan'

const floor = aPlan({ pixels: [640, 480], perPixel: 0.001, strength: 0.6 })
/** Where a pixel lies in the world, counted from the middle to the right and upward. */
function placeOf(plan: Plan, pixel: readonly [number, number]): Vec3 {
  const [right, up] = planAxes(plan)
  return plan.move.map((n, i) => n + plan.perPixel * (pixel[0] * right[i] + pixel[1] * up[i])) as Vec3
}
const pixel = fc.tuple(fc.integer({ min: -320, max: 320 }), fc.integer({ min: -240, max: 240 }))

it('two places on it are so far apart as was said, and the first of them stays, however it lies', () => {
  fc.assert(
    fc.property(
      pixel,
      pixel,
      fc.constantFrom(...planLies),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 0.01, max: 40, noNaN: true }),
      (a, b, lies, turn, length) => {
        fc.pre(Math.hypot(a[0] - b[0], a[1] - b[1]) > 1)
        const plan: Plan = { ...floor, lies, turn, move: [0.4, 0.1, -2] }
        const made = scaledPlan(plan, placeOf(plan, a), placeOf(plan, b), length)
        if (!made.ok) throw new Error('refused')
        const [from, to] = [a, b].map((p) => inPlane(lies, placeOf(made.value, p)))
        expect(Math.abs(Math.hypot(to[0] - from[0], to[1] - from[1]) / length - 1)).toBeLessThan(1e-12)
        placeOf(made.value, a).forEach((n, i) => expect(Math.abs(n - placeOf(plan, a)[i])).toBeLessThan(1e-12))
      },
    ),
  )
})

it('a distance of 0 and one place clicked twice are refused with what to do', () => {
  const says = (length: number, to: Vec3): string => {
    const made = scaledPlan(floor, [0, 0, 0], to, length)
    return made.ok ? '' : made.problem.says.map((s) => (typeof s === 'string' ? s : '…')).join('')
  }
  expect(says(0, [1, 0, 0])).toContain('more than 0')
  expect(says(1, [0, 0, 0])).toContain('Click two places that lie apart')
  expect(says(1, [0.2, 0, 0])).toBe('')
})
