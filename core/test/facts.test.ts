import { describe, expect, it } from 'vitest'
import { factsOf, thingsIn } from '../src/evaluate'
import { unrolled } from '../src/layouts/index'
import { plainReflection } from '../src/values/reflection'
import type { Line } from '../src/layouts/line/schema'
import { type Path, plainPath } from '../src/layouts/path/schema'
import { plainRing, type Ring } from '../src/layouts/ring/schema'
import type { Pattern } from '../src/model/pattern'
import type { Step } from '../src/steps/index'
import { plainSpacing } from '../src/values/spacing'
import { evaluated, said } from './placed'
import { aGrid, aLine, aPattern, aProject, box } from './projects'

const parts = [box('tin', 0.119), box('wide', 0.2), box('bead', 0.02)]
const told = (layout: Pattern['layout'], dealt = ['tin'], more: Partial<Pattern> = {}): string =>
  said(evaluated(aProject(parts, aPattern(layout, dealt, more))).facts)
const thinned: Step = { kind: 'thin', id: 't', every: 2, from: 1 }

describe('what is said of a line is how it stands', () => {
  const shelf = (more: Partial<Line> = {}): Line => aLine({ leftover: 'both', ...more })

  it('with equal parts one figure each, and a sum that comes out', () => {
    expect(told(shelf())).toBe('1 + 8 more · They take 1 167 mm, left over 13 mm · pitch 131 mm · two overall 250 mm')
  })

  it('with unlike parts a range, not that of the first two', () => {
    expect(told(shelf({ hold: ['count', 'spacing'], count: 4 }), ['tin', 'tin', 'wide'])).toBe(
      '1 + 3 more · They take 593 mm · pitch 131 to 171.5 mm · two overall 250 to 331 mm',
    )
  })

  it('left over that went into the intervals is none of the room besides', () => {
    expect(told(shelf({ leftover: 'widen' }))).toContain('They take 1 180 mm, 13 mm spread over the intervals')
  })

  it('places that are left empty or thinned out are seen in it; of one copy nothing is said that one has not', () => {
    expect(told(shelf(), ['tin'], { steps: [thinned] })).toContain(
      'gap 12 mm asked, 143 mm as they stand · pitch 262 mm',
    )
    expect(
      told(shelf({ hold: ['count', 'spacing'], count: 3, measure: 'pitch', spacing: 0.2 }), ['tin'], {
        touchUps: { '1': { empty: true } },
      }),
    ).toContain('pitch 200 mm asked, 400 mm as they stand · gap 281 mm')
    expect(told(shelf({ hold: ['count', 'spacing'], count: 1 }))).toBe('It takes 119 mm')
    expect(told(shelf({ hold: ['count', 'spacing'], count: 1 }), ['tin'], { touchUps: { '0': { empty: true } } })).toBe(
      'no copy stands there',
    )
  })

  it('one that is moved by hand says what was asked and how they stand', () => {
    expect(
      told(shelf({ hold: ['count', 'spacing'], count: 3 }), ['tin'], { touchUps: { '1': { move: [0.005, 0, 0] } } }),
    ).toContain('gap 12 mm asked, 7 to 17 mm as they stand · pitch 126 to 136 mm')
  })
})

describe('of a grid', () => {
  const held = { ...plainSpacing, hold: ['count', 'spacing'] as ['count', 'spacing'] }
  it('each direction over all its rows', () => {
    const grid = aGrid({ across: { ...held, count: 3, spacing: 0.22 }, deep: { ...held, count: 2, spacing: 0.3 } })
    expect(told(grid, ['tin', 'wide'])).toBe(
      '3 × 2 = 6 copies · across: 440 mm between centres · gap 60.5 mm · two overall 379.5 mm · deep: 300 mm between centres · gap 181 mm · two overall 419 mm',
    )
  })
  it('a hexagonal packing uses its room whole wherever the leftover goes, and counts the shifted rows in', () => {
    const room = {
      ...plainSpacing,
      hold: ['spacing', 'room'] as ['spacing', 'room'],
      spacing: 0.1,
      room: 0.7013,
      edges: 'outsides' as const,
    }
    for (const leftover of ['end', 'both', 'start'] as const) {
      const grid = aGrid({
        across: { ...room, leftover },
        deep: { ...held, count: 4, spacing: 0.1 },
        rows: { kind: 'hexagonal' },
      })
      const { table } = evaluated(aProject(parts, aPattern(grid, ['bead'])))
      expect(table.count).toBe(28)
      const xs = Array.from({ length: table.count }, (_, k) => table.position[3 * k])
      const [low, high] = [Math.min(...xs) - 0.01, Math.max(...xs) + 0.01]
      const start = -0.7013 * { start: 0, centre: 0.5, end: 1 }[grid.anchor.across]
      const left = { end: 0, both: (0.7013 - (high - low)) / 2, start: 0.7013 - (high - low) }[leftover]
      expect(low - start).toBeCloseTo(left, 9)
    }
  })
})

describe('of a ring', () => {
  const ring = (more: Partial<Ring>): Ring => ({ ...plainRing, radius: 0.3, count: 8, ...more })
  it('a helix that widens has true straight distances, and a range of arcs', () => {
    const facts = told(
      ring({ count: 3, sweep: { kind: 'arc', angle: Math.PI, ends: 'both' }, rise: 0.05, widen: 0.04 }),
      ['bead'],
    )
    const straight = (a: number, b: number): number => Math.hypot(a, b, 0.05)
    expect(facts).toContain(
      `straight ${(1000 * straight(0.3, 0.34)).toFixed(2)} to ${(1000 * straight(0.34, 0.38)).toFixed(2)} mm`,
    )
  })
  it('every second one left out is seen in all figures, and nothing overlaps that is gone', () => {
    const facts = told(ring({ count: 20 }), ['tin'], { steps: [thinned] })
    expect(facts).toContain('36° apart')
    expect(facts).not.toContain('overlap')
  })
  it('several rings are all measured', () => {
    const facts = told(ring({ rings: 3, radialPitch: 0.2, ringCounts: 'same' }), ['bead'])
    expect(facts).toMatch(/^24 copies on 3 rings · 45° apart · arc 235.62 to 549.78 mm/)
  })
})

describe('of a path', () => {
  it('pitch along it, straight and clear distances, each as they stand', () => {
    const path: Path = {
      ...plainPath,
      curve: {
        kind: 'points',
        points: [
          [0, 0, 0],
          [1, 0, 0],
          [1, 0, 1],
        ],
        smooth: false,
        closed: false,
      },
      count: 9,
    }
    const facts = told(path, ['bead'])
    expect(facts).toContain('9 copies on 2 000 mm · pitch 250 mm')
    expect(facts).toContain('1 corner')
    expect(facts).not.toContain('asked')
  })
})

describe('images of a reflection', () => {
  const reflected: Step = { kind: 'reflect', id: 'r', ...plainReflection('deep') }
  const path: Path = {
    ...plainPath,
    curve: {
      kind: 'points',
      points: [
        [0, 0, 0.2],
        [1, 0, 0.2],
      ],
      smooth: false,
      closed: false,
    },
    count: 5,
  }
  it.each([
    ['a path', path, 'pitch 250 mm'],
    ['a ring', { ...plainRing, radius: 0.3, count: 8 }, '45° apart'],
  ] as const)('stand nowhere on %s, whose figures stay as they are', (_, layout, wanted) => {
    const project = aProject(parts, aPattern(layout, ['bead'], { steps: [reflected] }))
    const outcome = evaluated(project)
    expect(said(outcome.facts)).toContain(wanted)
    const flat = unrolled(layout, outcome, thingsIn(project, new Map(), [outcome]))
    if (flat.as !== 'path' && flat.as !== 'ring') throw new Error(flat.as)
    expect(flat.strip.count).toBe(layout.count)
    for (const values of [flat.strip.low, flat.strip.high, flat.strip.pivot])
      expect(values.every(Number.isFinite)).toBe(true)
  })
})

describe('of a crowd', () => {
  it('what is measured is told when it is asked for', () => {
    const held = { ...plainSpacing, hold: ['count', 'spacing'] as ['count', 'spacing'], spacing: 0.2 }
    const grid = aGrid({ across: { ...held, count: 100 }, deep: { ...held, count: 60 } })
    const project = aProject(parts, aPattern(grid, ['tin']))
    const outcome = evaluated(project)
    expect(said(outcome.facts)).toBe('100 × 60 = 6 000 copies')
    expect(said(factsOf(project, new Map(), [outcome], project.patterns[0]))).toContain(
      'across: 19 800 mm between centres · gap 81 mm',
    )
  })
})
