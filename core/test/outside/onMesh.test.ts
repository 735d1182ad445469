import { describe, expect, it } from 'vitest'
import { Randomness } from '../../src/random'
import { onMesh, sheetOf } from '../../src/scatter/onMesh'

/** Triangles of very unlike areas: a fan of slivers and large ones, bent out of the plane. */
const fan = Float64Array.from(
  Array.from({ length: 12 }, (_, i) => {
    const [a, b] = [0.02 * i * i, 0.02 * (i + 1) * (i + 1)]
    return [
      0,
      0,
      0,
      Math.cos(a) * (1 + i),
      0.2 * i,
      Math.sin(a) * (1 + i),
      Math.cos(b) * (1 + i),
      0.1 * i,
      Math.sin(b) * (1 + i),
    ]
  }).flat(),
)

describe('points spread over triangles', () => {
  it('fall on each by its area: chi-square over the faces (Osada et al. 2002, section 4.1)', () => {
    const sheet = sheetOf(fan, Math.PI / 2)
    const COUNT = 60_000
    let worst = 0
    for (const seed of [1, 2, 3]) {
      const { triangles } = onMesh(sheet, COUNT, 0, new Randomness(seed, 'p', 'surface'))
      let square = 0
      for (let t = 0; t < 12; t++) {
        const share = (sheet.areas[t] - (t > 0 ? sheet.areas[t - 1] : 0)) / sheet.area
        const found = triangles.reduce((n, own) => n + (own === t ? 1 : 0), 0)
        square += (found - COUNT * share) ** 2 / (COUNT * share)
      }
      worst = Math.max(worst, square)
    }
    // 11 degrees of freedom: 31.26 is passed once in a thousand times (NIST/SEMATECH e-Handbook, table 1.3.6.7.4).
    expect(worst).toBeLessThan(31.26)
  })
  it('fall evenly within one: each of four quarters alike (its middles halve its sides)', () => {
    const one = sheetOf(Float64Array.of(0, 0, 0, 2, 0, 0, 0, 0, 2), Math.PI / 2)
    const COUNT = 40_000
    const { points } = onMesh(one, COUNT, 0, new Randomness(5, 'p', 'surface'))
    const quarters = [0, 0, 0, 0]
    for (let k = 0; k < COUNT; k++) {
      const [x, z] = [points[3 * k], points[3 * k + 2]]
      quarters[x > 1 ? 0 : z > 1 ? 1 : x + z < 1 ? 2 : 3]++
    }
    // 3 degrees of freedom: 16.27 is passed once in a thousand times (the same table).
    const square = quarters.reduce((sum, n) => sum + (n - COUNT / 4) ** 2 / (COUNT / 4), 0)
    expect(square).toBeLessThan(16.27)
  })
  it('evenly spread, they come as near to the jamming limit as darts get, and never past it (Feder 1980: 0.547)', () => {
    const flat = sheetOf(Float64Array.of(0, 0, 0, 0, 0, 4, 4, 0, 0, 4, 0, 4, 4, 0, 0, 0, 0, 4), Math.PI / 2)
    const { count, full } = onMesh(flat, 100_000, 0.1, new Randomness(2, 'p', 'surface'))
    expect(full).toBe(true)
    // Points may stand on the edge, so half a distance more lies about them.
    const covered = (count * Math.PI * 0.05 ** 2) / 4.1 ** 2
    expect(covered).toBeGreaterThan(0.47)
    expect(covered).toBeLessThan(0.547)
  })
})
