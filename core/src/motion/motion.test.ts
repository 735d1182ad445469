import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  aCompanion,
  aGrid,
  aLine,
  aMirror,
  aPath,
  aPattern,
  aPlane,
  aProject,
  ball,
  box,
  pitched,
} from '../../test/projects'
import { Evaluator } from '../evaluate'
import { fromTurns, rotate } from '../geometry/rotation'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type Arrive, comeFrom } from './arrive/schema'
import { curveNames } from './easing'
import { movements } from './registry'
import { type Order, orders } from './ranks'
import { HIDDEN, placedAt } from './placedAt'
import { Playing } from './playing'
import { movedPlacing } from './standing'
import { RESTS } from './state'
import { type Timing, holdTime, timed, workedOf } from './timing'

const anArrival = (change: Partial<Arrive> = {}): Arrive => ({
  ...movements.arrive.begin('in', 5, 5),
  begin: 0.2,
  apart: 0.18,
  each: 0.7,
  distance: 0.18,
  ...change,
})
const tin = box('tin', 0.1)
const shelf = (motion: Pattern['motion'], change: Partial<Pattern> = {}): Pattern =>
  aPattern(aLine({ hold: ['spacing', 'count'], count: 11 }), ['tin'], { ...(motion && { motion }), ...change })
const played = (project: Project) => {
  const outcomes = new Evaluator().evaluate(project, new Map())
  return { playing: new Playing(project, outcomes), tableOf: (id: string) => outcomes.find((o) => o.id === id)!.table }
}

describe('when they come', () => {
  it('eleven, 0.18 s apart, 0.7 s each: 10 × 0.18 + 0.7 = 2.5 s in all, the last one stands at 2.7 s', () => {
    const { playing } = played(aProject([tin], shelf([anArrival()])))
    const { bars } = playing.of('shelf')!
    expect(bars.map(({ row }) => row)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    for (const [k, { from, to }] of bars.entries()) {
      expect(from).toBeCloseTo(0.2 + 0.18 * k, 12)
      expect(to - from).toBeCloseTo(0.7, 12)
    }
    expect(playing.end).toBeCloseTo(2.7, 12)
  })

  it('two of apart, each and in all give the third, whichever two; what is held longest is let go', () => {
    const timing: Timing = { hold: ['apart', 'each'], begin: 0, apart: 0.18, each: 0.7, inAll: 0 }
    expect(timed(timing, 11)).toMatchObject({ value: { inAll: 2.5 } })
    holdTime(timing, 'inAll', 3)
    expect([timing.hold, workedOf(timing)]).toEqual([['each', 'inAll'], 'apart'])
    expect(timed(timing, 11).ok && timed(timing, 11)).toMatchObject({ value: { each: 0.7, inAll: 3 } })
    holdTime(timing, 'each', 0.5)
    expect(timing.hold).toEqual(['inAll', 'each'])
    holdTime(timing, 'apart', 0.2)
    expect([timing.hold, workedOf(timing)]).toEqual([['each', 'apart'], 'inAll'])
    holdTime(timing, 'inAll', 1)
    expect(timed(timing, 11)).toMatchObject({ ok: false })
    expect(timed({ ...timing, hold: ['each', 'inAll'], each: 2 }, 3)).toMatchObject({ ok: false })
  })

  it.each([
    ['theirs', [0, 1, 2, 3, 4, 5, 6]],
    ['backwards', [6, 5, 4, 3, 2, 1, 0]],
    ['middle', [3, 2, 1, 0, 1, 2, 3]],
    ['ends', [0, 1, 2, 3, 2, 1, 0]],
  ] as const)('%s: those as far away come together', (order, ranks) => {
    const row = aPattern(aGrid({ across: pitched(7, 0.09), deep: pitched(1, 0.09) }), ['tin'], {
      motion: [anArrival({ order, apart: 1, begin: 0 })],
    })
    const moving = played(aProject([tin], row)).playing.of('shelf')!
    expect(moving.bars.toSorted((a, b) => a.row - b.row).map(({ from }) => from)).toEqual([...ranks])
  })

  it('outward from a place: by how far away they stand, those as far away together', () => {
    const row = aPattern(aGrid({ across: pitched(7, 0.09), deep: pitched(1, 0.09) }), ['tin'], {
      motion: [anArrival({ order: 'place', apart: 1, begin: 0 })],
    })
    const begin = (near: Arrive['near']): number[] => {
      const motion = [anArrival({ order: 'place', apart: 1, begin: 0, near })]
      const { bars } = played(aProject([tin], { ...row, motion })).playing.of('shelf')!
      return bars.toSorted((a, b) => a.row - b.row).map(({ from }) => from)
    }
    const { tableOf } = played(aProject([tin], row))
    const { position: p } = tableOf('shelf')
    expect(begin([p[3], 0, 0])).toEqual([1, 0, 1, 2, 3, 4, 5])
    // From the pattern's origin, as it begins.
    const byOrigin = Array.from({ length: 7 }, (_, k) => Math.hypot(p[3 * k], p[3 * k + 1], p[3 * k + 2]))
    const sorted = [...new Set(byOrigin.map((n) => n.toFixed(9)))].toSorted((a, b) => Number(a) - Number(b))
    expect(begin([0, 0, 0])).toEqual(byOrigin.map((n) => sorted.indexOf(n.toFixed(9))))
  })

  it('row by row and part by part; an empty place has no turn', () => {
    const grid = aPattern(aGrid(), ['tin', 'ball'], { touchUps: { '3': { empty: true } } })
    const begin = (order: Order): number[] => {
      const pattern = { ...grid, motion: [anArrival({ order, apart: 1, begin: 0 })] }
      const { bars } = played(aProject([tin, ball('ball', 0.1)], pattern)).playing.of('shelf')!
      expect(bars.some(({ row }) => row === 3)).toBe(false)
      return bars.map(({ from }) => from)
    }
    expect(new Set(begin('rows'))).toEqual(new Set([0, 1, 2, 3, 4]))
    expect(new Set(begin('parts'))).toEqual(new Set([0, 1]))
  })

  it('at random a copy more changes nobody else’s beginning, while each and in all are held', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.nat(1000), (count, seed) => {
        const beginnings = (n: number): Map<number, number> => {
          const arrival = anArrival({ order: 'chance', seed, hold: ['each', 'inAll'], each: 0.5, inAll: 3 })
          const pattern = shelf([arrival], { layout: aLine({ hold: ['spacing', 'count'], count: n }) })
          return new Map(
            played(aProject([tin], pattern))
              .playing.of('shelf')!
              .bars.map((b) => [b.row, b.from]),
          )
        }
        const [few, more] = [beginnings(count), beginnings(count + 1)]
        for (const [row, from] of few) expect(more.get(row)).toBe(from)
        for (const from of more.values()) expect(from >= 0.2 && from <= 2.7).toBe(true)
      }),
      { numRuns: 20 },
    )
  })
})

describe('where they come from', () => {
  /** How far copies are from where they stand at last, when they begin. */
  const away = (project: Project, id: string) => {
    const { playing, tableOf } = played(project)
    const [moving, { position: p, count }] = [playing.of(id)!, tableOf(id)]
    return Array.from({ length: count }, (_, row) => {
      const bar = moving.bars.find((b) => b.row === row)!
      const { move, turn } = moving.at(row, bar.from)
      return { stands: [p[3 * row], p[3 * row + 1], p[3 * row + 2]], move, turn, rest: moving.at(row, bar.to) }
    })
  }

  it('a place: they all begin there and go straight to where they stand', () => {
    const motion = [anArrival({ from: 'place', place: [0.3, 0.4, -0.2], easing: 'evenly' })]
    for (const { stands, move, rest } of away(aProject([tin], shelf(motion)), 'shelf')) {
      expect(stands.map((n, i) => n + move[i])).toEqual([0.3, 0.4, -0.2].map((n) => expect.closeTo(n, 12)))
      expect(rest).toBe(RESTS)
    }
  })

  it.each([
    ['along', false],
    ['along', true],
    ['unchanged', false],
  ] as const)(
    'back along a circle (facing %s, backwards: %s), by arc length, turned as it turns',
    (facing, reverse) => {
      const [radius, distance, aside] = [0.4, 0.3, 0.05]
      const curve = { kind: 'arc' as const, radius, start: 0, angle: 2 * Math.PI }
      const layout = aPath({ curve, hold: 'count', count: 5, facing, aside, reverse })
      const motion = [anArrival({ from: 'path', distance, easing: 'evenly' })]
      const pattern = aPattern(layout, ['tin'], { id: 'ring', motion })
      for (const { stands, move, turn, rest } of away(aProject([tin], pattern), 'ring')) {
        // A circle lies on the ground; seen from above it goes counter-clockwise, and back is the other way.
        const by = (reverse ? 1 : -1) * (distance / radius)
        const angle = Math.atan2(-stands[2], stands[0])
        const beside = Math.hypot(stands[0], stands[2]) - radius
        const on = (a: number, r: number): number[] => [r * Math.cos(a), 0, -r * Math.sin(a)]
        const begins =
          facing === 'unchanged'
            ? on(angle + by, radius).map((n, i) => n + on(angle, beside)[i])
            : on(angle + by, radius + beside)
        expect(Math.abs(beside)).toBeCloseTo(aside, 9)
        for (const i of [0, 2]) expect(stands[i] + move[i]).toBeCloseTo(begins[i], 9)
        const [x, , z] = rotate(turn, [1, 0, 0])
        expect(Math.atan2(-z, x)).toBeCloseTo(facing === 'unchanged' ? 0 : by, 9)
        expect(rest).toBe(RESTS)
      }
    },
  )

  it('in a list they come from somewhere and leave to it', () => {
    const said = (change: Partial<Arrive>): string => movements.arrive.summary(anArrival(change))
    expect([said({ from: 'below' }), said({ from: 'path' }), said({ from: 'place' })]).toEqual([
      'arrive from below',
      'arrive along the path',
      'arrive from a place',
    ])
    expect([said({ way: 'out', from: 'below' }), said({ way: 'out', from: 'path' })]).toEqual([
      'leave downward',
      'leave back along the path',
    ])
  })

  it('an open path: nobody goes back beyond its beginning; who stands on none is told so', () => {
    const curve = {
      kind: 'points' as const,
      points: [
        [0, 0, 0],
        [1, 0, 0],
      ] as [number, number, number][],
      smooth: false,
      closed: false,
    }
    const motion = [anArrival({ from: 'path', distance: 0.3, easing: 'evenly' })]
    const pattern = aPattern(aPath({ curve, hold: 'count', count: 5 }), ['tin'], { id: 'row', motion })
    const begins = away(aProject([tin], pattern), 'row').map(({ stands, move }) => stands[0] + move[0])
    expect(begins.map((n) => Math.round(n * 1e6) / 1e6)).toEqual([0, 0, 0.2, 0.45, 0.7])
    const [made] = played(aProject([tin], shelf(motion))).playing.ownOf('shelf')
    expect(made.ok ? '' : made.problem.says.join('')).toContain('They stand on no path')
  })
})

const anyArrival = fc.record({
  order: fc.constantFrom(...orders),
  from: fc.constantFrom(...comeFrom),
  distance: fc.double({ min: 0, max: 1, noNaN: true }),
  turn: fc.double({ min: -4, max: 4, noNaN: true }),
  about: fc.constantFrom('across' as const, 'up' as const, 'deep' as const),
  size: fc.double({ min: 0.01, max: 3, noNaN: true }),
  easing: fc.constantFrom(...curveNames),
  way: fc.constantFrom('in' as const, 'out' as const),
})

describe('how they come', () => {
  it('after arriving, and before leaving, everything stands exactly as without it', () => {
    fc.assert(
      fc.property(anyArrival, (change) => {
        const { playing } = played(aProject([tin], shelf([anArrival(change)])))
        const moving = playing.of('shelf')!
        for (const { row, from, to } of moving.bars) {
          const done = change.way === 'in' ? to : from
          for (const more of [0, 1e-9, 7])
            expect(moving.at(row, change.way === 'in' ? done + more : done - more)).toBe(RESTS)
          const gone = change.way === 'in' ? from - 1e-9 : to + 1e-9
          expect(moving.at(row, gone).shown).toBe(false)
          expect(moving.at(row, (from + to) / 2).shown).toBe(true)
        }
      }),
    )
  })

  it('jumping to a moment is playing up to it, to the bit', () => {
    fc.assert(
      fc.property(anyArrival, fc.double({ min: 0, max: 5, noNaN: true }), (change, time) => {
        const project = aProject([tin], shelf([anArrival(change), movements.idle.begin('idle', 11, 5)]))
        const [jumped, stepped] = [played(project).playing.of('shelf')!, played(project).playing.of('shelf')!]
        for (let at = 0; at < time; at += 0.5) for (let row = 0; row < 11; row++) stepped.at(row, at)
        for (let row = 0; row < 11; row++) expect(stepped.at(row, time)).toEqual(jumped.at(row, time))
      }),
      { numRuns: 30 },
    )
  })

  it('halfway, evenly, half the way is left: from below, turned and sized about the pivot', () => {
    const arrival = anArrival({ easing: 'evenly', turn: 1, about: 'deep', size: 0.6, waits: true })
    const moving = played(aProject([tin], shelf([arrival]))).playing.of('shelf')!
    const half = moving.at(0, 0.2 + 0.35)
    expect(half.move).toEqual([expect.closeTo(0, 12), expect.closeTo(-0.09, 12), expect.closeTo(0, 12)])
    expect(half.size).toBeCloseTo(0.8, 12)
    expect(2 * Math.asin(half.turn[2])).toBeCloseTo(0.5, 12)
    expect(moving.at(10, 0)).toMatchObject({ shown: true, size: expect.closeTo(0.6, 12) as number })
  })

  it('tinted as it comes, by so much as is left of its way; its image and its companion with it', () => {
    const tinted = anArrival({ tint: '#112233', easing: 'slowLast' })
    const mirrored = aPattern(aMirror('shelf', aPlane('up')), ['tin'], { id: 'images' })
    const beside = aPattern(aCompanion('shelf'), ['tin'], { id: 'beside' })
    const { playing, tableOf } = played(aProject([tin], shelf([tinted]), mirrored, beside))
    const { at } = playing.of('shelf')!
    expect(at(0, 0.1).tint).toEqual({ color: '#112233', share: 1 })
    expect(at(0, 0.2 + 0.35).tint!.share).toBeGreaterThan(0)
    expect(at(0, 0.2 + 0.35).tint!.share).toBeLessThan(0.5)
    expect(at(0, 0.9)).toBe(RESTS)
    for (const id of ['images', 'beside'])
      expect(Array.from({ length: tableOf(id).count }, (_, k) => playing.of(id)!.at(k, 0.55).tint)).toContainEqual(
        at(0, 0.55).tint,
      )
    // What goes beyond its end is in its own colour there, no less.
    const beyond = played(aProject([tin], shelf([anArrival({ tint: '#112233', easing: [0.3, 1.6, 0.7, 1] })])))
    for (let t = 0.2; t < 0.9; t += 0.05)
      expect(beyond.playing.of('shelf')!.at(0, t).tint?.share ?? 0).toBeGreaterThanOrEqual(0)
  })

  it('a whole pattern that is repeated moves as one about its pivot', () => {
    const moved = { move: [0, 1, 0] as [number, number, number], turn: [0, 0, 1, 0] as const, size: 2, shown: true }
    const at = movedPlacing([1, 0, 0], { move: [2, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 3] }, moved)
    expect(at.move.map((n) => n + 0)).toEqual([-1, 1, 0])
    expect([at.turn, at.size]).toEqual([
      [0, 0, 1, 0],
      [2, 2, 6],
    ])
  })

  it('what the stage draws of it is the same, in 32 bits', () => {
    fc.assert(
      fc.property(anyArrival, fc.double({ min: 0, max: 3, noNaN: true }), (change, time) => {
        const { playing, tableOf } = played(aProject([tin], shelf([anArrival(change)])))
        const own = tableOf('shelf')
        const rest = new Float32Array(20)
        rest.set([9, 9, 9, 9, 9, 9, 9, 9, 9, 9, ...own.moveOf(4), ...own.turnOf(4), ...own.sizeOf(4)])
        const out = new Float32Array(20)
        const moved = playing.of('shelf')!.at(4, time)
        placedAt(moved, own, 4, rest, 10, out)
        const meant = movedPlacing(own.moveOf(4), own.placingOf(4), moved)
        const said = moved.shown
          ? [...meant.move, ...meant.turn, ...meant.size]
          : [0, -1e6, 0, 0, 0, 0, 1, HIDDEN, HIDDEN, HIDDEN]
        for (const [i, n] of said.entries()) expect(out[10 + i]).toBeCloseTo(n, 5)
      }),
    )
  })

  it('idle: a sway is at its side after a quarter of a round, the next one as far behind as is said', () => {
    const idle = { ...movements.idle.begin('idle', 11, 5), angle: 0.2, once: 2, behind: 0.25 }
    const moving = played(aProject([tin], shelf([idle]))).playing.of('shelf')!
    expect(2 * Math.asin(moving.at(0, 0.5).turn[2])).toBeCloseTo(0.2, 12)
    expect(2 * Math.asin(moving.at(1, 1).turn[2])).toBeCloseTo(0.2, 12)
    expect(moving.at(0, 2.5)).toEqual(moving.at(0, 0.5))
  })
})

describe('what goes with others', () => {
  const motion = [anArrival({ turn: 0.8, about: 'deep', size: 0.5, easing: 'evenly', from: 'left' })]
  const place = { move: [1, 2, 3], turn: [0, 0.6, 0.2] } as Pattern['place']

  it('a companion goes round its host’s pivot, whatever axes each stands in', () => {
    const host = shelf(motion, { place })
    const bulbs: Pattern = {
      ...aPattern(aCompanion('shelf'), ['bulb']),
      id: 'bulbs',
      place: { move: [4, 0, 0], turn: [0, 0.3, 0] },
    }
    const { playing, tableOf } = played(aProject([tin, ball('bulb', 0.02)], host, bulbs))
    const [hosts, own] = [playing.of('shelf')!, playing.of('bulbs')!]
    const world = ({ place }: Pattern, at: readonly number[]): number[] => {
      const turned = rotate(fromTurns(place.turn), [at[0], at[1], at[2]])
      return turned.map((n, i) => n + place.move[i])
    }
    const distance = (row: number, time: number): number => {
      const [a, b] = [tableOf('shelf'), tableOf('bulbs')]
      const hostMoved = hosts.at(row, time)
      const one = world(
        host,
        a.moveOf(row).map((n, i) => n + hostMoved.move[i]),
      )
      const two = world(
        bulbs,
        b.moveOf(row).map((n, i) => n + own.at(row, time).move[i]),
      )
      return Math.hypot(...one.map((n, i) => n - two[i]))
    }
    for (const row of [0, 4, 10])
      for (const time of [0.3, 0.9, 1.7]) {
        expect(distance(row, time)).toBeCloseTo(distance(row, 99) * hosts.at(row, time).size, 9)
        expect(own.at(row, time).shown).toBe(hosts.at(row, time).shown)
        expect(own.at(row, time).size).toBe(hosts.at(row, time).size)
      }
    expect(own.bars.map(({ from }) => from)).toEqual(hosts.bars.map(({ from }) => from))
    expect(own.at(3, 99)).toBe(RESTS)
  })

  it('an image comes as in the mirror: from the other side, turned the other way, together with what it is of', () => {
    const source = shelf(motion)
    const images: Pattern = { ...aPattern(aMirror('shelf', aPlane('across', { offset: -2 })), []), id: 'images' }
    images.deal = { kind: 'inTurn', parts: [] }
    const { playing, tableOf } = played(aProject([tin], source, images))
    const [own, seen] = [playing.of('shelf')!, playing.of('images')!]
    expect(tableOf('images').presentCount()).toBe(11)
    for (let row = 0; row < 11; row++) {
      const [a, b] = [own.at(row, 0.9), seen.at(row, 0.9)]
      expect(b.move[0]).toBeCloseTo(-a.move[0], 12)
      expect(b.move[1]).toBeCloseTo(a.move[1], 12)
      expect(b.turn[2] * Math.sign(b.turn[3])).toBeCloseTo(-a.turn[2] * Math.sign(a.turn[3]), 12)
      expect([b.size, b.shown]).toEqual([a.size, a.shown])
    }
  })

  it('copies that a mirror has moved across come as their images', () => {
    const images: Pattern = {
      ...aPattern({ ...aMirror('shelf', aPlane('across', { offset: -2 })), keep: 'across' }, []),
      id: 'images',
    }
    const { playing } = played(aProject([tin], shelf(motion), images))
    expect(playing.of('images')!.bars).toHaveLength(11)
    expect(playing.of('images')!.at(5, 0.3 + 0.18 * 5).move[0]).toBeGreaterThan(0)
  })

  it('what goes with something that stands still does not move', () => {
    const bulbs: Pattern = { ...aPattern(aCompanion('shelf'), ['bulb']), id: 'bulbs' }
    expect(played(aProject([tin, ball('bulb', 0.02)], shelf(undefined), bulbs)).playing.of('bulbs')).toBeUndefined()
  })
})
