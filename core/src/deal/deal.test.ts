import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aGrid, aLine, aPattern, aProject, aRing, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Deal } from './schema'
import type { Layout } from '../layouts/index'

const parts = [box('a', 0.1), box('b', 0.2), ball('c', 0.05), box('d', 0.3)]
const dealt = (layout: Layout, deal: Deal, among = parts): string[] => {
  const [{ table, problem }] = new Evaluator().evaluate(
    aProject(among, { ...aPattern(layout, ['a']), deal }),
    new Map(),
  )
  expect(problem).toBeUndefined()
  return Array.from(table.thing.subarray(0, table.count), (i) => among[i].id)
}
const pitched = (count: number): Layout => aLine({ hold: ['count', 'spacing'], measure: 'pitch', spacing: 0.4, count })
const gapped = (count: number): Layout => aLine({ hold: ['count', 'spacing'], measure: 'gap', spacing: 0.01, count })

describe('dealing', () => {
  it('A9: in turn; every nth another; first, middle and last; one alone is a first', () => {
    expect(dealt(pitched(5), { kind: 'inTurn', parts: ['a', 'b'] }).join('')).toBe('ababa')
    expect(dealt(pitched(7), { kind: 'nth', parts: ['a', 'b'], every: 3, from: 2 }).join('')).toBe('abaabaa')
    expect(dealt(gapped(5), { kind: 'ends', parts: ['a', 'b', 'c'] }).join('')).toBe('abbbc')
    expect(dealt(gapped(1), { kind: 'ends', parts: ['a', 'b', 'c'] }).join('')).toBe('a')
  })

  it('A13: in the variants called so, the part itself where none is, and with the gaps of those that stand there', () => {
    const lid = (id: string, name: string, width: number, variants: string[] = []) => ({
      ...box(id, width),
      name,
      ...(variants.length > 0 && { variants }),
    })
    const among = [
      lid('tin', 'Tin', 0.1, ['tin-open', 'tin-tall']),
      lid('tin-open', 'Tin, open', 0.14),
      lid('tin-tall', 'Tin, tall', 0.09),
      lid('jar', 'Jar', 0.08, ['jar-open']),
      lid('jar-open', 'Open jar', 0.12),
      lid('cup', 'Cup', 0.05),
    ]
    const of = (called: string, layout = pitched(4)): string =>
      dealt(layout, { kind: 'inTurn', parts: ['tin', 'jar', 'cup'], variants: { called } }, among).join(' ')
    expect(of('OPEN')).toBe('tin-open jar-open cup tin-open')
    expect(of('tall')).toBe('tin-tall jar cup tin-tall')
    expect(of('of glass')).toBe('tin jar cup tin')
    const pattern = aPattern(gapped(3), ['tin'], {
      deal: { kind: 'inTurn', parts: ['tin', 'jar'], variants: { called: 'open' } },
    })
    const [{ table }] = new Evaluator().evaluate(aProject(among, pattern), new Map())
    // Half of each, and the gap between them.
    expect(table.position[3] - table.position[0]).toBeCloseTo(0.07 + 0.01 + 0.06, 12)
    const renamed = among.map((p) => (p.id === 'tin-open' ? { ...p, name: 'Tin, shut' } : p))
    const evaluator = new Evaluator()
    evaluator.evaluate(aProject(among, pattern), new Map())
    const [after] = evaluator.evaluate(aProject(renamed, pattern), new Map())
    expect(renamed[after.table.thing[0]].id).toBe('tin')
  })

  it('by row, by column and by layer of a grid, and by ring', () => {
    const rows = dealt(aGrid(), { kind: 'by', by: 'row', parts: ['a', 'b'] })
    expect([rows.slice(0, 7).join(''), rows.slice(7, 14).join('')]).toEqual(['aaaaaaa', 'bbbbbbb'])
    expect(
      dealt(aGrid(), { kind: 'by', by: 'column', parts: ['a', 'b', 'c'] })
        .slice(0, 7)
        .join(''),
    ).toBe('abcabca')
    const rings = dealt(aRing({ count: 4, rings: 3, ringCounts: 'same' }), {
      kind: 'by',
      by: 'ring',
      parts: ['a', 'b'],
    })
    expect(rings.join('')).toBe('aaaabbbbaaaa')
  })

  it('A10: at random by weight: counts near their shares, none for weight 0, the same for the same seed', () => {
    const deal: Deal = { kind: 'random', parts: ['a', 'b', 'c'], weights: [3, 1, 0], seed: 17 }
    const names = dealt(pitched(4000), deal)
    const count = (id: string): number => names.filter((n) => n === id).length
    // Binomial: sd √(4000 · ¾ · ¼) = 27.4; 4 sd.
    expect(Math.abs(count('a') - 3000)).toBeLessThan(110)
    expect(count('c')).toBe(0)
    expect(dealt(pitched(4000), deal)).toEqual(names)
    expect(dealt(pitched(4000), { ...deal, seed: 18 })).not.toEqual(names)
  })

  it('J11: a copy more changes nobody; a part more or a greater weight only takes copies', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 3, maxLength: 3 }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (seed, weights, more) => {
          const deal: Deal = { kind: 'random', parts: ['a', 'b', 'c'], weights, seed }
          const before = dealt(pitched(60), deal)
          expect(dealt(pitched(61), deal).slice(0, 60)).toEqual(before)
          const joined = dealt(pitched(60), { ...deal, parts: ['a', 'b', 'c', 'd'], weights: [...weights, more] })
          joined.forEach((id, k) => expect([before[k], 'd']).toContain(id))
          const heavier = dealt(pitched(60), { ...deal, weights: [weights[0] + more, weights[1], weights[2]] })
          heavier.forEach((id, k) => expect([before[k], 'a']).toContain(id))
        },
      ),
      { numRuns: 30 },
    )
  })

  it('A14: one part pinned to one copy survives a new seed', () => {
    const pinned = (seed: number): string =>
      dealtWith({ kind: 'random', parts: ['a', 'b'], weights: [1, 1], seed }, { '3': { part: 'd' } })[3]
    const dealtWith = (deal: Deal, touchUps: Record<string, { part: string }>): string[] => {
      const project = aProject(parts, { ...aPattern(pitched(6), ['a']), deal, touchUps })
      const [{ table }] = new Evaluator().evaluate(project, new Map())
      return Array.from(table.thing.subarray(0, 6), (i) => parts[i].id)
    }
    expect([1, 2, 3, 4].map(pinned)).toEqual(['d', 'd', 'd', 'd'])
  })

  it('A13: variants in turn and at random', () => {
    const family = produce(parts, (draft) => void (draft[0].variants = ['b', 'c']))
    expect(dealt(pitched(6), { kind: 'inTurn', parts: ['a'], variants: 'inTurn' }, family).join('')).toBe('abcabc')
    expect(dealt(pitched(3), { kind: 'inTurn', parts: ['a'] }, family).join('')).toBe('aaa')
    const random = dealt(pitched(300), { kind: 'inTurn', parts: ['a'], variants: 'random' }, family)
    expect(new Set(random)).toEqual(new Set(['a', 'b', 'c']))
  })
})

describe('gaps between unlike parts', () => {
  const widths: Record<string, number> = { a: 0.1, b: 0.2, c: 0.05, d: 0.3 }
  const gapsOf = (deal: Deal, layout: Layout): number[] => {
    const [{ table }] = new Evaluator().evaluate(aProject(parts, { ...aPattern(layout, ['a']), deal }), new Map())
    const half = (k: number): number => widths[parts[table.thing[k]].id] / 2
    return Array.from(
      { length: table.count - 1 },
      (_, k) => table.position[3 * k + 3] - half(k + 1) - (table.position[3 * k] + half(k)),
    )
  }

  it.each<[string, Deal]>([
    ['dealt at random', { kind: 'random', parts: ['a', 'b', 'c', 'd'], weights: [1, 1, 1, 1], seed: 5 }],
    ['with other ends', { kind: 'ends', parts: ['a', 'b', 'd'] }],
    ['every third another', { kind: 'nth', parts: ['a', 'd'], every: 3, from: 3 }],
  ])('are all as asked, %s', (_, deal) => {
    for (const gap of gapsOf(deal, gapped(40))) expect(gap).toBeCloseTo(0.01, 12)
  })

  it.each<[string, Deal]>([
    ['dealt at random', { kind: 'random', parts: ['a', 'b', 'c', 'd'], weights: [1, 2, 1, 1], seed: 9 }],
    ['with other ends', { kind: 'ends', parts: ['a', 'b', 'd'] }],
  ])('a room holds the most that fit, %s', (_, deal) => {
    const line = (change: Partial<Extract<Layout, { kind: 'line' }>>): Layout =>
      aLine({ measure: 'gap', spacing: 0.01, edges: 'outsides', ends: 'both', leftover: 'end', ...change })
    for (const room of [0.35, 1, 3.3, 12]) {
      const fits = new Evaluator().evaluate(
        aProject(parts, { ...aPattern(line({ hold: ['spacing', 'room'], room }), ['a']), deal }),
        new Map(),
      )[0].laid
      const count = fits?.kind === 'line' ? fits.count : 0
      const runOf = (n: number): number => {
        const laid = new Evaluator().evaluate(
          aProject(parts, { ...aPattern(line({ hold: ['count', 'spacing'], count: n }), ['a']), deal }),
          new Map(),
        )[0].laid
        return laid?.kind === 'line' ? laid.run : NaN
      }
      expect(runOf(count)).toBeLessThanOrEqual(room + 1e-9)
      expect(runOf(count + 1)).toBeGreaterThan(room - 1e-9)
    }
  })
})
