import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arm, farthest, flatL, standing, twinsIn, volumesOf } from '../../test/handed'
import { evaluated, placesOf } from '../../test/placed'
import { aMirror, aPattern, aPlane, aProject, ball } from '../../test/projects'
import { Evaluator, type PatternOutcome } from '../evaluate'
import type { Part } from '../model/part'
import type { Vec3 } from '../values/values'
import { anyTurn } from '../steps/vary/varyRows'
import { Hands } from '../mirror/hands'
import { placedBy, reflectionIn } from '../geometry/isometry'
import {
  cube,
  mirrored,
  spotsOf,
  both,
  source,
  reflectBy,
  vector,
  turn,
  size,
  freePlane,
  planeIn,
} from '../../test/mirrors'

describe('a mirrored copy', () => {
  it('H5, H7: of a part with a hand is its twin: every vertex is the mirror image of the copy’s, any plane, turn and sizes', () => {
    fc.assert(
      fc.property(freePlane, vector, turn, fc.tuple(size, size, size), (plane, move, turned, sized) => {
        const parts = [arm()]
        const left = spotsOf({ move, turn: turned, size: sized })
        const [from, to] = both(aProject(parts, left, mirrored(left, [plane])))
        expect(twinsIn(to.table)).toBe(1)
        const [a, b] = [standing(from.table, 0, source(parts)), standing(to.table, 0, source(parts))]
        const iso = reflectionIn(planeIn(plane))
        for (let i = 0; i < a.positions.length; i += 3) {
          const image = placedBy(iso, [a.positions[i], a.positions[i + 1], a.positions[i + 2]])
          for (let c = 0; c < 3; c++) expect(Math.abs(b.positions[i + c] - image[c])).toBeLessThan(1e-9)
        }
        const [[v], [w]] = [volumesOf(from.table, source(parts)), volumesOf(to.table, source(parts))]
        expect(w).toBeGreaterThan(0)
        expect(w / v).toBeCloseTo(1, 6)
        for (let c = 0; c < 3; c++) expect(to.table.scale[c]).toBeGreaterThan(0)
      }),
      { numRuns: 60 },
    )
  })

  it('H12, R7: of a symmetric part is the part itself, lying where the mirror image lies, also where the plane misses the pivot', () => {
    fc.assert(
      fc.property(
        freePlane,
        vector,
        turn,
        fc.oneof(
          fc.tuple(size, size, size),
          size.map((s): Vec3 => [s, s, s]),
        ),
        fc.constantFrom('flat', 'cube', 'ball'),
        (plane, move, turned, sized, part) => {
          const parts = [flatL(), cube, ball('ball', 0.2)]
          const left = spotsOf({ move, turn: turned, size: sized, part })
          const [from, to] = both(aProject(parts, left, mirrored(left, [plane])))
          expect(twinsIn(to.table)).toBe(0)
          const a = standing(from.table, 0, source(parts))
          // What coincides with its own image has none beside it.
          const b = to.table.count === 0 ? a : standing(to.table, 0, source(parts))
          const iso = reflectionIn(planeIn(plane))
          const image = new Float64Array(a.positions.length)
          for (let i = 0; i < image.length; i += 3)
            image.set(placedBy(iso, [a.positions[i], a.positions[i + 1], a.positions[i + 2]]), i)
          expect(farthest(image, b.positions)).toBeLessThan(1e-5)
          for (const volume of volumesOf(to.table, source(parts))) expect(volume).toBeGreaterThan(0)
        },
      ),
      { numRuns: 15 },
    )
  })

  it('H12: a plane of symmetry counts only while the copy’s present size keeps it', () => {
    const between = { normal: [Math.SQRT1_2, -Math.SQRT1_2, 0] as Vec3, distance: 0, deviation: 0 }
    const things = {
      idOf: () => 'part',
      bringsAnswer: () => undefined,
      planesOf: () => [between],
      middleOf: () => [0, 0, 0] as const,
      turnsOntoItself: () => false,
      isPatterned: () => false,
    }
    const hands = new Hands('auto', {}, true, things)
    expect(hands.of(0, 1.5, 1.5, 1.5)).toEqual({ kind: 'symmetric', plane: between })
    expect(hands.of(0, 2, 2, 1)).toEqual({ kind: 'symmetric', plane: between })
    expect(hands.of(0, 1, 2, 1)).toEqual({ kind: 'twin' })
    expect(new Hands('auto', { part: 'kept' }, true, things).of(0, 1, 2, 1)).toEqual({ kind: 'kept' })
    expect(new Hands('auto', {}, true, { ...things, bringsAnswer: () => 'kept' }).of(0, 1, 2, 1).kind).toBe('kept')
    const asked = new Hands('auto', { part: 'mirrored' }, true, { ...things, bringsAnswer: () => 'kept' })
    expect(asked.of(0, 1, 1, 1).kind).toBe('twin')
  })

  it('H4: kept, a shape keeps its hand: front and up are mirrored', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0.1, 0.2], turn: anyTurn(0.3, 0.7, 0.2) })
    const [from, to] = both(aProject(parts, left, mirrored(left, [aPlane('across')], { answers: { arm: 'kept' } })))
    expect(twinsIn(to.table)).toBe(0)
    const axis = (o: PatternOutcome, i: number) => {
      const q = o.table.quaternion
      const m = [0, 0, 0].map((_, c) => (c === i ? 1 : 0)) as Vec3
      const [x, y, z, w] = q
      const tx = 2 * (y * m[2] - z * m[1])
      const ty = 2 * (z * m[0] - x * m[2])
      const tz = 2 * (x * m[1] - y * m[0])
      return [m[0] + w * tx + y * tz - z * ty, m[1] + w * ty + z * tx - x * tz, m[2] + w * tz + x * ty - y * tx]
    }
    for (const i of [1, 2]) {
      const [before, after] = [axis(from, i), axis(to, i)]
      expect(after[0]).toBeCloseTo(-before[0], 12)
      expect(after[1]).toBeCloseTo(before[1], 12)
      expect(after[2]).toBeCloseTo(before[2], 12)
    }
  })

  it('H6: place and turn, place only, turn only: (−x, y, z) and (rx, −ry, −rz)', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0.1, 0.2], turn: anyTurn(0.3, 0.7, 0.2) })
    const q = both(aProject(parts, left, mirrored(left, [aPlane('across')])))[0].table.quaternion
    const told = (what: 'both' | 'place' | 'turn') => {
      const [, to] = both(aProject(parts, left, mirrored(left, [aPlane('across')], { what })))
      return { at: placesOf(to.table)[0], turn: [...to.table.quaternion.subarray(0, 4)], twins: twinsIn(to.table) }
    }
    expect(told('both')).toEqual({ at: [-0.3, 0.1, 0.2], turn: [q[0], -q[1], -q[2], q[3]], twins: 1 })
    expect(told('place')).toEqual({ at: [-0.3, 0.1, 0.2], turn: [...q.subarray(0, 4)], twins: 0 })
    expect(told('turn')).toEqual({ at: [0.3, 0.1, 0.2], turn: [q[0], -q[1], -q[2], q[3]], twins: 1 })
  })

  it('H7: twice across one plane is the original, also of what is mirrored already; distances stay', () => {
    fc.assert(
      fc.property(freePlane, fc.array(fc.tuple(vector, turn), { minLength: 2, maxLength: 4 }), (plane, copies) => {
        const near = copies.some(([a], i) =>
          copies.some(([b], j) => i < j && Math.hypot(...a.map((n, c) => n - b[c])) < 0.01),
        )
        fc.pre(!near)
        const parts = [arm(), flatL()]
        const left = spotsOf(...copies.map(([move, t], i) => ({ move, turn: t, part: i % 2 ? 'flat' : 'arm' })))
        const once = mirrored(left, [plane])
        const twice = aPattern(aMirror('mirror', plane), [], { id: 'again', name: 'Again' })
        const all = new Evaluator().evaluate(aProject(parts, left, once, twice), new Map())
        const [a, b, c] = all.map((o) => o.table)
        expect([...c.flags.subarray(0, c.count)]).toEqual([...a.flags.subarray(0, a.count)])
        for (let i = 0; i < 3 * a.count; i++) expect(c.position[i]).toBeCloseTo(a.position[i], 12)
        for (let k = 0; k < a.count; k++) {
          const dot = [0, 1, 2, 3].reduce((s, i) => s + a.quaternion[4 * k + i] * c.quaternion[4 * k + i], 0)
          expect(Math.abs(dot)).toBeCloseTo(1, 12)
        }
        const apart = (t: typeof a) => {
          const p = placesOf(t)
          return Math.hypot(...p[0].map((n, i) => n - p[2 % t.count][i]))
        }
        // Only parts with a hand keep their pivots at the same distances: symmetric ones may move to fit.
        if (copies.length > 2) expect(apart(b)).toBeCloseTo(apart(a), 12)
      }),
      { numRuns: 40 },
    )
  })
})

describe('inside assemblies', () => {
  const front = (): Part[] => [
    arm(),
    cube,
    {
      id: 'front',
      name: 'front',
      look: cube.look,
      shape: {
        kind: 'assembly',
        members: [
          { id: 'a', part: 'arm', move: [0.4, 0, 0], turn: [0.2, 0.5, 0.1], size: [1, 1, 1] },
          { id: 'b', part: 'cube', move: [0.1, 0, 0.2], turn: [0, 0.3, 0], size: [1, 1, 1] },
        ],
      },
    },
  ]

  it('H7: each member has its own answer, in a mirror and in a reflection, and everything lies where its image lies', () => {
    const parts = front()
    const left = spotsOf({ move: [0.3, 0, 0.1], turn: anyTurn(0.2, 0.4, 0.9), part: 'front' })
    const layout = both(aProject(parts, left, mirrored(left, [aPlane('across')])))[1]
    const step = evaluated(aProject(parts, { ...left, steps: [reflectBy({}, aPlane('across'))] }))
    for (const table of [layout.expanded, step.expanded]) {
      const names = Array.from({ length: table.count }, (_, k) => parts[table.thing[k]].id)
      expect(names.slice(-2)).toEqual(['arm', 'cube'])
      expect(twinsIn(table)).toBe(1)
    }
    const from = evaluated(aProject(parts, left)).expanded
    const iso = reflectionIn({ normal: [1, 0, 0], distance: 0 })
    for (const k of [0, 1]) {
      const a = standing(from, k, source(parts))
      const image = new Float64Array(a.positions.length)
      for (let i = 0; i < image.length; i += 3)
        image.set(placedBy(iso, [a.positions[i], a.positions[i + 1], a.positions[i + 2]]), i)
      expect(farthest(image, standing(layout.expanded, k, source(parts)).positions)).toBeLessThan(1e-6)
      expect(farthest(image, standing(step.expanded, 2 + k, source(parts)).positions)).toBeLessThan(1e-6)
    }
  })

  it('H7: nested twice, turned and sized at every level, every vertex lies where its image lies, any plane', () => {
    fc.assert(
      fc.property(freePlane, vector, turn, vector, vector, size, (plane, move, turned, within, angles, sized) => {
        const parts: Part[] = [
          ...front(),
          {
            id: 'house',
            name: 'house',
            look: cube.look,
            shape: {
              kind: 'assembly',
              members: [{ id: 'a', part: 'front', move: within, turn: angles, size: [sized, sized, sized] }],
            },
          },
        ]
        const left = spotsOf({ move, turn: turned, part: 'house' })
        const [from, to] = both(aProject(parts, left, mirrored(left, [plane])))
        const step = evaluated(aProject(parts, { ...left, steps: [reflectBy({}, plane)] })).expanded
        const iso = reflectionIn(planeIn(plane))
        for (const k of [0, 1]) {
          const a = standing(from.expanded, k, source(parts))
          const image = new Float64Array(a.positions.length)
          for (let i = 0; i < image.length; i += 3)
            image.set(placedBy(iso, [a.positions[i], a.positions[i + 1], a.positions[i + 2]]), i)
          expect(farthest(image, standing(to.expanded, k, source(parts)).positions)).toBeLessThan(1e-5)
          expect(farthest(image, standing(step, 2 + k, source(parts)).positions)).toBeLessThan(1e-5)
        }
        for (const volume of volumesOf(to.expanded, source(parts))) expect(volume).toBeGreaterThan(0)
      }),
      { numRuns: 25 },
    )
  })

  it('a member that is kept keeps its shape in the mirrored assembly', () => {
    const parts = front()
    const left = spotsOf({ move: [0.3, 0, 0.1], part: 'front' })
    const step = evaluated(
      aProject(parts, { ...left, steps: [reflectBy({ answers: { arm: 'kept' } }, aPlane('across'))] }),
    )
    expect(step.expanded.count).toBe(4)
    expect(twinsIn(step.expanded)).toBe(0)
  })
})
