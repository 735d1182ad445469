import { describe, expect, it } from 'vitest'
import { evaluated } from '../placed'
import { aFill, aPattern, aProject, ball } from '../projects'

const pea = ball('pea', 0.001)
const COUNT = 10_000
const places = (seed: number): Float64Array => {
  const fill = aFill({ outline: { kind: 'rectangle', width: 1, depth: 1 }, count: COUNT, seed, how: 'random' })
  return evaluated(aProject([pea], aPattern(fill, ['pea']))).table.position
}

/** Distances to the nearest neighbour of the points that lie far enough inside for the edge not to matter. */
function nearest(p: Float64Array): number[] {
  const SIDE = 50
  const cells = new Map<number, number[]>()
  const cell = (n: number): number => Math.floor((n + 0.5) * SIDE)
  for (let k = 0; k < COUNT; k++) {
    const key = cell(p[3 * k]) * 1000 + cell(p[3 * k + 2])
    cells.set(key, [...(cells.get(key) ?? []), k])
  }
  const out: number[] = []
  for (let k = 0; k < COUNT; k++) {
    if (Math.max(Math.abs(p[3 * k]), Math.abs(p[3 * k + 2])) > 0.46) continue
    let least = Infinity
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (const o of cells.get((cell(p[3 * k]) + i) * 1000 + cell(p[3 * k + 2]) + j) ?? [])
          if (o !== k) least = Math.min(least, Math.hypot(p[3 * k] - p[3 * o], p[3 * k + 2] - p[3 * o + 2]))
    out.push(least)
  }
  return out
}

describe('a fill at random', () => {
  // Clark & Evans, Ecology 35 (1954): the mean distance is 0.5 / √ρ, its standard error 0.26136 / √(N ρ).
  it('N10: copies stand as far from their nearest neighbour as chance alone would have them', () => {
    for (const seed of [1, 2, 3]) {
      const distances = nearest(places(seed))
      const mean = distances.reduce((a, b) => a + b, 0) / distances.length
      expect(Math.abs(mean - 0.5 / Math.sqrt(COUNT))).toBeLessThan((4 * 0.26136) / Math.sqrt(distances.length * COUNT))
    }
  })

  // Pearson's χ²; critical value for 99 degrees of freedom at 0.001: 148.230 (tables).
  it('N6: a hundred squares of the area get as many as each other', () => {
    for (const seed of [1, 2, 3]) {
      const p = places(seed)
      const counts = new Array<number>(100).fill(0)
      for (let k = 0; k < COUNT; k++)
        counts[10 * Math.floor(10 * (p[3 * k] + 0.5)) + Math.floor(10 * (p[3 * k + 2] + 0.5))]++
      const chi = counts.reduce((sum, n) => sum + (n - 100) ** 2 / 100, 0)
      expect(chi).toBeLessThan(148.23)
    }
  })
})
