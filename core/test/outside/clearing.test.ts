import { describe, expect, it } from 'vitest'
import { Bodies } from '../../src/clearing/bodies'
import { containInBox } from '../../src/clearing/containing'
import type { Convex } from '../../src/clearing/convex'
import { leaveOut } from '../../src/clearing/leaveOut'
import { findOverlaps } from '../../src/clearing/overlaps'
import { pushApart, pushDefaults } from '../../src/clearing/pushApart'
import { InstanceTable } from '../../src/instances'
import { minimalStandard } from '../shapes'

const ball: Convex = {
  points: new Float64Array(3),
  rims: new Float64Array(),
  round: 0.5,
  offset: [0, 0, 0],
  centre: [0, 0, 0],
  radius: 0.5,
}
function strewn(count: number, size: readonly [number, number, number], seed: number): InstanceTable {
  const random = minimalStandard(seed)
  const table = new InstanceTable()
  table.neutral(count)
  for (let i = 0; i < 3 * count; i++) table.position[i] = size[i % 3] * random()
  return table
}
const move = (table: InstanceTable, bodies: Bodies): number => {
  let sum = 0
  for (let k = 0; k < table.count; k++)
    sum += Math.hypot(...[0, 1, 2].map((c) => bodies.position[3 * k + c] - table.position[3 * k + c]))
  return sum / table.count
}

describe('spheres of diameter 1', () => {
  it('O11: 40 % of a cube full, come apart to within 1 %, moving by 0.32 diameters on average at most (best peers .28 to .31)', () => {
    for (const seed of [1, 2, 3]) {
      const side = ((2000 * Math.PI) / 6 / 0.4) ** (1 / 3)
      const table = strewn(2000, [side, side, side], seed)
      const bodies = new Bodies(table, () => ball)
      const { worst, rounds } = pushApart(bodies, { ...pushDefaults, within: 0.01 })
      expect(worst).toBeLessThan(0.01)
      expect(rounds).toBeLessThan(40)
      expect(move(table, bodies)).toBeLessThan(0.32)
      expect(findOverlaps(bodies, 0).every((o) => o.depth < 0.01)).toBe(true)
    }
  })

  it('O10: kept in a box they come apart at 40 %, and at more than π ÷ √18 they cannot (Hales 2005)', () => {
    const inBox = (density: number): number => {
      const inner = ((300 * Math.PI) / 6 / density) ** (1 / 3) - 1
      const table = strewn(300, [inner, inner, inner], 5)
      const bodies = new Bodies(table, () => ball)
      return pushApart(bodies, {
        ...pushDefaults,
        within: 0.01,
        rounds: 400,
        contain: containInBox([0, 0, 0], [inner, inner, inner]),
      }).worst
    }
    expect(inBox(0.4)).toBeLessThan(0.01)
    expect(inBox(0.76)).toBeGreaterThan(0.01)
  })

  it('G7: thirteen touching balls, one and its twelve neighbours, overlap nowhere and touch in 36 pairs (Schütte & van der Waerden 1953)', () => {
    const table = new InstanceTable()
    table.neutral(13)
    const neighbours = [
      [1, 1, 0],
      [1, 0, 1],
      [0, 1, 1],
    ].flatMap((v) =>
      [1, -1].flatMap((s) =>
        [1, -1].map((t) => {
          const [a, b] = [v.findIndex(Boolean), v.lastIndexOf(1)]
          return v.map((n, i) => (i === a ? s * n : i === b ? t * n : 0) * Math.SQRT1_2)
        }),
      ),
    )
    for (const [k, at] of neighbours.entries()) table.position.set(at, 3 * (k + 1))
    const bodies = new Bodies(table, () => ball)
    expect(findOverlaps(bodies, -1e-12)).toHaveLength(0)
    expect(findOverlaps(bodies, 1e-6)).toHaveLength(36)
  })

  it('N12: discs put down at random and left out where they overlap stay below the jamming limit, .547, and come near it (Feder 1980)', () => {
    // Balls on the ground: those that come first stay.
    const side = 30
    const table = strewn(60_000, [side, 0, side], 7)
    const bodies = new Bodies(table, () => ball)
    const order = Uint32Array.from({ length: table.count }, (_, k) => k)
    const out = leaveOut(bodies, 0, order)
    const kept = out.reduce((n, o) => n + (o ? 0 : 1), 0)
    // Their middles lie in the square, so half a disc reaches beyond each side.
    const covered = (kept * Math.PI) / 4 / (side + 0.55) ** 2
    expect(covered).toBeLessThan(0.547)
    expect(covered).toBeGreaterThan(0.5)
  })
})
