import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said, slotsOf } from '../../../test/placed'
import { aGrid, aPattern, aProject, ball, box, packed, pitched } from '../../../test/projects'
import { bind } from '../../sentences/bind'
import { knowledge } from '../../sentences/knowledge'
import type { Grid } from './schema'
import { gridSentence } from './sentence'
import { gridPlaceOf, gridSlotHigh, gridSlotLow } from '../../slots'

const sweet = box('sweet', 0.056)
const tray = (change: Partial<Grid> = {}, more = {}) =>
  evaluated(aProject([sweet], aPattern(aGrid(change), ['sweet'], more)))

describe('a grid', () => {
  it('C1: stands at exact multiples of its pitches, counted as a product', () => {
    const { table, facts } = tray({ up: pitched(3, 0.2) })
    expect(table.count).toBe(105)
    expect(placesOf(table)[35 + 7 + 3]).toEqual([3 * 0.09, 0.2, 0.09])
    expect(said(facts)).toContain('7 × 5 × 3 = 105 copies · across: 540 mm between centres · gap 34 mm')
  })

  it('hexagonal, it keeps of count and room what was touched last, and says the other as worked out', () => {
    const rows = { kind: 'hexagonal' } as const
    const deep = { ...pitched(3, 0.09), room: 0.6, edges: 'centres' } as const
    const pattern = (hold: Grid['deep']['hold']) => aPattern(aGrid({ rows, deep: { ...deep, hold } }), ['sweet'])
    // Eight rows at 90 · √3/2 = 77.94 mm take 545.6 mm of 600 mm between centres.
    for (const [hold, count] of [
      [['room', 'count'], 3],
      [['count', 'room'], 8],
      [['spacing', 'count'], 3],
      [['room', 'spacing'], 8],
    ] as const) {
      const { laid } = evaluated(aProject([sweet], pattern([...hold])))
      expect(laid?.kind === 'grid' && laid.deep.count, hold.join()).toBe(count)
      const items = bind(
        gridSentence,
        { root: pattern([...hold]).layout as Grid, into: (g: Grid) => g },
        { knows: knowledge, project: aProject([sweet]), unit: 'mm', laid },
      )
      const states = items.flatMap((item) => (item.is === 'number' && item.label.endsWith(' deep') ? [item.state] : []))
      expect(states, hold.join()).toEqual(count === 3 ? ['held', 'worked', 'worked'] : ['worked', 'worked', 'held'])
    }
  })

  it('works out counts from rooms, with a leftover for each direction', () => {
    const { laid, facts } = tray({
      across: packed(0.6, 0.09),
      deep: { ...packed(0.4, 0.09), measure: 'gap', spacing: 0.004 },
    })
    if (laid?.kind !== 'grid') throw new Error('not a grid')
    // Across: 56 + 6 · 90 = 596 of 600. The box is 119 mm deep: 3 · 119 + 2 · 4 = 365 of 400.
    expect([laid.across.count, laid.deep.count]).toEqual([7, 3])
    expect(laid.across.leftover).toBeCloseTo(0.004, 12)
    expect(said(facts)).toContain('left over 35 mm')
  })

  it('anchors at a corner, an edge or the centre of its rooms', () => {
    const centred = placesOf(tray({ anchor: { across: 'centre', deep: 'end', up: 'start' } }).table)
    expect(centred[0][0]).toBeCloseTo(-0.27, 12)
    expect(centred[0][2]).toBeCloseTo(-0.36, 12)
    expect(centred.at(-1)![2]).toBeCloseTo(0, 12)
  })

  it('shifts rows by a share, every so many rows', () => {
    const first = (change: Partial<Grid>): number[] =>
      placesOf(tray(change).table)
        .filter((_, n) => n % 7 === 0)
        .map(([x]) => x / 0.09)
    expect(first({ rows: { kind: 'offset', share: 0.5, every: 1 } }).map((n) => Math.round(n * 2) / 2)).toEqual([
      0, 0.5, 0, 0.5, 0,
    ])
    first({ rows: { kind: 'offset', share: 1 / 3, every: 2 } }).forEach((n, j) =>
      expect(n).toBeCloseTo([0, 0, 1 / 3, 1 / 3, 2 / 3][j], 12),
    )
  })

  it('leaves out of a shifted row what sticks out of a room that is held', () => {
    const rows = { kind: 'offset' as const, share: 0.5, every: 1 }
    const { table } = tray({ across: packed(0.6, 0.09), rows })
    const counts = [0, 1, 2].map(
      (j) => slotsOf(table).filter((_, n) => gridPlaceOf(table.slotLow[n], table.slotHigh[n])[1] === j).length,
    )
    expect(counts).toEqual([7, 6, 7])
    expect(tray({ rows }).table.count).toBe(35)
  })

  it('keeps only the border, or a checkerboard', () => {
    expect(tray({ only: 'border' }).table.count).toBe(2 * 7 + 2 * 3)
    expect(tray({ only: 'checker' }).table.count).toBe(18)
    expect(said(tray({ only: 'border' }).facts)).toContain('7 × 5 = 35, of which 20 are used copies')
  })

  it('C5: numbers row by row, back and forth, or from the centre', () => {
    const order = (kind: Grid['order']): string[] => {
      const { table } = tray({ order: kind })
      return placesOf(table)
        .slice(0, 9)
        .map(([x, , z]) => `${Math.round(x / 0.09)},${Math.round(z / 0.09)}`)
    }
    expect(order('rows')).toEqual(['0,0', '1,0', '2,0', '3,0', '4,0', '5,0', '6,0', '0,1', '1,1'])
    expect(order('backAndForth')).toEqual(['0,0', '1,0', '2,0', '3,0', '4,0', '5,0', '6,0', '6,1', '5,1'])
    expect(order('fromCentre')[0]).toBe('3,2')
    expect(new Set(order('fromCentre').slice(1, 5))).toEqual(new Set(['3,1', '4,2', '3,3', '2,2']))
  })

  it('deals in the order of numbering', () => {
    const two = evaluated(
      aProject([sweet, ball('ball', 0.05)], aPattern(aGrid({ order: 'backAndForth' }), ['sweet', 'ball'])),
    )
    expect(Array.from(two.table.thing.subarray(0, 9))).toEqual([0, 1, 0, 1, 0, 1, 0, 1, 0])
  })

  it('C7: leaves a place empty, also when the columns change', () => {
    const key = gridSlotLow(2, 1).toString(16)
    for (const columns of [7, 9]) {
      const { table, empty } = tray({ across: pitched(columns, 0.09) }, { touchUps: { [key]: { empty: true } } })
      expect(empty).toBe(1)
      expect(table.flags[columns + 2]).toBe(3)
    }
  })

  it('keeps every slot that it had when a direction grows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 3 }),
        (nx, ny, nz) => {
          const grown = (i: number, j: number, k: number) =>
            tray({ across: pitched(nx + i, 0.1), deep: pitched(ny + j, 0.1), up: pitched(nz + k, 0.1) })
          const small = grown(0, 0, 0).table
          const places = new Map(slotsOf(small).map((slot, n) => [slot, placesOf(small)[n]]))
          expect(places.size).toBe(nx * ny * nz)
          const large = grown(2, 3, 1).table
          let met = 0
          for (const [n, slot] of slotsOf(large).entries()) {
            const before = places.get(slot)
            if (!before) continue
            met++
            expect(placesOf(large)[n]).toEqual(before)
          }
          expect(met).toBe(places.size)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('packs a slot and reads it back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 ** 21 - 1 }),
        fc.integer({ min: 0, max: 2 ** 21 - 1 }),
        fc.integer({ min: 0, max: 2 ** 21 - 1 }),
        (i, j, k) => {
          expect(gridPlaceOf(gridSlotLow(i, j), gridSlotHigh(j, k))).toEqual([i, j, k])
        },
      ),
    )
  })

  it('refuses a product above the limit and says which direction cannot be', () => {
    expect(said(tray({ across: pitched(1000, 0.1), deep: pitched(1001, 0.1) }).problem!.says)).toContain(
      '1 000 × 1 001 × 1 is more',
    )
    expect(said(tray({ deep: pitched(3, 0) }).problem!.says)).toContain(
      'Deep: A pitch of 0 mm would put neighbours on one spot',
    )
  })
})
