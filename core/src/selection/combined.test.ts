import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aGrid, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { Flag } from '../instances'
import { type Condition, pickCombined } from './combined'
import { nearPlaces, placesOf } from './near'
import { type Pick, type PickContext, pickCopies, thingSorts } from './pick'

const pattern = aPattern(aGrid(), ['tin', 'ball'])
const project = aProject([box('tin', 0.1), ball('ball', 0.1)], pattern)
const [{ table }] = new Evaluator().evaluate(project, new Map())
const own = table.snapshot()
for (const k of [3, 8, 20]) own.flags[k] |= Flag.touched
own.flags[30] |= Flag.empty

const places = placesOf({ pattern, table: own })
const context: PickContext = {
  nameOf: (k) => `Tin ${k}`,
  sortOf: (thing) => thingSorts[thing],
  colorOf: (k) => (k % 5 === 0 ? '#A8325E' : '#17695f'),
  near: (_, within) => nearPlaces({ pattern, table: own }, places.slice(0, 1), within),
  astray: new Set([7]),
  overlapping: () => new Set([1, 2]),
}
const aPick: fc.Arbitrary<Pick> = fc.oneof(
  fc.constant<Pick>({ kind: 'all' }),
  fc.record({
    kind: fc.constant('every' as const),
    every: fc.integer({ min: 1, max: 5 }),
    from: fc.integer({ min: 1, max: 9 }),
  }),
  fc.record({
    kind: fc.constant('range' as const),
    from: fc.integer({ min: 1, max: 40 }),
    to: fc.integer({ min: 1, max: 40 }),
  }),
  fc.record({
    kind: fc.constant('line' as const),
    which: fc.constantFrom('row' as const, 'column' as const, 'layer' as const),
    number: fc.integer({ min: 1, max: 7 }),
  }),
  fc.record({
    kind: fc.constant('share' as const),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    seed: fc.nat(99),
    first: fc.constantFrom('chance' as const, 'smallest' as const, 'largest' as const),
  }),
  fc.record({ kind: fc.constant('name' as const), text: fc.constantFrom('1', '?', 'tin 2*') }),
  fc.record({ kind: fc.constant('part' as const), thing: fc.nat(1) }),
  fc.record({ kind: fc.constant('sort' as const), sort: fc.constantFrom(...thingSorts) }),
  fc.record({ kind: fc.constant('color' as const), color: fc.constantFrom('#a8325e', '#17695F', '#000000') }),
  fc.record({
    kind: fc.constant('near' as const),
    of: fc.constant('x'),
    within: fc.double({ min: 0.01, max: 1, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('state' as const),
    state: fc.constantFrom('touched up' as const, 'off the ground' as const, 'overlapping' as const),
  }),
)
const picked = (...conditions: Condition[]): string[] => pickCombined(own, 'p', conditions, context)

describe('conditions that are joined', () => {
  const all = pickCopies(own, 'p', { kind: 'all' })
  const but = (keys: readonly string[]): string[] => all.filter((key) => !keys.includes(key))

  it('obey De Morgan: not (a and b) is not a or not b, not (a or b) is not a and not b', () => {
    fc.assert(
      fc.property(aPick, aPick, (a, b) => {
        expect(but(picked({ joint: 'and', pick: a }, { joint: 'and', pick: b }))).toEqual(
          picked({ joint: 'and not', pick: a }, { joint: 'or not', pick: b }),
        )
        expect(but(picked({ joint: 'and', pick: a }, { joint: 'or', pick: b }))).toEqual(
          picked({ joint: 'and not', pick: a }, { joint: 'and not', pick: b }),
        )
      }),
      { numRuns: 300 },
    )
  })

  it('go from the first to the last, and the order of those joined alike changes nothing', () => {
    fc.assert(
      fc.property(aPick, aPick, aPick, fc.constantFrom('and' as const, 'or' as const), (a, b, c, joint) => {
        const [one, two, three] = [a, b, c].map((pick) => picked({ joint: 'and', pick }))
        const mixed = all.filter((key) => (one.includes(key) || two.includes(key)) && three.includes(key))
        expect(picked({ joint: 'and', pick: a }, { joint: 'or', pick: b }, { joint: 'and', pick: c })).toEqual(mixed)
        expect(picked({ joint: 'and', pick: a }, { joint, pick: b }, { joint, pick: c })).toEqual(
          picked({ joint: 'and', pick: c }, { joint, pick: a }, { joint, pick: b }),
        )
      }),
    )
  })

  it('what is near is so from place to place, in the world, as measured one by one', () => {
    const turned = {
      ...pattern,
      at: [1, 2, 3] as [number, number, number],
      turn: [0, 0.7, 0] as [number, number, number],
    }
    const stands = { pattern: turned, table: own }
    const targets = placesOf(stands)
    for (const within of [0.05, 0.1001, 0.35]) {
      const near = nearPlaces({ pattern, table: own }, targets, within)
      for (let k = 0; k < own.count; k++) {
        const least = Math.min(...targets.map((at) => Math.hypot(...own.moveOf(k).map((n, i) => n - at[i]))))
        expect(near(k)).toBe(least <= within)
      }
    }
    expect(nearPlaces(stands, targets.slice(4, 5), 1e-9)(4)).toBe(true)
  })

  it('an image of a mirror stands in no row or column', () => {
    const images = table.snapshot()
    for (let k = 0; k < images.count; k++) images.slotHigh[k] = (images.slotHigh[k] | 0x80000000) >>> 0
    expect(pickCopies(images, 'p', { kind: 'line', which: 'row', number: 1 })).toEqual([])
  })
})
