import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../test/projects'
import { Evaluator, type PatternOutcome, checkPattern, thingsIn } from './evaluate'
import { Flag, slotKeyOf, slotOfKey } from './instances'
import { factsText, sentenceText } from './numbers/format'
import type { Project } from './model/project'
import { unrolled } from './layouts/index'

const tin = box('tin', 0.119)
const none = new Map()
const evaluate = (project: Project): PatternOutcome => new Evaluator().evaluate(project, none)[0]
const shelf = (change = {}, more = {}): Project => aProject([tin], aPattern(aLine(change), ['tin'], more))
/** The first band of a pattern's strip. */
const stripOf = (outcome: PatternOutcome, project: Project, meshes: typeof none) => {
  const flat = unrolled(project.patterns[0].layout, outcome, thingsIn(project, meshes, [outcome]))
  return flat.as === 'bands' ? flat.bands[0].strip : undefined
}
const xs = ({ table }: PatternOutcome): number[] => Array.from({ length: table.count }, (_, k) => table.position[3 * k])

describe('a line', () => {
  it('places nine tins with what is left over at both ends', () => {
    const outcome = evaluate(shelf())
    expect(outcome.table.count).toBe(9)
    xs(outcome).forEach((x, k) => expect(x).toBeCloseTo(0.066 + k * 0.131, 12))
    expect(factsText(outcome.facts, 'mm').replaceAll('\u202f', ' ')).toBe(
      '1 + 8 more · They take 1 167 mm, left over 13 mm · pitch 131 mm · two overall 250 mm',
    )
    expect(sentenceText(outcome.working, 'mm').replaceAll('\u202f', ' ')).toBe(
      'count is worked out: (1 180 mm + 12 mm) ÷ (119 mm + 12 mm) = 9.09, so 9',
    )
  })

  it('runs in minus directions and along a step in three directions at once', () => {
    const back = evaluate(shelf({ direction: { kind: 'axis', axis: 'deep', sign: -1 }, leftover: 'end' }))
    expect(back.table.position[2]).toBeCloseTo(-0.0595, 12)
    const step = evaluate(
      shelf({ direction: { kind: 'amounts', step: [0.1, 0.02, -0.03] }, hold: ['spacing', 'count'], count: 60 }),
    )
    for (let k = 0; k < 60; k++) {
      const at = Array.from(step.table.position.slice(3 * k, 3 * k + 3))
      ;[0.1, 0.02, -0.03].forEach((amount, i) => expect(at[i]).toBeCloseTo(k * amount, 12))
    }
  })

  it('deals parts of different widths in turn and keeps the gap between them', () => {
    const project = aProject(
      [tin, box('wide', 0.2), box('slim', 0.05)],
      aPattern(aLine({ hold: ['count', 'spacing'], count: 7 }), ['tin', 'wide', 'slim']),
    )
    const outcome = evaluate(project)
    expect(Array.from(outcome.table.thing.slice(0, 7))).toEqual([0, 1, 2, 0, 1, 2, 0])
    const strip = stripOf(outcome, project, none)!
    for (let i = 0; i < 6; i++) expect(strip.low[i + 1] - strip.high[i]).toBeCloseTo(0.012, 12)
  })

  it('refuses a step of nothing and a line by amounts that lets its step go', () => {
    const nothing = evaluate(shelf({ direction: { kind: 'amounts', step: [0, 0, 0] } }))
    expect([nothing.table.count, nothing.problem && sentenceText(nothing.problem.says, 'mm')]).toEqual([
      0,
      'A step of nothing leads nowhere: type how far across, up or deep the next copy stands.',
    ])
    const project = shelf({ direction: { kind: 'amounts', step: [1, 0, 0] }, hold: ['count', 'room'] })
    expect(checkPattern(project, project.patterns[0], none).ok).toBe(false)
  })
})

describe('touch-ups', () => {
  const touched = (count: number) =>
    shelf(
      { hold: ['spacing', 'count'], count },
      {
        touchUps: {
          '2': { move: [0, 0.1, 0], turn: [0, Math.PI / 2, 0], size: [2, 1, 1] },
          '4': { empty: true },
          '63': { move: [1, 0, 0] },
        },
      },
    )

  it('stay with their copies while the count changes, and wait while their copy is away', () => {
    for (const count of [5, 9, 100]) {
      const outcome = evaluate(touched(count))
      expect(outcome.table.position[7]).toBeCloseTo(0.1, 12)
      expect(outcome.table.scale[6]).toBe(2)
      expect(outcome.empty).toBe(1)
      expect(outcome.table.flags[4]).toBe(Flag.touched | Flag.empty)
      expect(outcome.touched).toBe(count > 0x63 ? 3 : 2)
    }
  })

  it('show in the strip as the copies finally stand', () => {
    const project = touched(9)
    const strip = stripOf(evaluate(project), project, none)!
    expect(strip.count).toBe(8)
    // Turned a quarter about up and doubled along its own across, now deep: along the line it is as wide as it was deep.
    expect(strip.high[2] - strip.low[2]).toBeCloseTo(0.119, 12)
    expect(strip.low[4] - strip.high[3]).toBeCloseTo(0.012 * 2 + 0.119, 12)
  })

  it('can give one copy another part', () => {
    const project = aProject(
      [tin, box('wide', 0.2)],
      aPattern(aLine(), ['tin'], { touchUps: { '8': { part: 'wide' } } }),
    )
    expect(Array.from(evaluate(project).table.thing.slice(7, 9))).toEqual([0, 1])
  })
})

describe('slots', () => {
  it('keep every copy that stays when the count changes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 1, max: 200 }), (a, b) => {
        const slots = (count: number) => {
          const { table } = evaluate(shelf({ hold: ['spacing', 'count'], count }))
          return Array.from({ length: count }, (_, k) => slotKeyOf(table.slotLow[k], table.slotHigh[k]))
        }
        const [one, two] = [slots(a), slots(b)]
        expect(one.slice(0, Math.min(a, b))).toEqual(two.slice(0, Math.min(a, b)))
        expect(new Set(one).size).toBe(a)
      }),
      { numRuns: 20 },
    )
  })

  it('read back from their keys', () => {
    fc.assert(
      fc.property(fc.nat(0xffffffff), fc.nat(0xffffffff), (low, high) => {
        expect(slotOfKey(slotKeyOf(low, high))).toEqual([low, high])
      }),
    )
  })
})

describe('the evaluator', () => {
  const two = aProject([tin, box('cup', 0.08)], aPattern(aLine(), ['tin']), aPattern(aLine(), ['cup'], { id: 'cups' }))

  it('works out again only what depends on a change', () => {
    const evaluator = new Evaluator()
    const before = evaluator.evaluate(two, none)
    const renamed = evaluator.evaluate(
      produce(two, (d) => void (d.name = 'Other')),
      none,
    )
    expect(renamed).toEqual(before)
    expect(renamed[0]).toBe(before[0])
    const resized = evaluator.evaluate(
      produce(two, (d) => void (d.parts[1] = box('cup', 0.09))),
      none,
    )
    expect(resized[0]).toBe(before[0])
    expect(resized[1].table.position[0]).not.toBe(undefined)
    expect(resized[1]).not.toBe(before[1])
  })

  it('follows a part to its new place when another part before it is removed', () => {
    const evaluator = new Evaluator()
    evaluator.evaluate(two, none)
    const [cups] = evaluator.evaluate(
      produce(two, (d) => void (d.parts.shift(), d.patterns.shift())),
      none,
    )
    expect(cups.table.thing[0]).toBe(0)
  })

  it('reuses its table and leaves nothing of the last count in it', () => {
    const evaluator = new Evaluator()
    const many = evaluator.evaluate(shelf({ hold: ['spacing', 'count'], count: 1000 }), none)[0].table
    const few = evaluator.evaluate(shelf({ hold: ['spacing', 'count'], count: 3 }), none)[0].table
    expect([few === many, few.count, few.snapshot().position.length]).toEqual([true, 3, 9])
  })
})
