import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aCompanion, aLine, aPattern, aProject, aRing, aVary, ball, box } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import type { InstanceTable } from '../../instances'
import type { Pattern } from '../../model/pattern'
import { knowledge } from '../../sentences/knowledge'
import { bind } from '../../sentences/bind'
import { patternAsText } from '../../sentences/patternText'
import { patternNumbers } from '../../sentences/patternNumbers'
import { curveNames } from '../easing'
import { Moments } from '../moments'
import { Playing } from '../playing'
import { movements } from '../registry'
import type { Change } from './schema'
import { startChange } from './start'
import { valueAt } from './valueAt'

const aChange = (change: Partial<Change>): Change => ({ ...movements.change.begin('change', 5, 5), ...change })
const opening = aChange({
  value: 'Radius',
  quantity: 'length',
  from: { at: 1, value: 0.096 },
  keys: [{ at: 2.5, value: 0.23, easing: 'slowLast' }],
})
const cups = (motion: Change[], change: Partial<Pattern> = {}): Pattern =>
  aPattern(aRing({ hold: ['radius', 'count'], count: 8, radius: 0.23 }), ['cup'], { motion, ...change })
const radiusOf = (table: InstanceTable, row = 0): number => {
  const [x, , z] = table.moveOf(row)
  return Math.hypot(x, z)
}
const momentsOf = (...patterns: Pattern[]): Moments =>
  new Moments(aProject([box('cup', 0.02), ball('bulb', 0.01)], ...patterns), new Map())

describe('the value of a number that changes', () => {
  const steps = { from: { at: 1, value: 10 }, keys: [{ at: 2, value: 20, easing: 'evenly' as const }] }

  it('is the first until it begins, the last from the end on, and goes between them', () => {
    expect([0, 1, 1.25, 2, 9].map((t) => valueAt(steps, t))).toEqual([10, 10, 12.5, 20, 20])
  })

  it('is each key to the bit at its time, whatever the curves', () => {
    const value = fc.double({ min: -1e3, max: 1e3, noNaN: true })
    const key = fc.record({ value, easing: fc.constantFrom(...curveNames) })
    fc.assert(
      fc.property(value, fc.array(key, { minLength: 1, maxLength: 8 }), (first, made) => {
        const keys = made.map((k, i) => ({ ...k, at: 0.7 * (i + 1) }))
        for (const { at, value: to } of keys) expect(valueAt({ from: { at: 0.1, value: first }, keys }, at)).toBe(to)
        expect(valueAt({ from: { at: 0.1, value: first }, keys }, 0.1)).toBe(first)
      }),
    )
  })
})

describe('a moment of a project of which a number changes', () => {
  it('is the document with the number as it is then, worked out whole', () => {
    const moments = momentsOf(cups([opening]))
    for (const time of [0, 1, 1.7, 2.1, 2.5, 4]) {
      const { project, outcomes } = moments.at(time)
      const radius = valueAt(opening, time)
      expect(project.patterns[0].layout).toMatchObject({ radius, count: 8 })
      expect(radiusOf(outcomes[0].table, 3)).toBeCloseTo(radius, 12)
    }
  })

  it('is a function of time alone: jumped to it is what played up to it was, to the bit', () => {
    const project = aProject(
      [box('cup', 0.02)],
      cups([
        opening,
        aChange({
          id: 'more',
          value: 'Count',
          from: { at: 0, value: 2 },
          keys: [{ at: 3, value: 9, easing: 'evenly' }],
        }),
      ]),
    )
    const played = new Moments(project, new Map())
    for (let picture = 0; picture <= 72; picture++) {
      const { table } = played.at(picture / 24).outcomes[0]
      const jumped = new Moments(project, new Map()).at(picture / 24).outcomes[0].table
      expect([...table.position.subarray(0, 3 * table.count)]).toEqual([
        ...jumped.position.subarray(0, 3 * jumped.count),
      ])
    }
  })

  it('comes and goes with whole copies: a count is never between two', () => {
    const moments = momentsOf(
      cups([aChange({ value: 'Count', from: { at: 0, value: 2 }, keys: [{ at: 1, value: 9, easing: 'evenly' }] })]),
    )
    const counts = Array.from({ length: 25 }, (_, k) => moments.at(k / 24).outcomes[0].table.count)
    expect(counts[0]).toBe(2)
    expect(counts.at(-1)).toBe(9)
    for (const [k, n] of counts.entries()) expect([0, 1]).toContain(n - (counts[k - 1] ?? n))
  })

  it('takes along what goes with it, and leaves the rest as it is, not worked out again', () => {
    const bulbs = aPattern(aCompanion('shelf', { offset: [0, 0.1, 0] }), ['bulb'], { id: 'bulbs' })
    const row = aPattern(aLine({ hold: ['spacing', 'count'], count: 5 }), ['cup'], { id: 'row' })
    const moments = momentsOf(cups([opening]), bulbs, row)
    const early = moments.at(1.2)
    const before = early.outcomes[2]
    expect(radiusOf(early.outcomes[1].table, 2)).toBeCloseTo(valueAt(opening, 1.2), 12)
    const late = moments.at(2.2)
    expect(radiusOf(late.outcomes[1].table, 2)).toBeCloseTo(valueAt(opening, 2.2), 12)
    expect(late.outcomes[2]).toBe(before)
  })

  it('goes with its host still where a companion only changes a number of its own', () => {
    const bulbs = aPattern(aCompanion('shelf', { offset: [0, 0.1, 0] }), ['bulb'], {
      id: 'bulbs',
      motion: [aChange({ value: 'Offset up', quantity: 'length', keys: [{ at: 1, value: 0.2, easing: 'evenly' }] })],
    })
    const arrival = { ...movements.arrive.begin('in', 8, 5), begin: 0 }
    const { playing } = momentsOf({ ...cups([]), motion: [arrival] }, bulbs).at(0.3)
    expect(playing.of('bulbs')?.at(0, 0.3)).toEqual(playing.of('shelf')?.at(0, 0.3))
  })

  it('a step’s number is found by its step, wherever that stands in the list; one that is gone changes nothing', () => {
    const [turn, size] = [aVary('turnUp', 0, 0), aVary('size', 1, 1)]
    const grown = aChange({
      of: 'size',
      value: 'High',
      quantity: 'share',
      from: { at: 0, value: 1 },
      keys: [{ at: 1, value: 3, easing: 'evenly' }],
    })
    const steps = [
      { ...turn, id: 'turn' },
      { ...size, id: 'size' },
    ]
    for (const order of [steps, steps.toReversed()]) {
      const { project } = momentsOf(cups([grown], { steps: order })).at(0.5)
      expect(project.patterns[0].steps.find(({ id }) => id === 'size')).toMatchObject({ low: 1, high: 2 })
    }
    const without = cups([grown], { steps: [] })
    expect(momentsOf(without).at(0.5).project.patterns[0]).toEqual(without)
  })

  it('smoothed it is the mean over the pictures about it', () => {
    const smooth = { ...opening, smooth: 2 }
    const [plain, soft] = [momentsOf(cups([opening])), momentsOf(cups([smooth]))]
    const at = 1.5
    const mean = [-2, -1, 0, 1, 2].map((k) => valueAt(opening, at + k / 24)).reduce((a, b) => a + b) / 5
    expect(radiusOf(plain.at(at).outcomes[0].table)).toBeCloseTo(valueAt(opening, at), 12)
    const { table } = soft.at(at).outcomes[0]
    expect(radiusOf(table)).toBeCloseTo(mean, 12)
    expect(Math.hypot(...table.turnOf(3))).toBeCloseTo(1, 12)
  })
})

describe('the sentence of a change', () => {
  it('is of any number that the pattern’s sentences say, and begins with what that is now', () => {
    const pattern = cups([])
    const project = aProject([box('cup', 0.02)], pattern)
    const numbers = patternNumbers(pattern, { knows: knowledge, project, unit: 'mm' })
    expect(numbers.map(({ label }) => label)).toEqual(expect.arrayContaining(['Count', 'Radius', 'Start across']))
    const change = aChange({})
    for (const number of numbers) {
      startChange(change, number, pattern)
      expect([change.of, change.value, change.keys[0].value]).toEqual([number.of, number.label, number.read(pattern)])
    }
  })

  it('says from what to what, and when', () => {
    const more = { ...opening, keys: [...opening.keys, { at: 4, value: 0.2, easing: 'evenly' as const }] }
    const pattern = cups([more])
    const project = aProject([box('cup', 0.02)], pattern)
    expect(patternAsText(pattern, { knows: knowledge, project, unit: 'mm' })).toContain(
      'Its radius goes from 96 mm at 1 s to 230 mm by 2.5 s slowly at last, then to 200 mm by 4 s evenly.',
    )
  })

  it('says in the interface where the last value is not what it stands at', () => {
    const said = (radius: number): string => {
      const pattern = cups([opening], { layout: { ...cups([]).layout, radius } as Pattern['layout'] })
      const project = aProject([box('cup', 0.02)], pattern)
      const items = bind(
        movements.change.sentence,
        { root: pattern, into: (p: Pattern) => p.motion![0] as Change },
        { knows: knowledge, project, unit: 'mm', pattern },
      )
      return items.map((item) => (item.is === 'words' ? item.words : '')).join('')
    }
    expect(said(0.3).replaceAll('\u202f', ' ')).toContain('as it stands it is 300 mm')
    expect(said(0.23)).not.toContain('as it stands')
  })

  it('refuses times that run backwards, and then changes nothing but says so', () => {
    const back = { ...opening, keys: [...opening.keys, { at: 2, value: 0.2, easing: 'evenly' as const }] }
    const project = aProject([box('cup', 0.02)], cups([back]))
    const [told] = new Playing(project, new Evaluator().evaluate(project, new Map())).ownOf('shelf')
    expect(told).toMatchObject({ ok: false })
  })
})

describe('a seed that changes', () => {
  const moved = (seed: number): Pattern =>
    aPattern(aLine(), ['cup'], {
      id: 'row',
      name: 'row',
      steps: [{ ...aVary('moveUp', -0.05, 0.05), id: 'vary', seed }],
    })
  const told = patternNumbers(moved(3), { knows: knowledge, project: aProject([]), unit: 'mm' }).find(
    (n) => n.writeSeed,
  )!
  const change = aChange({
    of: told.of,
    value: told.label,
    from: { at: 1, value: 3 },
    keys: [{ at: 3, value: 17, easing: 'evenly' }],
  })
  const heights = (pattern: Pattern, time: number): number[] => {
    const { table } = momentsOf(pattern).at(time).outcomes[0]
    return Array.from({ length: table.count }, (_, k) => table.moveOf(k)[1])
  }

  it('each copy goes from where the one puts it to where the other does, evenly', () => {
    const [first, last] = [heights(moved(3), 0), heights(moved(17), 0)]
    expect(first).not.toEqual(last)
    const moving = { ...moved(5), motion: [change] }
    expect([0, 1].map((time) => heights(moving, time))).toEqual([first, first])
    expect([3, 9].map((time) => heights(moving, time))).toEqual([last, last])
    for (const [k, n] of heights(moving, 1.5).entries()) expect(n).toBeCloseTo(0.75 * first[k] + 0.25 * last[k], 12)
  })

  it('what a document cannot hold as a seed leaves it as it is; one for all changes as one', () => {
    const wrong = { ...change, from: { at: 1, value: -3 } }
    expect(heights({ ...moved(5), motion: [wrong] }, 2)).toEqual(heights(moved(5), 0))
    const all = { ...moved(5), seed: 9, motion: [change] }
    expect(heights(all, 9)).toEqual(heights(moved(17), 0))
  })
})
