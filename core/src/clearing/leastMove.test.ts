import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Separation, leastMove } from './leastMove'

const chain = (count: number, by: (i: number) => number): Separation[] =>
  Array.from({ length: count - 1 }, (_, i) => ({ first: i, second: i + 1, by: by(i) }))
const cost = (wanted: ArrayLike<number>, got: ArrayLike<number>): number =>
  Array.from(wanted).reduce((sum, w, i) => sum + (got[i] - w) ** 2, 0)
const metre = fc.double({ min: -5, max: 5, noNaN: true })

/** Pool adjacent violators for separations of one size, the plain way: the reference that isotonic regression is. */
function pooled(wanted: readonly number[], by: number): number[] {
  const blocks: { sum: number; count: number }[] = []
  for (const [i, w] of wanted.entries()) {
    blocks.push({ sum: w - i * by, count: 1 })
    while (blocks.length > 1) {
      const [a, b] = blocks.slice(-2)
      if (a.sum / a.count <= b.sum / b.count) break
      blocks.splice(-2, 2, { sum: a.sum + b.sum, count: a.count + b.count })
    }
  }
  return blocks.flatMap(({ sum, count }) => Array.from({ length: count }, () => sum / count)).map((x, i) => x + i * by)
}

describe('the least move along a line', () => {
  it('is that of isotonic regression where the order is one line', () => {
    fc.assert(
      fc.property(
        fc.array(metre, { minLength: 1, maxLength: 60 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (places, by) => {
          const wanted = [...places].sort((a, b) => a - b)
          const got = leastMove(
            Float64Array.from(wanted),
            chain(wanted.length, () => by),
          )
          for (const [i, x] of pooled(wanted, by).entries()) expect(got[i]).toBeCloseTo(x, 9)
        },
      ),
    )
  })

  it('keeps every separation of any order, and no nudge that keeps them costs less', () => {
    const pairs = fc.array(fc.tuple(fc.nat(11), fc.nat(11), fc.double({ min: 0, max: 2, noNaN: true })), {
      maxLength: 40,
    })
    fc.assert(
      fc.property(
        fc.array(metre, { minLength: 12, maxLength: 12 }),
        pairs,
        fc.infiniteStream(metre),
        (wanted, drawn, nudges) => {
          const links = drawn.filter(([a, b]) => a < b).map(([first, second, by]) => ({ first, second, by }))
          const got = leastMove(Float64Array.from(wanted), links)
          const kept = (x: ArrayLike<number>, slack: number): boolean =>
            links.every(({ first, second, by }) => x[second] - x[first] >= by - slack)
          expect(kept(got, 1e-9)).toBe(true)
          // The cost is convex: were there a better place, some way there would be better at once.
          for (let n = 0; n < 20; n++) {
            const other = got.map((x) => x + 0.02 * nudges.next().value)
            if (kept(other, 0)) expect(cost(wanted, other)).toBeGreaterThanOrEqual(cost(wanted, got) - 1e-9)
          }
        },
      ),
      { numRuns: 200 },
    )
  })

  it('moves nobody who is held, and the others round them', () => {
    const got = leastMove(
      Float64Array.of(0, 0.2, 0.4),
      chain(3, () => 1),
      Uint8Array.of(0, 1, 0),
    )
    for (const [i, x] of [-0.8, 0.2, 1.2].entries()) expect(got[i]).toBeCloseTo(x, 6)
  })

  it('leaves alone what is far enough apart', () => {
    expect([
      ...leastMove(
        Float64Array.of(0, 1, 3),
        chain(3, () => 1),
      ),
    ]).toEqual([0, 1, 3])
  })

  it('misses what cannot be, and still comes to an end', () => {
    const got = leastMove(Float64Array.of(0, 0), [
      { first: 0, second: 1, by: 1 },
      { first: 1, second: 0, by: 1 },
    ])
    expect(Math.abs(got[1] - got[0])).toBeCloseTo(1, 9)
  })
})
