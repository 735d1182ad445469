import { said } from '../../../test/placed'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aGrid, aLine, aPattern, aProject, box, pitched } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import type { InstanceTable } from '../../instances'
import type { Part } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import { type Variation, varied } from '../../values/variation'
import { type Vary } from './schema'
import { readProject } from '../../model/project'

const tin = box('tin', 0.1)
const vary = (change: Partial<Vary> = {}): Vary => ({
  kind: 'vary',
  id: 'v',
  what: 'turnUp',
  low: -0.1,
  high: 0.1,
  spread: 'even',
  axes: 'copy',
  seed: 17,
  share: 1,
  ...(change.what === 'color' && { colors: { from: '#a8325e', to: '#17695f', shades: 8 } }),
  strength: 1,
  ...change,
})
const grid = (columns: number): Pattern['layout'] => aGrid({ across: pitched(columns, 0.2), deep: pitched(10, 0.2) })
const outcome = (change: Partial<Pattern>, parts: Part[] = [tin], columns = 10) =>
  new Evaluator().evaluate(aProject(parts, aPattern(grid(columns), ['tin'], change)), new Map())[0]
const worked = (change: Partial<Pattern>, parts?: Part[], columns?: number): InstanceTable =>
  outcome(change, parts, columns).table.snapshot()
const plain = worked({})
const angles = (table: InstanceTable): number[] =>
  Array.from(
    { length: table.count },
    (_, k) => 2 * Math.atan2(table.quaternion[4 * k + 1], table.quaternion[4 * k + 3]),
  )

describe('what varies', () => {
  it('J8: stays between low and high, evenly or bell-shaped', () => {
    for (const spread of ['even', 'bell'] as const) {
      const sizes = [...worked({ steps: [vary({ what: 'size', low: 0.5, high: 2, spread })] }, undefined, 100).scale]
      const first = sizes.filter((_, i) => i % 3 === 0).slice(0, 1000)
      expect(Math.min(...first)).toBeGreaterThanOrEqual(0.5)
      expect(Math.max(...first)).toBeLessThanOrEqual(2)
      // Even in ratio: half lie below 1. Binomial, sd 15.8; 4 sd.
      expect(Math.abs(first.filter((s) => s < 1).length - 500)).toBeLessThan(64)
      const middle = first.filter((s) => s > 2 ** -0.5 && s < 2 ** 0.5).length
      if (spread === 'even') expect(Math.abs(middle - 500)).toBeLessThan(64)
      else expect(middle).toBeGreaterThan(800)
    }
  })

  it('J7: one strength of the pattern for all that varies it, that of its parts too; at 0 it is exact', () => {
    const lively: Part = { ...tin, variation: [vary({ what: 'turnUp', seed: 3, low: -0.2, high: 0.2 })] }
    const steps = [vary({ id: 'a' }), vary({ id: 'b', what: 'size', low: 0.5, high: 2 })]
    const [full, half, none] = [1, 0.5, 0].map((strength) => worked({ steps, strength }, [lively]))
    expect(full).toEqual(worked({ steps }, [lively]))
    const [all, some] = [angles(full), angles(half)]
    all.forEach((angle, k) => expect(some[k]).toBeCloseTo(angle / 2, 12))
    for (let k = 0; k < 100; k++) expect(half.scale[3 * k]).toBeCloseTo(Math.sqrt(full.scale[3 * k]), 12)
    expect([none.position, none.scale]).toEqual([plain.position, plain.scale])
    expect(angles(none)).toEqual(angles(plain))
    // A step’s own strength is of that.
    const both = angles(worked({ steps: [vary({ strength: 0.5 })], strength: 0.5 }))
    angles(worked({ steps: [vary()] })).forEach((angle, k) => expect(both[k]).toBeCloseTo(angle / 4, 12))
  })

  it('J2, J3: one size for all axes, or one axis alone', () => {
    const even = worked({ steps: [vary({ what: 'size', low: 0.5, high: 2 })] }).scale
    for (let k = 0; k < 100; k++) expect([even[3 * k + 1], even[3 * k + 2]]).toEqual([even[3 * k], even[3 * k]])
    const up = worked({ steps: [vary({ what: 'sizeUp', low: 0.5, high: 2 })] }).scale
    for (let k = 0; k < 100; k++) expect([up[3 * k], up[3 * k + 2]]).toEqual([1, 1])
  })

  it('in steps: turns are whole quarter turns', () => {
    const turned = angles(worked({ steps: [vary({ low: 0, high: 1.5 * Math.PI, steps: Math.PI / 2 })] }))
    const quarters = turned.map((a) => a / (Math.PI / 2))
    for (const q of quarters) expect(Math.abs(q - Math.round(q))).toBeLessThan(1e-9)
    expect(new Set(quarters.map((q) => (Math.round(q) + 4) % 4)).size).toBe(4)
  })

  it('J5: no tilt at a cone of nothing, and moves follow the axes that are named', () => {
    const upright = worked({ steps: [vary({ what: 'tilt', low: 0, high: 0 })] })
    expect([...upright.quaternion.slice(0, 400)]).toEqual([...plain.quaternion.slice(0, 400)])
    const place = { move: [0, 0, 0] as [number, number, number], turn: [0, Math.PI / 2, 0] as [number, number, number] }
    const moved = worked({ place, steps: [vary({ what: 'moveAcross', low: 1, high: 1, axes: 'world' })] })
    // The pattern is turned by a quarter: the world's across is its deep.
    expect(moved.position[0]).toBeCloseTo(plain.position[0], 12)
    expect(moved.position[2]).toBeCloseTo(plain.position[2] + 1, 12)
  })

  it.each(varied.map((what) => [what]))('J7: strength 0 leaves %s exactly as it was', (what) => {
    const table = worked({ steps: [vary({ what, low: 0.5, high: 0.9, strength: 0 })] })
    expect([...table.position]).toEqual([...plain.position])
    table.scale.forEach((s) => expect(s).toBe(1))
    table.quaternion.forEach((q, i) => expect(q).toBeCloseTo(plain.quaternion[i], 15))
  })
})

describe('whom it reaches', () => {
  it('J10: a share by each copy’s own chance, told in the facts; or exactly so many', () => {
    const some = outcome({ steps: [vary({ share: 0.4 })] }, undefined, 100)
    const changed = angles(some.table)
      .slice(0, 1000)
      .filter((a) => a !== 0).length
    // Binomial, sd 15.5; 3.5 sd.
    expect(Math.abs(changed - 400)).toBeLessThan(55)
    expect(said(some.stepFacts['v'])).toMatch(new RegExp(`^${changed} of `))
    const exact = worked({ steps: [vary({ share: 0, exactly: 30 })] })
    expect(angles(exact).filter((a) => a !== 0)).toHaveLength(30)
  })

  it('J11, J12: more copies and other steps change nobody; shares are nested', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.double({ min: 0.05, max: 0.9, noNaN: true }), (seed, share) => {
        const few = worked({ steps: [vary({ seed, share })] })
        const more = worked(
          { steps: [vary({ seed: 3, id: 'other', what: 'size', low: 0.9, high: 1.1 }), vary({ seed, share })] },
          undefined,
          12,
        )
        const turned = new Map(angles(more).map((a, k) => [`${more.slotLow[k]} ${more.slotHigh[k]}`, a]))
        angles(few).forEach((a, k) => expect(turned.get(`${few.slotLow[k]} ${few.slotHigh[k]}`)).toBe(a))
        const wide = angles(worked({ steps: [vary({ seed, share: share + 0.1 })] }))
        angles(few).forEach((a, k) => a !== 0 && expect(wide[k]).toBe(a))
      }),
      { numRuns: 20 },
    )
  })

  it('a saved selection alone', () => {
    const project = aProject(
      [tin],
      aPattern(aLine({ hold: ['count', 'spacing'], count: 6 }), ['tin'], { steps: [vary({ only: 'set' })] }),
    )
    const withSet = { ...project, sets: [{ id: 'set', name: 'Two', copies: { shelf: ['1', '4'] } }] }
    const [{ table }] = new Evaluator().evaluate(withSet, new Map())
    expect(angles(table).map((a) => (a === 0 ? 0 : 1))).toEqual([0, 1, 0, 0, 1, 0])
  })
})

describe('A17: variation that a part brings with it', () => {
  const own: Variation = { what: 'turnUp', low: -1, high: 1, spread: 'even', axes: 'copy', seed: 17 }
  const lively: Part = { ...tin, variation: [own] }

  it('reaches its copies everywhere, and a pattern may do without', () => {
    expect(angles(worked({}, [lively])).every((a) => a !== 0)).toBe(true)
    expect(angles(worked({ plain: ['tin'] }, [lively])).every((a) => a === 0)).toBe(true)
  })
})

it('J9: a size that would reach 0 is refused by the document', () => {
  const project = aProject([tin], aPattern(grid(3), ['tin'], { steps: [vary({ what: 'size', low: 0, high: 2 })] }))
  const read = readProject(JSON.parse(JSON.stringify(project)))
  expect(read.ok).toBe(false)
})
