import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromTurns } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { Placing } from '../instances'
import { sentenceText } from '../numbers/format'
import { dot } from '../geometry/vec'
import { inverse, rotate } from '../geometry/rotation'
import type { Body } from './body'
import { AXES, edgeOf } from './edges'
import { type LineUp, lineUp, lineUpDefaults } from './lineUp'
import { space, spaceDefaults, type Straight } from './space'

/** A box of these half sizes with its pivot on its base. */
const bodyOf = (half: Vec3, stands: Placing, row = 0): Body => ({
  of: { is: 'copy', pattern: 'p', slot: row.toString(16) },
  row,
  stands,
  reach(direction, as = stands) {
    const own = rotate(inverse(as.turn), direction)
    const reach = own.reduce((sum, n, i) => sum + Math.abs(n) * half[i] * as.size[i], 0)
    const middle = dot(as.move, direction) + own[1] * half[1] * as.size[1]
    return { low: middle - reach, high: middle + reach }
  },
})
const at = (x: number, y = 0, z = 0, turn: Vec3 = [0, 0, 0]): Placing => ({
  move: [x, y, z],
  turn: fromTurns(turn),
  size: [1, 1, 1],
})
const moved = (all: readonly { body: Body; to: Placing }[]): Body[] =>
  all.map(({ body, to }) => ({ ...body, stands: to, reach: (d, as = to) => body.reach(d, as) }))
const placing = fc.record({
  move: fc.tuple(...([0, 1, 2].map(() => fc.double({ min: -3, max: 3, noNaN: true })) as [never, never, never])),
  turn: fc
    .tuple(...([0, 1, 2].map(() => fc.double({ min: -3, max: 3, noNaN: true })) as [never, never, never]))
    .map((turn) => fromTurns(turn as Vec3)),
  size: fc.constant([1, 1, 1] as Vec3),
})
const half = fc.tuple(
  fc.double({ min: 0.01, max: 1, noNaN: true }),
  fc.double({ min: 0.01, max: 1, noNaN: true }),
  fc.double({ min: 0.01, max: 1, noNaN: true }),
)
const crowd = fc
  .array(fc.tuple(half, placing), { minLength: 2, maxLength: 12 })
  .map((all) => all.map(([h, stands], k) => bodyOf(h as Vec3, stands as unknown as Placing, k)))
const edge = fc.constantFrom('low', 'middle', 'high', 'pivot')
const ok = <T>(result: { ok: true; value: T } | { ok: false; problem: { says: never } } | unknown): T => {
  const made = result as { ok: boolean; value: T; problem?: { says: never } }
  if (!made.ok) throw new Error(sentenceText(made.problem!.says, 'mm'))
  return made.value
}

describe('lining up', () => {
  it('with the bounds of all takes more than can be spread into one call', () => {
    const crowd = Array.from({ length: 200_000 }, (_, k) => bodyOf([0.1, 0.1, 0.1], at(0, 0, k / 1e6), k))
    const made = ok<{ to: Placing }[]>(lineUp(crowd, undefined, { ...lineUpDefaults, to: 'bounds' }))
    expect(made[199_999].to.move[2]).toBeCloseTo(0, 12)
  })

  it('I1, I2: brings a face of each to a face of the one that leads, so far apart', () => {
    const [tin, box] = [bodyOf([0.06, 0.1, 0.06], at(0, 0, 0.3)), bodyOf([0.1, 0.2, 0.2], at(0.5, 0, 0))]
    const [to] = ok<{ to: Placing }[]>(
      lineUp([tin, box], box, { ...lineUpDefaults, theirs: 'high', its: 'high', apart: 0.01 }),
    )
    expect(to.to.move[2]).toBeCloseTo(0.2 - 0.06 + 0.01, 12)
    // Facing it, it stands so far away from it.
    const [facing] = ok<{ to: Placing }[]>(
      lineUp([tin, box], box, { ...lineUpDefaults, axis: 0, theirs: 'high', its: 'low', apart: 0.05 }),
    )
    expect(facing.to.move[0] + 0.06).toBeCloseTo(0.4 - 0.05, 12)
  })

  it('goes by the true outline of what is turned, not by its box', () => {
    const turned = bodyOf([0.1, 0.1, 0.1], at(0, 0, 0, [0, Math.PI / 4, 0]))
    const lead = bodyOf([0.1, 0.1, 0.1], at(1))
    const [{ to }] = ok<{ to: Placing }[]>(lineUp([turned, lead], lead, { ...lineUpDefaults, axis: 0 }))
    expect(to.move[0]).toBeCloseTo(0.9 + 0.1 * Math.SQRT2, 12)
  })

  it('I3: matches the turn and the real size of the one that leads, and lines up what comes of it', () => {
    const [small, lead] = [bodyOf([0.1, 0.2, 0.3], at(0)), bodyOf([0.2, 0.2, 0.1], at(2, 1, 1, [0, 0.5, 0]))]
    const [{ to }] = ok<{ to: Placing }[]>(
      lineUp([small, lead], lead, {
        ...lineUpDefaults,
        axis: 'all',
        theirs: 'middle',
        its: 'middle',
        turns: true,
        sizes: true,
      }),
    )
    expect(to.size).toEqual([2, 1, 1 / 3].map((n) => expect.closeTo(n, 12)))
    expect(to.turn).toEqual(lead.stands.turn)
    for (const axis of AXES) expect(edgeOf(small, axis, 'middle', to)).toBeCloseTo(edgeOf(lead, axis, 'middle'), 12)
  })

  it('says what it needs where there is nothing to line up', () => {
    const one = bodyOf([1, 1, 1], at(0))
    for (const how of [
      lineUpDefaults,
      { ...lineUpDefaults, to: 'bounds' as const },
      { ...lineUpDefaults, axis: 'all' as const, to: 'plane' as const },
    ])
      expect(lineUp([one], one, how).ok).toBe(false)
  })

  it('twice is once', () => {
    fc.assert(
      fc.property(
        crowd,
        edge,
        edge,
        fc.constantFrom(0, 1, 2),
        fc.constantFrom('marked', 'widest', 'plane', 'bounds'),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (bodies, theirs, its, axis, to, apart) => {
          // To their own bounds only like with like: what moves would move the bounds.
          const how = {
            ...lineUpDefaults,
            axis,
            to,
            ...(to === 'bounds' ? { theirs, its: theirs, apart: 0 } : { theirs, its, apart }),
          } as LineUp
          if (to === 'bounds' && theirs === 'pivot') return
          const once = moved(ok(lineUp(bodies, bodies[0], how)))
          const lead = once.length < bodies.length ? bodies.filter((b) => !once.some((o) => o.row === b.row)) : []
          const all = [...lead, ...once].sort((a, b) => a.row - b.row)
          const again = ok<{ body: Body; to: Placing }[]>(lineUp(all, all[0], how))
          for (const { body, to: there } of again)
            for (let i = 0; i < 3; i++) expect(Math.abs(there.move[i] - body.stands.move[i])).toBeLessThan(1e-12)
        },
      ),
    )
  })
})

describe('spacing', () => {
  const gapsAlong = (bodies: readonly Body[], direction: Vec3): number[] => {
    const sorted = bodies.map((b) => b.reach(direction)).sort((a, b) => a.low + a.high - b.low - b.high)
    return sorted.slice(1).map((r, k) => r.low - sorted[k].high)
  }

  it('I4: tins of 119 mm at pitches of 131, 150 and 212.5 mm leave 12, 31 and 93.5 mm (arithmetic, no source)', () => {
    const tins = [0.4, 0, 1].map((x, k) => bodyOf([0.0595, 0.1, 0.0595], at(x), k))
    for (const [pitch, gap] of [
      [0.131, 0.012],
      [0.15, 0.031],
      [0.2125, 0.0935],
    ]) {
      const { wanted } = ok<{ wanted: never[] }>(
        space(tins, undefined, { ...spaceDefaults, by: 'pitch', distance: pitch }),
      )
      for (const found of gapsAlong(moved(wanted), [1, 0, 0])) expect(found).toBeCloseTo(gap, 12)
    }
  })

  it('I5, I7: keeps one gap between unlike widths, the order, and the one that stays', () => {
    fc.assert(
      fc.property(
        crowd,
        fc.constantFrom('marked', 'first', 'middle', 'last'),
        fc.constantFrom(0, 1, 2),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (bodies, stays, along, distance) => {
          const made = ok<{ wanted: { body: Body; to: Placing }[]; gaps: number[] }>(
            space(bodies, bodies[0], { ...spaceDefaults, along, stays, distance } as Straight),
          )
          const direction = AXES[along]
          const middles = made.wanted.map(({ body }) => edgeOf(body, direction, 'middle'))
          expect(middles.every((n, k) => k === 0 || n >= middles[k - 1])).toBe(true)
          const after = made.wanted.map(({ body, to }) => body.reach(direction, to))
          for (let k = 1; k < after.length; k++)
            expect(Math.abs(after[k].low - after[k - 1].high - distance)).toBeLessThan(1e-9)
          const n = made.wanted.length
          const index = {
            first: 0,
            last: n - 1,
            middle: Math.floor((n - 1) / 2),
            marked: made.wanted.findIndex((w) => w.body === bodies[0]),
          }[stays]!
          expect(made.wanted[index].to).toBe(made.wanted[index].body.stands)
        },
      ),
    )
  })

  it('I6: evens out between the outermost two, which stay to the bit; even gaps differ by less than 1e-9', () => {
    fc.assert(
      fc.property(crowd, fc.constantFrom('gap', 'pitch'), (bodies, by) => {
        const made = ok<{ wanted: { body: Body; to: Placing }[]; gaps: number[]; pitches: number[] }>(
          space(bodies, undefined, { ...spaceDefaults, held: 'even', by, overlaps: true }),
        )
        expect(made.wanted[0].to).toBe(made.wanted[0].body.stands)
        expect(made.wanted.at(-1)!.to).toBe(made.wanted.at(-1)!.body.stands)
        const equal = by === 'gap' ? made.gaps : made.pitches
        // By pitch the outermost outlines may be others than those of the outermost pivots.
        for (const n of equal) expect(Math.abs(n - equal[0])).toBeLessThan(1e-9)
      }),
    )
  })

  it('takes the whole from outside to outside', () => {
    const boxes = [0.1, 0.2, 0.3].map((h, k) => bodyOf([h, h, h], at(k), k))
    const made = ok<{ gaps: number[]; overall: number }>(
      space(boxes, undefined, { ...spaceDefaults, held: 'overall', overall: 1.5 }),
    )
    expect(made.gaps).toEqual([0.15, 0.15].map((n) => expect.closeTo(n, 12)))
    expect(made.overall).toBeCloseTo(1.5, 12)
  })

  it('along the line through the ends all come onto it', () => {
    const boxes = [at(0), at(1, 2, 0.2), at(4, 4, 0)].map((stands, k) => bodyOf([0.1, 0.1, 0.1], stands, k))
    const { wanted } = ok<{ wanted: { to: Placing }[] }>(
      space(boxes, undefined, { ...spaceDefaults, along: 'ends', held: 'even', by: 'pitch' }),
    )
    expect(wanted[1].to.move).toEqual([2, 2, 0].map((n) => expect.closeTo(n, 12)))
  })

  it('tells how far they would overlap, and does so only where it is allowed', () => {
    const boxes = [at(0), at(0.5), at(1)].map((stands, k) => bodyOf([0.4, 0.4, 0.4], stands, k))
    const how: Straight = { ...spaceDefaults, held: 'even' }
    const made = space(boxes, undefined, how)
    expect(made.ok).toBe(false)
    if (!made.ok) expect(sentenceText(made.problem.says, 'mm')).toContain('overlap by up to 300')
    expect(space(boxes, undefined, { ...how, overlaps: true }).ok).toBe(true)
  })
})
