import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { InstanceTable } from '../instances'
import { type Balls, Bodies } from './bodies'
import type { Convex } from './convex'
import { NearPairs } from './nearPairs'
import { pushBalls } from './pushBalls'
import { pushDefaults } from './pushApart'

const ball = (radius: number): Convex => ({
  points: new Float64Array(3),
  rims: new Float64Array(),
  round: radius,
  offset: [0, 0, 0],
  centre: [0, 0, 0],
  radius,
})

/** Balls of half a metre and of a tenth in turn, at these places. */
function ballsAt(places: readonly (readonly number[])[]): Balls {
  const rows = new InstanceTable()
  rows.neutral(places.length)
  rows.position.set(places.flat())
  for (let k = 1; k < places.length; k += 2) rows.thing[k] = 1
  return new Bodies(rows, (thing) => ball(thing === 0 ? 0.5 : 0.1))
}

const distance = ({ position: p }: Balls, i: number, j: number): number =>
  Math.hypot(p[3 * j] - p[3 * i], p[3 * j + 1] - p[3 * i + 1], p[3 * j + 2] - p[3 * i + 2])

const places = fc.array(fc.tuple(...Array<fc.Arbitrary<number>>(3).fill(fc.double({ min: -2, max: 2, noNaN: true }))), {
  minLength: 2,
  maxLength: 40,
})

function listed({ list, count }: NearPairs): Set<string> {
  return new Set(
    Array.from({ length: count }, (_, n) => [list[2 * n], list[2 * n + 1]].toSorted((a, b) => a - b).join()),
  )
}

describe('pairs that may be near each other', () => {
  test('are all listed, each once, however the bodies moved since', () => {
    const small = (max: number) => fc.double({ min: 0, max, noNaN: true })
    fc.assert(
      fc.property(places, small(0.5), small(0.3), fc.nat(96), (at, reach, far, chance) => {
        const balls = ballsAt(at)
        const near = new NearPairs(balls, reach)
        for (let move = 0; move < 4; move++) {
          const pairs = listed(near)
          expect(pairs.size).toBe(near.count)
          for (let i = 0; i < balls.count; i++)
            for (let j = i + 1; j < balls.count; j++)
              if (distance(balls, i, j) < balls.radius[i] + balls.radius[j] + reach - 1e-9)
                expect(pairs).toContain(`${i},${j}`)
          for (let c = 0; c < balls.position.length; c++)
            balls.position[c] += (far / 4) * Math.sin((c + 1) * (move + 1) * (chance + 1))
          near.renew()
        }
      }),
    )
  })

  test('keep the list while all move by little, and make it anew after that', () => {
    const balls = ballsAt([
      [0, 0, 0],
      [9, 0, 0],
      [1.2, 0, 0],
    ])
    const near = new NearPairs(balls, 0)
    expect(near.count).toBe(0)
    balls.position[6] = 1.14
    near.renew()
    expect(near.count).toBe(0)
    balls.position[6] = 1.1
    near.renew()
    expect([...near.list.slice(0, 2)].toSorted()).toEqual([0, 2])
  })

  test('leave out two that both stay', () => {
    const heap = ballsAt(Array.from({ length: 100 }, () => [0, 0, 0]))
    expect(new NearPairs(heap, 0).count).toBe(4950)
    const held = Uint8Array.from({ length: 100 }, (_, k) => (k < 99 ? 1 : 0))
    expect(new NearPairs(heap, 0, held).count).toBe(99)
  })

  test('are all visited where they are too many to be listed', () => {
    const count = 2910
    const heap = ballsAt(Array.from({ length: count }, () => [0, 0, 0]))
    const near = new NearPairs(heap, 0)
    expect(near.isWhole).toBe(false)
    let visited = 0
    near.each(() => visited++)
    expect(visited).toBe((count * (count - 1)) / 2)
    // Spread far enough they are listed again.
    for (let k = 0; k < count; k++) heap.position[3 * k] = 2 * k
    near.renew()
    expect([near.isWhole, near.count]).toEqual([true, 0])
  })
})

describe('a round over balls', () => {
  const pushed = (
    at: readonly (readonly number[])[],
    free: readonly [boolean, boolean, boolean],
    held?: Uint8Array,
  ) => {
    const balls = ballsAt(at)
    const options = { ...pushDefaults, clearance: 0.05, free, held }
    const worst = pushBalls(balls, new NearPairs(balls, options.clearance, held), options)
    return { balls, worst }
  }

  test('moves a pair by what it lacks and no more, each by half', () => {
    const { balls, worst } = pushed(
      [
        [0, 0, 0],
        [0.3, 0.4, 0],
      ],
      [true, true, true],
    )
    expect(worst).toBeCloseTo(0.15, 12)
    expect(distance(balls, 0, 1)).toBeCloseTo(0.65, 8)
    expect([...balls.position].map((c) => +c.toFixed(8))).toEqual([-0.045, -0.06, 0, 0.345, 0.46, 0])
  })

  test('moves the other one alone where one stays', () => {
    const { balls } = pushed(
      [
        [0, 0, 0],
        [0.3, 0.4, 0],
      ],
      [true, true, true],
      Uint8Array.of(1, 0),
    )
    expect([...balls.position].map((c) => +c.toFixed(8))).toEqual([0, 0, 0, 0.39, 0.52, 0])
  })

  test('frees two along the axes that are free, by the least, and leaves the others alone', () => {
    fc.assert(
      fc.property(fc.subarray([0, 1, 2], { minLength: 1 }), places, (axes, [from, to]) => {
        const free = [0, 1, 2].map((c) => axes.includes(c)) as [boolean, boolean, boolean]
        // The middle of the one within the other, more or less: some lack it, and some do not.
        const beside = to.map((c, n) => from[n] + 0.25 * c)
        const before = ballsAt([from, beside])
        const { balls } = pushed([from, beside], free)
        expect(distance(balls, 0, 1)).toBeCloseTo(Math.max(0.65, distance(before, 0, 1)), 7)
        for (let c = 0; c < 6; c++) if (!free[c % 3]) expect(balls.position[c]).toBe(before.position[c])
      }),
    )
  })
})
