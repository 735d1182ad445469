import { describe, expect, it } from 'vitest'
import { HEX_ROW } from '../../src/layouts/grid/place'
import type { Grid } from '../../src/layouts/grid/schema'
import { Randomness } from '../../src/random'
import { areaOf } from '../../src/scatter/area'
import { type Margin, evenly } from '../../src/scatter/spread'
import { distance, evaluated, placesOf } from '../placed'
import { aGrid, aPattern, aProject, ball, packed, pitched } from '../projects'

/** No margin. */
const NONE: Margin = { least: 0, most: 0, of: () => 0 }

const coin = ball('coin', 1)
const grid = (change: Partial<Grid>) => evaluated(aProject([coin], aPattern(aGrid(change), ['coin'])))

/** How many places lie at each squared distance from the one nearest to the middle, in units of the pitch. */
function shells(places: [number, number, number][], most: number): Map<number, number> {
  const middle = [0, 1, 2].map((i) => places.reduce((sum, p) => sum + p[i] / places.length, 0))
  const centre = places.reduce((best, p) => (distance(p, middle) < distance(best, middle) ? p : best))
  const counts = new Map<number, number>()
  for (const p of places) {
    const d = Math.round(distance(p, centre) ** 2 * 1e6) / 1e6
    if (d > 0 && d <= most) counts.set(d, (counts.get(d) ?? 0) + 1)
  }
  return counts
}

describe('grids against geometry', () => {
  const hex = grid({ across: pitched(41, 1), deep: pitched(41, 1), rows: { kind: 'hexagonal' } })

  it('G1: hexagonal rows lie √3/2 of a pitch apart', () => {
    // Conway & Sloane, SPLAG ch. 1 (value from memory).
    expect(HEX_ROW).toBeCloseTo(0.8660254037844386, 15)
    expect(placesOf(hex.table)[41][2]).toBeCloseTo(0.8660254037844386, 12)
  })

  it('G2: densities of the square and the hexagonal packing', () => {
    // Thue 1890, Fejes Tóth 1940: π/4 and π/√12. One disc of diameter 1 in each cell of pitch × row pitch.
    const cell = (change: Partial<Grid>): number => {
      const p = placesOf(grid({ across: pitched(5, 1), deep: pitched(5, 1), ...change }).table)
      return Math.PI / 4 / ((p[1][0] - p[0][0]) * (p[5][2] - p[0][2]))
    }
    expect(cell({})).toBeCloseTo(Math.PI / 4, 12)
    expect(cell({ rows: { kind: 'hexagonal' } })).toBeCloseTo(0.9068996821, 10)
  })

  it('G3, G5: rings and shells of the hexagonal lattice', () => {
    // OEIS A004016: neighbours by squared distance 1, 3, 4, 7, 9, 12, 13, 16, 19.
    const found = shells(placesOf(hex.table), 19.5)
    expect([...found].sort(([a], [b]) => a - b)).toEqual([
      [1, 6],
      [3, 6],
      [4, 6],
      [7, 12],
      [9, 6],
      [12, 6],
      [13, 12],
      [16, 6],
      [19, 12],
    ])
    // OEIS A003215: 1 + 3n(n + 1) places within n steps; two steps reach squared distance 4.
    expect(1 + found.get(1)! + found.get(3)! + found.get(4)!).toBe(19)
  })

  it('G4: lattice points in a disc', () => {
    // OEIS A000328, the Gauss circle problem.
    const square = placesOf(grid({ across: pitched(41, 1), deep: pitched(41, 1) }).table)
    const within = (r: number): number =>
      square.filter(([x, , z]) => (Math.round(x) - 20) ** 2 + (Math.round(z) - 20) ** 2 <= r * r).length
    expect([1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map(within)).toEqual([5, 13, 29, 49, 81, 113, 149, 197, 253, 317])
    expect(within(20)).toBe(1257)
  })

  it('G6: coins of 1 in a box of 10 by 10: 100 square, 105 hexagonal', () => {
    // Elementary: floor(9 ÷ (√3/2)) + 1 = 11 rows of 10 and 9 in turn.
    const room = { ...packed(10, 1) }
    expect(grid({ across: room, deep: room }).table.count).toBe(100)
    const { table } = grid({ across: room, deep: { ...room, hold: ['spacing', 'room'] }, rows: { kind: 'hexagonal' } })
    expect(table.count).toBe(105)
    for (const [x, , z] of placesOf(table)) {
      expect(x).toBeGreaterThan(0.5 - 1e-9)
      expect(x).toBeLessThan(9.5 + 1e-9)
      expect(z).toBeLessThan(9.5 + 1e-9)
    }
  })
})

describe('spreading evenly', () => {
  it('N11, N12: no pair nearer than asked, as dense as the best peer and never past the jamming limit', () => {
    // poisson-disk-sampling 2.3.1 (Bridson 2007, 30 tries) places 1 622 points in 100 × 100 with a distance of 2 (measured).
    // Discs that come down at random and do not move jam at 0.5471 of the area (Feder 1980; Cieśla & Ziff 2018, value from memory).
    const area = areaOf({ kind: 'rectangle', width: 100, depth: 100 })
    for (const seed of [1, 2, 3]) {
      const { points, count, full } = evenly(area, NONE, 100_000, 2, new Randomness(seed, 'p', 'fill'))
      expect(full).toBe(true)
      expect(count).toBeGreaterThanOrEqual(0.95 * 1622)
      // The discs reach over the edge by their radius.
      expect((count * Math.PI) / (102 * 102)).toBeLessThan(0.5471)
      let least = Infinity
      for (let i = 0; i < count; i++)
        for (let j = 0; j < i; j++)
          least = Math.min(least, (points[2 * i] - points[2 * j]) ** 2 + (points[2 * i + 1] - points[2 * j + 1]) ** 2)
      expect(Math.sqrt(least)).toBeGreaterThanOrEqual(2)
      // At a true jam hardly any place is left: of 4 000 more darts none finds room.
      const random = new Randomness(seed + 100, 'p', 'fill')
      let found = 0
      for (let d = 0; d < 4000; d++) {
        const [x, y] = [random.value(d, 0, 0) * 100 - 50, random.value(d, 0, 1) * 100 - 50]
        let free = true
        for (let i = 0; i < count && free; i++) free = (points[2 * i] - x) ** 2 + (points[2 * i + 1] - y) ** 2 >= 4
        if (free) found++
      }
      expect(found).toBe(0)
    }
  })
})
