import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aCompanion, aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { inAxes } from '../evaluation/inAxes'
import { Evaluator } from '../evaluate'
import { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { convexOf } from '../parts/convex'
import { lookThrough } from './lookThrough'

const parts = [box('crate', 0.1), ball('ball', 0.12), box('plank', 1.1)]
const found = (project: Project) => {
  const outcomes = new Evaluator().evaluate(project, new Map())
  return { outcomes, between: lookThrough(project, new Map(), outcomes).filter(({ what }) => what === 'between') }
}
const row = (id: string, part: string, change: Partial<Pattern> = {}) =>
  aPattern(aLine({ hold: ['count', 'spacing'], measure: 'pitch', edges: 'centres', spacing: 0.2, count: 4 }), [part], {
    id,
    name: id,
    ...change,
  })
const at = (x: number, y: number, z: number): Pattern['place'] => ({ move: [x, y, z], turn: [0, 0, 0] })

describe('overlaps between patterns', () => {
  it('tells each pair of patterns once, with the copies of both and the deepest', () => {
    const project = aProject(parts, row('a', 'crate'), row('b', 'crate', { place: at(0.08, 0, 0) }))
    const { between } = found(project)
    expect(between).toHaveLength(1)
    expect(between[0]).toMatchObject({ pattern: 'a', count: 4, rows: [0, 1, 2, 3], other: { pattern: 'b' } })
    expect(between[0].worst).toBeCloseTo(0.02, 5)
  })

  it('what touches does not overlap; what is hidden is not looked at', () => {
    expect(found(aProject(parts, row('a', 'crate'), row('b', 'crate', { place: at(0.1, 0, 0) }))).between).toEqual([])
    const hidden = row('b', 'crate', { place: at(0.08, 0, 0), hidden: true })
    expect(found(aProject(parts, row('a', 'crate'), hidden)).between).toEqual([])
  })

  it('what goes with another pattern stands in it on purpose', () => {
    const bulbs = aPattern(aCompanion('a', { at: 'centre' }), ['ball'], { id: 'bulbs' })
    const project = aProject(parts, row('a', 'crate'), bulbs)
    expect(found(project).outcomes[1].table.presentCount()).toBe(4)
    expect(found(project).between).toEqual([])
  })

  it('finds the very pairs that comparing each with each finds, small things on a large one among them', () => {
    const place = fc.record({
      move: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -0.4, max: 0.4, noNaN: true }))) as fc.Arbitrary<
        [number, number, number]
      >,
      turn: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -3, max: 3, noNaN: true }))) as fc.Arbitrary<
        [number, number, number]
      >,
    })
    const pattern = fc.record({ part: fc.constantFrom('crate', 'ball', 'plank'), place })
    fc.assert(
      fc.property(fc.array(pattern, { minLength: 2, maxLength: 5 }), (rows) => {
        const project = aProject(parts, ...rows.map(({ part, place }, i) => row(`row-${i}`, part, { place })))
        const { outcomes, between } = found(project)
        const source = { parts, meshes: new Map() }
        let [count, worst, isDoubled] = [0, 0, false]
        for (let a = 0; a < rows.length; a++)
          for (let b = a + 1; b < rows.length; b++) {
            const tables = [a, b].map((i) => inAxes(outcomes[i].table, project.patterns[i].place))
            const both = new InstanceTable()
            both.neutral(tables[0].count + tables[1].count)
            tables.forEach((table, t) => {
              for (let k = 0; k < table.count; k++) both.putRow(table, k, t * tables[0].count + k)
            })
            const bodies = new Bodies(both, (thing) => convexOf(parts[thing], source))
            for (let i = 0; i < tables[0].count; i++)
              for (let j = tables[0].count; j < both.count; j++) {
                // Copies exactly on each other are told as that.
                const apart = [0, 1, 2].map((axis) => both.position[3 * i + axis] - both.position[3 * j + axis])
                if (both.thing[i] === both.thing[j] && Math.hypot(...apart) < 2e-6) {
                  isDoubled = true
                  continue
                }
                const { gap } = gapOf(bodies, i, j)
                // Outlines of boxes and balls are what they are; a ball's triangles lie a little inside it.
                if (gap > -2e-3) continue
                count++
                worst = Math.max(worst, -gap)
              }
          }
        const told = between.reduce((n, finding) => n + finding.count, 0)
        expect(told).toBeGreaterThanOrEqual(count)
        if (count > 0 && !isDoubled)
          expect(Math.abs(between.reduce((n, f) => Math.max(n, f.worst), 0) - worst)).toBeLessThan(2e-3)
      }),
      { numRuns: 60 },
    )
  })
})
