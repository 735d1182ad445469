import fc from 'fast-check'
import { expect, it } from 'vitest'
import { aPattern, aProject, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import { type Vec3, dot, minus, plus, times } from '../geometry/vec'
import { bodiesOf } from './body'
import { space, spaceDefaults } from './space'

const place = fc.tuple(
  ...[0, 1, 2].map(() => fc.integer({ min: -500, max: 500 }).map((n) => n / 500)),
) as fc.Arbitrary<Vec3>

it('along the line through the ends all come onto it, at equal pitches, and none stands beyond the two that do not move', () => {
  fc.assert(
    fc.property(fc.uniqueArray(place, { minLength: 3, maxLength: 9, selector: String }), (places) => {
      const spots = places.map((move, slot) => ({ slot, move }))
      const doc = aProject([box('tin', 0.01)], aPattern({ kind: 'spots', spots }, ['tin'], { id: 'spots' }))
      const outcomes = new Evaluator().evaluate(doc, new Map())
      const things = places.map((_, k) => ({ is: 'copy', pattern: 'spots', slot: String(k) }) as const)
      const bodies = bodiesOf({ project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) }, things)
      for (const held of ['even', 'distance'] as const) {
        const how = { ...spaceDefaults, along: 'ends', by: 'pitch', held, overlaps: true } as const
        const made = space(bodies, bodies[1], how)
        if (!made.ok) throw new Error(made.problem.says.join(''))
        const { wanted, direction } = made.value
        const [first] = wanted
        wanted.forEach(({ to }, k) => {
          const off = minus(to.move, plus(first.to.move, times(direction!, k * made.value.pitches[0])))
          expect(Math.hypot(...off)).toBeLessThan(1e-9)
        })
        // The marked one keeps its place along the line; evened out, the outermost two keep theirs to the bit.
        const marked = wanted.find(({ body }) => body === bodies[1])!
        if (held === 'distance')
          expect(dot(minus(marked.to.move, marked.body.stands.move), direction!)).toBeCloseTo(0, 9)
        else for (const k of [0, wanted.length - 1]) expect(wanted[k].to).toBe(wanted[k].body.stands)
      }
    }),
  )
})
