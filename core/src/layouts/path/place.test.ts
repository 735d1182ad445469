import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, evaluated, placesOf, said, slotsOf } from '../../../test/placed'
import { aPath, aPattern, aProject, ball, box } from '../../../test/projects'
import type { Path } from './schema'
import type { Vec3 } from '../../values/values'
import { rotate } from '../../geometry/rotation'

const bead = ball('bead', 0.02)
const path = (change: Partial<Path> = {}, part = bead) =>
  evaluated(aProject([part], aPattern(aPath(change), [part.id])))
const front = (table: ReturnType<typeof path>['table'], k: number, own: Vec3 = [0, 0, 1]): Vec3 => {
  const q = table.quaternion.subarray(4 * k, 4 * k + 4)
  return rotate([q[0], q[1], q[2], q[3]], own)
}
const straight = (...points: Vec3[]): Path['curve'] => ({ kind: 'points', points, smooth: false, closed: false })
const corner = straight([0, 0, 0], [1, 0, 0], [1, 0, 0.5])
const coordinate = fc.double({ min: -2, max: 2, noNaN: true })
const point = fc.tuple(coordinate, coordinate, coordinate)

describe('a path', () => {
  it('deals by chance from copy to copy, the same whoever worked before', () => {
    const parts = [bead, box('tin', 0.02)]
    const doc = aProject(
      parts,
      aPattern(aPath({ curve: straight([0, 0, 0], [9, 0, 0]), count: 100 }), [], {
        deal: { kind: 'random', parts: ['bead', 'tin'], weights: [1, 1], seed: 5 },
      }),
    )
    const { table } = evaluated(doc)
    const tins = [...table.thing.subarray(0, 100)].filter((thing) => thing === 1).length
    expect(tins).toBeGreaterThan(30)
    expect(tins).toBeLessThan(70)
  })

  it('E1: stands at equal true lengths on any Bézier', () => {
    fc.assert(
      fc.property(point, point, point, point, fc.integer({ min: 2, max: 12 }), (a, b, c, d, count) => {
        const { laid, problem } = path({
          curve: { kind: 'bezier', runs: [{ start: a, pieces: [[b, c, d]], closed: false }], from: { kind: 'hand' } },
          count,
        })
        if (problem || laid?.kind !== 'path') return
        const steps = Array.from({ length: count - 1 }, (_, k) => laid.lengths[k + 1] - laid.lengths[k])
        for (const step of steps) expect(step).toBeCloseTo(laid.length / (count - 1), 9)
      }),
      { numRuns: 60 },
    )
  })

  it('E2: holds a count or a spacing, and says what is left over', () => {
    expect(said(path({ curve: straight([0, 0, 0], [1, 0, 0]), count: 11 }).facts)).toBe(
      '11 copies on 1 000 mm · pitch 100 mm · gap 80 mm',
    )
    const spaced = path({ curve: straight([0, 0, 0], [1, 0, 0]), hold: 'spacing', spacing: 0.3, leftover: 'both' })
    expect(said(spaced.facts)).toContain('left over 100 mm')
    expect(placesOf(spaced.table).map(([x]) => Math.round(x * 1e9) / 1e9)).toEqual([0.05, 0.35, 0.65, 0.95])
    expect(
      path({ curve: straight([0, 0, 0], [1, 0, 0]), hold: 'spacing', spacing: 0.05, measure: 'gap' }).table.count,
    ).toBe(Math.floor(1 / 0.07) + 1)
  })

  it('E3: a closed path of n has n equal lengths, and no copy at the closing point twice', () => {
    const { table } = path({ curve: { kind: 'polygon', sides: 4, radius: Math.SQRT1_2 }, count: 8 })
    const places = placesOf(table)
    expect(table.count).toBe(8)
    places.forEach((p, k) => expect(distance(p, places[(k + 1) % 8])).toBeCloseTo(k % 2 === 0 ? 0.5 : 0.5, 9))
  })

  it('E5, R9: keeps corners and puts copies on every one with even bays between', () => {
    const { table, facts } = path({ curve: corner, way: 'corners', hold: 'spacing', spacing: 0.3 })
    const places = placesOf(table)
    expect(places.some((p) => distance(p, [1, 0, 0]) < 1e-12)).toBe(true)
    // A metre in four bays of 250, half a metre in two.
    expect(places.slice(1).map((p, k) => Math.round(distance(p, places[k]) * 1e6) / 1e6)).toEqual([
      0.25, 0.25, 0.25, 0.25, 0.25, 0.25,
    ])
    expect(said(facts)).toContain('1 corner')
    const square = path({
      curve: { kind: 'polygon', sides: 4, radius: 1 },
      way: 'corners',
      hold: 'spacing',
      spacing: 0.5,
    })
    expect(square.table.count).toBe(4 * 3)
  })

  it('R8: all neighbours at one straight distance, by spacing and by count', () => {
    const helix: Path['curve'] = { kind: 'helix', radius: 0.5, endRadius: 0.2, height: 1, turns: 3 }
    for (const change of [
      { hold: 'spacing', spacing: 0.17 },
      { hold: 'count', count: 23 },
    ] as const) {
      const { table, laid } = path({ curve: helix, way: 'straight', ...change })
      const places = placesOf(table)
      const wanted = laid?.kind === 'path' ? laid.spacing : NaN
      places.slice(1).forEach((p, k) => expect(distance(p, places[k])).toBeCloseTo(wanted, 8))
    }
    const { table } = path({ curve: helix, way: 'straight', hold: 'count', count: 23 })
    expect(table.count).toBe(23)
    expect(distance(placesOf(table)[22], [0.2, 1, 0])).toBeLessThan(1e-9)
  })

  it('R8: on a curve that doubles back every count is reached, all at one straight distance but the last', () => {
    const zigzag = straight([0, 0, 0], [1, 0, 0], [0.2, 0, 0], [1.5, 0, 0], [0.9, 0, 0.4])
    for (let count = 2; count <= 60; count++) {
      const { table, laid } = path({ curve: zigzag, way: 'straight', hold: 'count', count })
      const places = placesOf(table)
      expect([count, places.length]).toEqual([count, count])
      const wanted = laid?.kind === 'path' ? laid.spacing : NaN
      const bays = places.slice(1).map((p, k) => distance(p, places[k]))
      for (const bay of bays.slice(0, -1)) expect(Math.abs(bay - wanted)).toBeLessThan(1e-9)
      expect(distance(places[count - 1], [0.9, 0, 0.4])).toBeLessThan(1e-12)
    }
  })

  it('E4: turns along, upright or with the least twist, or not at all', () => {
    const up = straight([0, 0, 0], [1, 1, 0])
    expect(front(path({ curve: up, facing: 'along' }).table, 0)[1]).toBeCloseTo(Math.SQRT1_2, 9)
    expect(front(path({ curve: up, facing: 'upright' }).table, 0)).toEqual([
      expect.closeTo(1, 9),
      expect.closeTo(0, 9),
      expect.closeTo(0, 9),
    ])
    expect(front(path({ curve: up, facing: 'unchanged' }).table, 0)).toEqual([0, 0, 1])
    const twisted = path({
      curve: straight([0, 0, 0], [0, 0, 1]),
      count: 5,
      facing: 'leastTwist',
      twist: Math.PI,
    }).table
    expect(front(twisted, 4, [0, 1, 0])[1]).toBeCloseTo(-1, 9)
    expect(front(twisted, 2, [0, 1, 0])[1]).toBeCloseTo(0, 9)
  })

  it('E4: strips join end to end within 1e-6', () => {
    const strip = { ...box('strip', 0.02), shape: { kind: 'box' as const, width: 0.02, height: 0.01, depth: 0.3 } }
    for (const curve of [{ kind: 'ellipse', width: 2, depth: 1 }, corner] as Path['curve'][]) {
      const { table } = path({ curve, count: 14, join: 'stretch' }, strip)
      const ends = (k: number): [Vec3, Vec3] => {
        const at = placesOf(table)[k]
        const f = front(table, k)
        const half = 0.15 * table.scale[3 * k + 2]
        return [at.map((n, i) => n - f[i] * half) as Vec3, at.map((n, i) => n + f[i] * half) as Vec3]
      }
      expect(table.count).toBe(curve.kind === 'ellipse' ? 14 : 13)
      for (let k = 0; k + 1 < table.count; k++) expect(distance(ends(k)[1], ends(k + 1)[0])).toBeLessThan(1e-6)
    }
  })

  it('E4: chooses strips from a set of lengths, and stretches what is missing', () => {
    const strip = (id: string, depth: number) => ({
      ...box(id, 0.02),
      shape: { kind: 'box' as const, width: 0.02, height: 0.01, depth },
    })
    const curve = straight([0, 0, 0], [0.31, 0, 0], [0.31, 0, 0.1], [0.9, 0, 0.1])
    const { table } = evaluated(
      aProject(
        [strip('short', 0.1), strip('long', 0.3)],
        aPattern(aPath({ curve, way: 'corners', hold: 'spacing', spacing: 1, join: 'choose' }), ['short', 'long']),
      ),
    )
    expect(Array.from(table.thing.subarray(0, 3))).toEqual([1, 0, 1])
    expect([2, 5, 8].map((i) => Math.round(table.scale[i] * 1e6) / 1e6)).toEqual([1.033333, 1, 1.966667])
  })

  it('E11: insets, reverse and slide', () => {
    const x = (change: Partial<Path>): number[] =>
      placesOf(path({ curve: straight([0, 0, 0], [1, 0, 0]), count: 3, ...change }).table).map(
        ([v]) => Math.round(v * 1e9) / 1e9,
      )
    expect(x({ insetStart: 0.1, insetEnd: 0.3 })).toEqual([0.1, 0.4, 0.7])
    expect(x({ reverse: true, insetStart: 0.1 })).toEqual([0.9, 0.45, 0])
    const ring: Path['curve'] = { kind: 'ellipse', width: 2, depth: 1 }
    const [a, b] = [path({ curve: ring, count: 6 }).table, path({ curve: ring, count: 6, reverse: true }).table]
    // Reversed, the copies stand on the same places, the other way round.
    for (let k = 0; k < 6; k++) expect(distance(placesOf(a)[k], placesOf(b)[(6 - k) % 6])).toBeLessThan(1e-9)
    const slid = placesOf(
      path({
        curve: ring,
        count: 6,
        slide:
          path({ curve: ring }).laid?.kind === 'path'
            ? (path({ curve: ring }).laid as { length: number }).length / 6
            : 0,
      }).table,
    )
    expect(distance(slid[0], placesOf(a)[1])).toBeLessThan(1e-9)
  })

  it('reversing twice is nothing', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 6 }), fc.integer({ min: 2, max: 9 }), (points, count) => {
        const on = (list: Vec3[], reverse: boolean) =>
          path({ curve: { kind: 'points', points: list, smooth: true, closed: false }, count, reverse })
        const [there, back] = [on(points, false), on([...points].reverse(), true)]
        if (there.problem || back.problem) return
        placesOf(there.table).forEach((p, k) => expect(distance(p, placesOf(back.table)[k])).toBeLessThan(1e-6))
      }),
      { numRuns: 60 },
    )
  })

  it('moves aside and up', () => {
    const { table } = path({ curve: straight([0, 0, 0], [0, 0, -1]), count: 2, aside: 0.2, lift: 0.1 })
    expect(placesOf(table)[0]).toEqual([expect.closeTo(0.2, 12), expect.closeTo(0.1, 12), expect.closeTo(0, 12)])
  })

  it('takes several contours each for itself or as one', () => {
    const run = (x: number, size: number) => ({
      start: [x, 0, 0] as Vec3,
      pieces: [
        [
          [x, 0, 0],
          [x, size, 0],
          [x, size, 0],
        ],
      ] as [Vec3, Vec3, Vec3][],
      closed: false,
    })
    const two: Path['curve'] = { kind: 'bezier', runs: [run(0, 1), run(1, 3)], from: { kind: 'hand' } }
    expect(path({ curve: two, count: 5, contours: 'each' }).table.count).toBe(10)
    const one = path({ curve: two, count: 8, contours: 'asOne' })
    expect(one.table.count).toBe(8)
    expect(new Set(slotsOf(one.table)).size).toBe(8)
    for (const count of [2, 3, 7, 10, 41])
      expect(path({ curve: two, count, contours: 'asOne' }).table.count).toBe(count)
    expect(said(path({ curve: two, count: 1, contours: 'asOne' }).problem!.says)).toContain(
      'cannot be shared among 2 contours',
    )
  })

  it('refuses what cannot be', () => {
    expect(said(path({ curve: straight([0, 0, 0], [0, 0, 0]) }).problem!.says)).toContain('lie on one spot')
    expect(
      said(path({ curve: { kind: 'catenary', to: [2, 0, 0], by: 'length', value: 1.5 } }).problem!.says),
    ).toContain('does not reach from end to end')
    expect(said(path({ insetStart: 99 }).problem!.says)).toContain('The insets leave nothing of the curve')
    expect(said(path({ facing: 'unchanged', measure: 'overall' }).problem!.says)).toContain(
      'An overall along a curve needs copies that turn with it',
    )
    expect(said(path({ hold: 'spacing', spacing: 0 }).problem!.says)).toContain('would put neighbours on one spot')
  })

  it('a gap that neighbours keep on one spot is refused at once, where only one would fit on a straight too', () => {
    // What is dealt first lies a metre beside its pivot: the second keeps its gap from it wherever it stands, and so would a million.
    const far = aPattern({ kind: 'spots', spots: [{ slot: 0, move: [1, 0, 0] }] }, ['tin'], { id: 'far', name: 'Far' })
    const layout = aPath({
      curve: { kind: 'polygon', sides: 5, radius: 0.176 },
      hold: 'spacing',
      spacing: 0.264,
      measure: 'gap',
      leftover: 'widen',
      insetStart: 0.117,
      insetEnd: 0.6,
      aside: 0.6,
    })
    const path = aPattern(layout, [], { id: 'path', name: 'Path' })
    path.deal = { kind: 'ends', parts: ['far', 'leaf', 'tin'] }
    const { problem } = evaluated(aProject([box('tin', 0.05), box('leaf', 0.05)], far, path), 'path')
    expect(said(problem!.says)).toBe(
      'A gap of 264 mm would put neighbours on one spot: they are as far apart even there. Type a wider one.',
    )
  })
})
