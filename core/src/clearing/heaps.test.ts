import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InstanceTable } from '../instances'
import { Randomness } from '../random'
import { Bodies } from './bodies'
import { convexOfBox } from './convex'
import { outlineGaps } from './gap'
import { spreadHeaps } from './heaps'
import { leaveOut } from './leaveOut'
import { MOST_OVERLAPS, TOUCHING, findOverlaps } from './overlaps'
import { pushAlongAxis } from './pushAlongAxis'
import { pushApart, pushDefaults } from './pushApart'
import { shrinkToFit } from './shrink'

const tin = convexOfBox([-0.025, 0, -0.06], [0.025, 0.15, 0.06])

/** So many boxes at random in a square. */
function heap(count: number, room: number, seed = 5): Bodies {
  const table = new InstanceTable()
  table.neutral(count)
  const random = new Randomness(seed, 'heap', 'test')
  for (let k = 0; k < count; k++) {
    table.setMove(k, [random.value(k, 0, 0) * room, 0, random.value(k, 0, 1) * room])
    const half = random.value(k, 0, 2)
    table.setTurn(k, [0, Math.sin(half), 0, Math.cos(half)])
  }
  return new Bodies(table, () => tin)
}
const flat = { ...pushDefaults, free: [true, false, true] } as const

describe('a heap', () => {
  it('of six hundred boxes in one hand’s breadth is pushed apart within the usual rounds, none of them up', () => {
    const bodies = heap(600, 0.1)
    const { worst, rounds } = pushApart(bodies, flat)
    expect(worst).toBeLessThanOrEqual(flat.within)
    expect(rounds).toBeLessThan(flat.rounds)
    expect(findOverlaps(bodies, -flat.within)).toEqual([])
    for (let k = 0; k < bodies.count; k++) expect(bodies.position[3 * k + 1]).toBe(0)
  })

  it('all of one spot comes apart too, about the spot', () => {
    const bodies = heap(200, 0)
    expect(pushApart(bodies, flat).worst).toBeLessThanOrEqual(flat.within)
    const mean = [0, 2].map((c) => bodies.position.reduce((sum, x, i) => sum + (i % 3 === c ? x / 200 : 0), 0))
    for (const off of mean) expect(Math.abs(off)).toBeLessThan(0.2)
  })

  it('keeps those that are held where they are, and all in their room', () => {
    const bodies = heap(200, 0.1)
    const held = Uint8Array.from({ length: 200 }, (_, k) => (k % 50 === 0 ? 1 : 0))
    const before = bodies.position.slice()
    const contain = (p: Float64Array, k: number): void => {
      for (const c of [0, 2]) p[3 * k + c] = Math.min(Math.max(p[3 * k + c], -0.5), 0.5)
    }
    spreadHeaps(bodies, { ...flat, held, contain })
    for (let k = 0; k < 200; k++)
      for (const c of [0, 2]) {
        if (held[k]) expect(bodies.position[3 * k + c]).toBe(before[3 * k + c])
        expect(Math.abs(bodies.position[3 * k + c])).toBeLessThanOrEqual(0.5)
      }
    expect(bodies.position).not.toEqual(before)
  })

  it('along one axis comes apart by as little as possible: the same as where all pairs are asked at once', () => {
    const along = { ...pushDefaults, free: [true, false, false], within: 1e-6 } as const
    const places = (count: number): number[] => {
      const bodies = heap(count, 0.05)
      // In one row, turned alike: the least move of all is known.
      for (let k = 0; k < count; k++) bodies.position[3 * k + 2] = 0
      bodies.turn.fill(0)
      for (let k = 0; k < count; k++) for (const i of [0, 4, 8]) bodies.turn[9 * k + i] = 1
      for (let k = 0; k < count; k++) bodies.measure(k)
      pushAlongAxis(bodies, 0, along, outlineGaps(bodies))
      return Array.from({ length: count }, (_, k) => bodies.position[3 * k])
    }
    // More of them than neighbours that make a heap, and fewer.
    for (const count of [300, 40]) {
      const sorted = places(count).sort((a, b) => a - b)
      const middle = sorted.reduce((a, b) => a + b) / count
      const start = Array.from(heap(count, 0.05).position).filter((_, i) => i % 3 === 0)
      expect(middle).toBeCloseTo(start.reduce((a, b) => a + b) / count, 6)
      sorted.forEach((x, k) => expect(x - middle).toBeCloseTo((k - (count - 1) / 2) * 0.05, 5))
    }
  })

  it('is none where copies only overlap here and there, and stays to the bit', () => {
    const bodies = heap(200, 2)
    expect(findOverlaps(bodies, 0).length).toBeGreaterThan(20)
    const before = bodies.position.slice()
    spreadHeaps(bodies, flat)
    expect(bodies.position).toEqual(before)
  })

  it('lists no more overlaps than the most', () => {
    expect(findOverlaps(heap(1000, 0.01), 0)).toHaveLength(MOST_OVERLAPS)
  })
})

describe('what is asked of fewer pairs comes out as if all were asked', () => {
  const crowds = fc.record({
    seed: fc.nat(1e6),
    room: fc.double({ min: 0.05, max: 1.2, noNaN: true }),
    count: fc.integer({ min: 2, max: 60 }),
  })

  it('leaving out, in any order, with others that stay', () => {
    fc.assert(
      fc.property(crowds, fc.nat(10), ({ seed, room, count }, others) => {
        const own = Math.max(count - others, 0)
        const bodies = heap(count, room, seed)
        const random = new Randomness(seed, 'order', 'test')
        const order = Uint32Array.from({ length: count }, (_, k) => k).sort(
          (a, b) => (a < own ? 1 : 0) - (b < own ? 1 : 0) || random.value(a, 0, 0) - random.value(b, 0, 0),
        )
        const gaps = outlineGaps(bodies)
        const stay: number[] = []
        for (const k of order)
          if (k >= own || stay.every((j) => gaps.between(Math.min(j, k), Math.max(j, k)) >= 0.001 - TOUCHING))
            stay.push(k)
        const out = leaveOut(bodies, 0.001, order, own)
        expect([...out.keys()].filter((k) => !out[k])).toEqual(stay.sort((a, b) => a - b))
      }),
    )
  })

  it('shrinking: the least of the factors of all its pairs', () => {
    fc.assert(
      fc.property(crowds, ({ seed, room, count }) => {
        const bodies = heap(count, room, seed)
        const gaps = outlineGaps(bodies)
        const factors = new Float64Array(count).fill(1)
        for (let i = 0; i < count; i++)
          for (let j = i + 1; j < count; j++) {
            if (gaps.areClear(i, j, -TOUCHING)) continue
            let [low, high] = gaps.areClear(i, j, 0, 0.4) ? [0.4, 1] : [0.4, 0.4]
            while (high - low > 1e-9) {
              const middle = (low + high) / 2
              if (gaps.areClear(i, j, 0, middle)) low = middle
              else high = middle
            }
            for (const k of [i, j]) factors[k] = Math.min(factors[k], low)
          }
        expect(shrinkToFit(heap(count, room, seed), { clearance: 0, floor: 0.4 }).factors).toEqual(factors)
      }),
      { numRuns: 40 },
    )
  })
})
