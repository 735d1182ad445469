import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Bodies } from '../src/clearing/bodies'
import { gapOf } from '../src/clearing/gap'
import type { Grid } from '../src/layouts/grid/schema'
import type { Line } from '../src/layouts/line/schema'
import { type Path, plainPath } from '../src/layouts/path/schema'
import { plainRing, type Ring } from '../src/layouts/ring/schema'
import { convexOf } from '../src/parts/convex'
import { gridPlaceOf } from '../src/slots'
import { supportOfCopy } from '../src/spacing/support'
import { plainSpacing } from '../src/values/spacing'
import type { Part } from '../src/model/part'
import type { Pattern } from '../src/model/pattern'
import { supportIn } from '../src/evaluate'
import { stripAlong } from '../src/spacing/strip'
import type { Grade } from '../src/steps/grade/schema'
import type { Step } from '../src/steps/index'
import { evaluated, said } from './placed'
import { aGrid, aLine, aPattern, aProject, aVary, box } from './projects'

const graded: Grade = {
  kind: 'grade',
  id: 'smaller',
  what: 'size',
  by: 'ends',
  first: 1,
  last: 0.2,
  amount: 0,
  factor: 1,
  over: { kind: 'order' },
  easing: 'evenly',
}
/** Turned by so much about up, each anew. */
const turned = (low: number, high: number): Step => aVary('turnUp', low, high)
/** Sized by how far across they stand. */
const byPlace: Grade = { ...graded, id: 'by-place', over: { kind: 'along', axis: 'across' } }

const parts = [box('tin', 0.1), box('jar', 0.06)]
const worked = (line: Partial<Line>, more: Partial<Pattern> = {}, dealt = ['tin']) => {
  const project = aProject(parts, aPattern(aLine(line), dealt, more))
  const outcome = evaluated(project)
  const { low, high, count } = stripAlong(outcome.table, [1, 0, 0], supportIn(project, new Map(), [outcome]))
  const gaps = Array.from({ length: Math.max(count - 1, 0) }, (_, k) => low[k + 1] - high[k])
  return { ...outcome, gaps, from: low[0], to: high[count - 1] }
}
const expectAll = (gaps: readonly number[], gap: number): void => {
  expect(gaps.length).toBeGreaterThan(0)
  for (const g of gaps) expect(Math.abs(g - gap)).toBeLessThan(1e-9)
}

describe('a gap along a line holds between copies as they stand', () => {
  it('where steps size them by their order: 20 mm between 100 % and 20 %', () => {
    const { gaps } = worked({ hold: ['count', 'spacing'], count: 5, spacing: 0.02 }, { steps: [graded] })
    expectAll(gaps, 0.02)
    const dealt = worked(
      { hold: ['count', 'spacing'], count: 5, spacing: 0.02, outlines: 'dealt' },
      { steps: [graded] },
    )
    expect(dealt.gaps.map((g) => Math.round(g * 1000))).toEqual([30, 50, 70, 90])
  })

  it('where they are turned, sized and given other parts by hand; an empty place keeps its width', () => {
    const touchUps = {
      '1': { turn: [0, 0.7, 0] as [number, number, number] },
      '3': { part: 'jar', size: [2, 1, 1] as [number, number, number] },
    }
    const line = { hold: ['count', 'spacing'] as Line['hold'], count: 6, spacing: 0.015 }
    expectAll(worked(line, { touchUps, steps: [turned(-0.4, 0.4)] }, ['tin', 'jar']).gaps, 0.015)
    const { gaps } = worked(line, { touchUps: { '2': { empty: true } } })
    expect(gaps.map((g) => Math.round(g * 1e6))).toEqual([15000, 130000, 15000, 15000])
  })

  it('where their size follows from where they stand: both are brought to agree', () => {
    const { gaps, facts } = worked({ hold: ['count', 'spacing'], count: 7, spacing: 0.01 }, { steps: [byPlace] })
    expectAll(gaps, 0.01)
    expect(said(facts)).toMatch(/sizes and places agree after \d+ rounds/)
  })

  it('by count and room the gap is worked out, by gap and room the count, and each gives the others back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 30 }),
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom<Step[]>([graded], [turned(-0.5, 0.5)], [graded, turned(0, 1)]),
        (count, mm, steps) => {
          const gap = mm / 1000
          const asked = worked({ hold: ['count', 'spacing'], count, spacing: gap }, { steps })
          expectAll(asked.gaps, gap)
          const room = asked.to - asked.from
          const spread = worked({ hold: ['count', 'room'], count, room }, { steps })
          expectAll(spread.gaps, gap)
          expect(spread.to - spread.from).toBeCloseTo(room, 9)
          const filled = worked(
            { hold: ['spacing', 'room'], spacing: gap, room: room + 1e-7, leftover: 'end' },
            { steps },
          )
          expectAll(filled.gaps, gap)
          // More might fit where a longer row has smaller copies; never fewer.
          expect(filled.table.count).toBeGreaterThanOrEqual(count)
          expect(filled.to - filled.from).toBeLessThanOrEqual(room + 1e-6)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('one that does not fit as it is dealt is placed where it does as it stands', () => {
    const small: Grade = { ...graded, id: 'small', first: 0.3, last: 0.3 }
    const asked = { hold: ['spacing', 'room'] as Line['hold'], spacing: 0.01, room: 0.08 }
    const { table, from, to, gaps } = worked(asked, { steps: [small] })
    expect([table.count, Math.round((to - from) * 1e6)]).toEqual([2, 70_000])
    expectAll(gaps, 0.01)
    expect(worked({ ...asked, room: 0.02 }, { steps: [small] }).problem).toBeDefined()
  })

  it('what is left over goes where it is to go, by outlines as they stand', () => {
    for (const leftover of ['end', 'start', 'both', 'widen', 'tighten', 'extra'] as const) {
      const { from, to, gaps } = worked(
        { hold: ['spacing', 'room'], spacing: 0.02, room: 0.9, leftover },
        { steps: [graded] },
      )
      expect(to).toBeLessThanOrEqual(0.9 + 1e-9)
      const [before, after] = [from, 0.9 - to]
      if (leftover === 'end') expect(before).toBeCloseTo(0, 9)
      if (leftover === 'start') expect(after).toBeCloseTo(0, 9)
      if (leftover === 'both') expect(before).toBeCloseTo(after, 9)
      if (leftover === 'widen' || leftover === 'tighten') {
        expect([before, after].map((n) => Math.abs(n) < 1e-9)).toEqual([true, true])
        for (const g of gaps) expect(g).toBeCloseTo(gaps[0], 9)
      }
      if (leftover === 'extra') expectAll(gaps.slice(0, -1), 0.02)
    }
  })
})

/** Nearest distances between the outlines of copies that follow each other in their table. */
function neighbourGaps(pattern: Pattern, closes = false): number[] {
  const outcome = evaluated(aProject(parts, pattern))
  expect(outcome.problem).toBeUndefined()
  const { table } = outcome
  const source = { parts, meshes: new Map() }
  const bodies = new Bodies(table, (thing) => convexOf(parts[thing], source))
  const pairs = table.count - (closes ? 0 : 1)
  return Array.from({ length: pairs }, (_, k) => gapOf(bodies, k, (k + 1) % table.count).gap)
}

describe('round a ring', () => {
  const ring = (more: Partial<Ring>): Ring => ({ ...plainRing, measure: 'gap', spacing: 0.0137, ...more })

  it('a gap is the nearest distance between two outlines, the radius following, with unlike parts and steps', () => {
    for (const steps of [[], [graded], [turned(-0.5, 0.5)]]) {
      const gaps = neighbourGaps(
        aPattern(ring({ hold: ['count', 'spacing'], count: 12 }), ['tin', 'jar'], { steps }),
        true,
      )
      expect(Math.min(...gaps)).toBeCloseTo(0.0137, 9)
    }
  })

  it('the most copies that keep it are placed, as they stand', () => {
    for (const steps of [[], [{ ...graded, last: 0.6 }]]) {
      const pattern = aPattern(ring({ hold: ['spacing', 'radius'], radius: 0.4 }), ['tin', 'jar'], { steps })
      const gaps = neighbourGaps(pattern, true)
      expect(Math.min(...gaps)).toBeGreaterThanOrEqual(0.0137 - 1e-9)
      const more = ring({ hold: ['count', 'radius'], radius: 0.4, count: gaps.length + 1 })
      expect(Math.min(...neighbourGaps({ ...pattern, layout: more }, true))).toBeLessThan(0.0137)
    }
  })
})

describe('in a grid', () => {
  it('a column is as wide as its widest, a row as deep as its deepest, and the gap holds between them', () => {
    const direction = {
      ...plainSpacing,
      hold: ['count', 'spacing'] as ['count', 'spacing'],
      measure: 'gap' as const,
      spacing: 0.02,
    }
    const grid: Grid = aGrid({ across: { ...direction, count: 4 }, deep: { ...direction, count: 3 } })
    const project = aProject(parts, aPattern(grid, ['tin', 'jar', 'tin'], { steps: [graded] }))
    const { table } = evaluated(project)
    const supportOf = supportIn(project, new Map(), [])
    for (const [which, axis] of [
      [0, [1, 0, 0]],
      [1, [0, 0, 1]],
    ] as const) {
      const lanes: { low: number; high: number }[] = []
      for (let k = 0; k < table.count; k++) {
        const lane = gridPlaceOf(table.slotLow[k], table.slotHigh[k])[which]
        const { low, high } = supportOfCopy(table, k, supportOf(table.thing[k]), [...axis])
        const at = table.position[3 * k + (which === 0 ? 0 : 2)]
        const known = lanes[lane] ?? { low: Infinity, high: -Infinity }
        lanes[lane] = { low: Math.min(known.low, at + low), high: Math.max(known.high, at + high) }
      }
      for (let n = 0; n + 1 < lanes.length; n++) expect(lanes[n + 1].low - lanes[n].high).toBeCloseTo(0.02, 9)
    }
  })
})

describe('along a path', () => {
  const smooth = (...points: [number, number, number][]): Path['curve'] => ({
    kind: 'points',
    points,
    smooth: true,
    closed: false,
  })
  const bends: Path['curve'][] = [
    // Bends wider than a copy: round tighter ones the distance may fall as the way goes on, and one gap for all need not exist.
    smooth([0, 0, 0], [1, 0, 0.4], [2, 0.2, -0.3], [3, 0, 0.1]),
    { kind: 'helix', radius: 0.5, endRadius: 0.8, height: 1, turns: 2 },
    { kind: 'catenary', to: [2, 0.4, 0], by: 'length', value: 2.8 },
    { kind: 'polygon', sides: 5, radius: 0.9 },
  ]
  const anyPath = fc.record({
    curve: fc.constantFrom(...bends),
    facing: fc.constantFrom<Path['facing'][]>('along', 'upright', 'leastTwist', 'unchanged'),
    twist: fc.constantFrom(0, 1),
    aside: fc.constantFrom(0, 0.08),
    reverse: fc.boolean(),
    ends: fc.constantFrom<Path['ends'][]>('both', 'start', 'between', 'half'),
    leftover: fc.constantFrom<Path['leftover'][]>('end', 'start', 'both', 'widen', 'tighten'),
    insetStart: fc.constantFrom(0, 0.07),
    spacing: fc.integer({ min: 1, max: 40 }).map((mm) => mm / 1000),
    // Few copies on a winding way are so far apart that one gap for all need not exist.
    count: fc.integer({ min: 12, max: 20 }),
  })
  const anySteps = fc.constantFrom<Step[]>([], [{ ...graded, last: 0.5 }], [turned(-0.3, 0.3)])

  it('a gap is the nearest distance of all neighbours, whatever the way bends', () => {
    fc.assert(
      fc.property(anyPath, anySteps, (change, steps) => {
        const layout: Path = { ...plainPath, ...change, hold: 'spacing', measure: 'gap' }
        const gaps = neighbourGaps(aPattern(layout, ['tin', 'jar'], { steps }))
        // A copy comes round a corner at once, and may come to stand farther on for it.
        const isSharp = layout.curve.kind === 'polygon'
        const isEvened = layout.leftover === 'widen' || layout.leftover === 'tighten'
        const gap = isEvened ? Math.min(...gaps) : layout.spacing
        for (const g of gaps) {
          expect(g).toBeGreaterThanOrEqual(gap - 1e-9)
          if (!isSharp) expect(Math.abs(g - gap)).toBeLessThan(1e-9)
        }
        if (layout.leftover === 'widen') expect(gap).toBeGreaterThanOrEqual(layout.spacing - 1e-9)
        if (layout.leftover === 'tighten' && steps.length === 0) expect(gap).toBeLessThanOrEqual(layout.spacing + 1e-9)
      }),
      // A path that bends and whose copies are graded takes up to seconds: each agreement lays it out anew.
      { numRuns: 30 },
    )
  })

  it('a gap that neighbours keep even on one spot is refused, and at once', () => {
    // Plates 4 mm thin are freed of each other by 4 mm upward, wherever they lie.
    const plate: Part = { ...box('plate', 0.1), shape: { kind: 'box', width: 0.1, height: 0.004, depth: 0.1 } }
    const layout: Path = { ...plainPath, curve: bends[0], hold: 'spacing', measure: 'gap', spacing: -0.03 }
    const { problem, table } = evaluated(aProject([plate], aPattern(layout, ['plate'])))
    expect([said(problem!.says), table.count]).toEqual([
      'A gap of −30 mm would put neighbours on one spot: they overlap by less even there. Type a wider one.',
      0,
    ])
    const few = evaluated(aProject([plate], aPattern({ ...layout, spacing: -0.003 }, ['plate'])))
    expect(few.table.count).toBeGreaterThan(1)
  })

  it('by count it is worked out, and gives the count back', () => {
    fc.assert(
      fc.property(anyPath, (change) => {
        const curve = bends[change.count % 3]
        // Beside a bend narrower than they stand from it, copies would pass over a place more than once.
        const layout: Path = { ...plainPath, ...change, curve, aside: 0, hold: 'count', measure: 'gap' }
        const gaps = neighbourGaps(aPattern(layout, ['tin', 'jar']))
        for (const g of gaps) expect(Math.abs(g - gaps[0])).toBeLessThan(1e-9)
        const back = aPattern({ ...layout, hold: 'spacing', spacing: gaps[0] - 1e-9, leftover: 'end' }, ['tin', 'jar'])
        expect(neighbourGaps(back).length).toBe(gaps.length)
      }),
      { numRuns: 60 },
    )
  })

  it('all round a closed one it holds at the closing pair too', () => {
    const closed: Path['curve'] = {
      ...smooth([0, 0, 0], [0.7, 0, 0.6], [1.4, 0, 0], [0.7, 0, -0.5]),
      closed: true,
    } as never
    const layout: Path = { ...plainPath, curve: closed, hold: 'count', count: 14, measure: 'gap', facing: 'along' }
    const gaps = neighbourGaps(aPattern(layout, ['tin', 'jar']), true)
    expect(gaps.length).toBe(14)
    expectAll(gaps, gaps[0])
  })
})

describe('along a straight path', () => {
  it('a gap holds as it does along a line', () => {
    const curve: Path['curve'] = {
      kind: 'points',
      points: [
        [0, 0, 0],
        [2, 0, 0],
      ],
      smooth: false,
      closed: false,
    }
    const layout: Path = { ...plainPath, curve, hold: 'spacing', measure: 'gap', spacing: 0.015 }
    const gaps = neighbourGaps(aPattern(layout, ['tin', 'jar'], { steps: [graded] }))
    expectAll(gaps, 0.015)
  })
})
