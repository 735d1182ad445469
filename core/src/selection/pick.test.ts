import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aGrid, aPattern, aProject, ball, box, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { Flag, InstanceTable } from '../instances'
import { partsAlike } from './alike'
import { type PickState, inverted, pickCopies } from './pick'

const project = aProject([box('tin', 0.1), ball('ball', 0.1)], aPattern(aGrid(), ['tin', 'ball']))
const { table } = new Evaluator().evaluate(project, new Map())[0]
const rowOf = (key: string): number => {
  for (let k = 0; k < table.count; k++)
    if (pickCopies(table, 'p', { kind: 'range', from: k + 1, to: k + 1 })[0] === key) return k
  return -1
}

describe('picking in a grid of 7 by 5', () => {
  it.each([
    [{ kind: 'all' } as const, 35],
    [{ kind: 'every', every: 3, from: 2 } as const, 12],
    [{ kind: 'range', from: 30, to: 99 } as const, 6],
    [{ kind: 'line', which: 'row', number: 2 } as const, 7],
    [{ kind: 'line', which: 'column', number: 7 } as const, 5],
    [{ kind: 'line', which: 'layer', number: 2 } as const, 0],
    [{ kind: 'part', thing: 1 } as const, 17],
  ])('%j picks %i', (pick, count) => expect(pickCopies(table, 'p', pick)).toHaveLength(count))

  it('the second row is copies 8 to 14', () => {
    const keys = pickCopies(table, 'p', { kind: 'line', which: 'row', number: 2 })
    expect(keys.map(rowOf)).toEqual([7, 8, 9, 10, 11, 12, 13])
  })

  it('by name text, whatever its case; nothing for nothing', () => {
    const nameOf = (row: number): string => (row < 3 ? `Left ${row}` : 'Right')
    expect(pickCopies(table, 'p', { kind: 'name', text: 'LEFT' }, { nameOf })).toHaveLength(3)
    expect(pickCopies(table, 'p', { kind: 'name', text: '  ' }, { nameOf })).toHaveLength(0)
  })

  it('by a saved selection, and by shape: a part of another name, size or hand is alike', () => {
    const all = pickCopies(table, 'p', { kind: 'all' })
    const inSet = (set: string) => new Set(set === 'some' ? [all[0], all[9], 'nobody'] : [])
    expect(pickCopies(table, 'p', { kind: 'set', set: 'some' }, { inSet })).toEqual([all[0], all[9]])
    expect(pickCopies(table, 'p', { kind: 'set', set: 'gone' }, { inSet })).toEqual([])

    const parts = [
      box('tin', 0.1),
      ball('ball', 0.1),
      { ...box('large', 0.2), shape: { kind: 'box' as const, width: 0.2, height: 0.3, depth: 0.238 } },
      box('flat', 0.3),
      { ...box('twin', 1), shape: { kind: 'twin' as const, of: 'tin' } },
    ]
    const source = { parts, meshes: new Map() }
    expect([...partsAlike(parts, 0, source)].sort()).toEqual([0, 2, 4])
    expect([...partsAlike(parts, 1, source)]).toEqual([1])
    const alike = (thing: number) => partsAlike(parts, thing, source)
    expect(pickCopies(table, 'p', { kind: 'shape', thing: 2 }, { alike })).toEqual(
      pickCopies(table, 'p', { kind: 'part', thing: 0 }),
    )
  })

  it('inverting twice is nothing', () => {
    const some = pickCopies(table, 'p', { kind: 'every', every: 4, from: 1 })
    const rest = inverted(table, new Set(some))
    expect(rest).toHaveLength(35 - some.length)
    expect(inverted(table, new Set(rest))).toEqual(some)
  })
})

describe('a share', () => {
  const many = new Evaluator().evaluate(
    aProject([box('tin', 0.1)], aPattern(aGrid({ across: pitched(100, 0.2), deep: pitched(10, 0.2) }), ['tin'])),
    new Map(),
  )[0].table

  it('keeps what a smaller one picked, and its size is that of so many chances (N9: 300 ± 51 of 1 000)', () => {
    const shares = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }))
    fc.assert(
      fc.property(shares, fc.integer({ min: 0, max: 1e6 }), ([a, b], seed) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)].map((share) =>
          pickCopies(many, 'p', { kind: 'share', share, seed }),
        )
        const set = new Set(more)
        expect(less.every((key) => set.has(key))).toBe(true)
      }),
      { numRuns: 30 },
    )
    const picked = pickCopies(many, 'p', { kind: 'share', share: 0.3, seed: 17 })
    expect(Math.abs(picked.length - 300)).toBeLessThan(51)
  })

  it('belongs to the copy: fewer copies change nobody', () => {
    const fewer = Object.assign(new InstanceTable(), many, { count: 400 })
    const all = new Set(pickCopies(many, 'p', { kind: 'share', share: 0.5, seed: 3 }))
    const rest = pickCopies(fewer, 'p', { kind: 'share', share: 0.5, seed: 3 })
    expect(rest.every((key) => all.has(key))).toBe(true)
    expect(rest.length).toBe(
      pickCopies(many, 'p', { kind: 'range', from: 1, to: 400 }).filter((key) => all.has(key)).length,
    )
  })

  it('by name with signs: * for anything, ? for one character, of the whole name or a word of it', () => {
    const nameOf = (row: number): string => ['Matcha sweet 1', 'Matcha sweet 12', 'Yuzu (soft)', 'yuzu.soft'][row] ?? ''
    const rows = (text: string): number[] => pickCopies(table, 'p', { kind: 'name', text }, { nameOf }).map(rowOf)
    expect(rows('match* sweet ?')).toEqual([0])
    expect(rows('m*t *')).toEqual([0, 1])
    expect(rows('yuzu (s*')).toEqual([2])
    expect(rows('yuzu.s*')).toEqual([3])
    expect(rows('?')).toEqual([0])
  })

  it('by what became of them', () => {
    const own = table.snapshot()
    own.flags[3] |= Flag.touched
    own.flags[5] |= Flag.twin | Flag.held
    const rows = (state: PickState): number[] =>
      pickCopies(own, 'p', { kind: 'state', state }, { astray: new Set([7]) }).map(rowOf)
    expect([rows('touched up'), rows('twins'), rows('held'), rows('off the ground')]).toEqual([[3], [5], [5], [7]])
  })

  it('the smallest first: nobody that is left out is smaller, and a larger share keeps what a smaller one picked', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 3, noNaN: true }), { minLength: 35, maxLength: 35 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom('smallest' as const, 'largest' as const),
        (sizes, a, b, first) => {
          const own = table.snapshot()
          for (const [k, size] of sizes.entries()) own.setSize(k, [size, 1, 1])
          // A ball is smaller than the box about it.
          const volumeOf = (thing: number): number => (thing === 0 ? 1 : Math.PI / 6)
          const picked = (share: number): number[] =>
            pickCopies(own, 'p', { kind: 'share', share, seed: 3, first }, { volumeOf }).map(rowOf)
          const [small, large] = [picked(Math.min(a, b)), picked(Math.max(a, b))]
          expect(small.length).toBe(Math.round(35 * Math.min(a, b)))
          expect(large).toEqual(expect.arrayContaining(small))
          const volume = (k: number): number => sizes[k] * volumeOf(own.thing[k])
          const out = Array.from({ length: 35 }, (_, k) => k).filter((k) => !small.includes(k))
          const sign = first === 'smallest' ? 1 : -1
          for (const k of small)
            for (const other of out) expect(sign * (volume(other) - volume(k))).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
})
