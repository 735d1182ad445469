import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arm, farthest, flatL, standing, twinsIn, volumesOf } from '../../test/handed'
import { evaluated, placesOf, said, slotsOf } from '../../test/placed'
import {
  aGrid,
  aLine,
  aMirror,
  aPattern,
  aPlane,
  aProject,
  aReflection,
  aRing,
  ball,
  box,
  pitched,
} from '../../test/projects'
import { Evaluator, type PatternOutcome } from '../evaluate'
import { Flag } from '../instances'
import type { MirrorPlane } from '../values/reflection'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { readProject } from '../model/project'
import type { Reflect } from '../steps/reflect/schema'
import type { Vec3 } from '../values/values'
import { anyTurn } from '../steps/vary/varyRows'
import { Hands } from '../mirror/hands'
import { placedBy, reflectionIn } from '../geometry/isometry'
import { planeThrough } from '../mirror/planes'

const cube = box('cube', 0.119)
const mirrored = (source: Pattern, planes: MirrorPlane[], change: Partial<ReturnType<typeof aMirror>> = {}): Pattern =>
  aPattern({ ...aMirror(source.id, ...planes), ...change }, [], { id: 'mirror', name: 'Mirror' })
const spotsOf = (...spots: { move: Vec3; turn?: readonly number[]; size?: Vec3; part?: string }[]): Pattern =>
  aPattern({ kind: 'spots', spots: spots.map((s, slot) => ({ slot, ...s }) as never) }, [spots[0].part ?? 'arm'], {
    id: 'left',
    name: 'Left',
  })
const both = (project: Project): [PatternOutcome, PatternOutcome] => {
  const all = new Evaluator().evaluate(project, new Map())
  return [all.find((o) => o.id === 'left')!, all.find((o) => o.id === 'mirror')!]
}
const source = (parts: readonly Part[]) => ({ parts, meshes: new Map() })
const reflectBy = (change: Partial<Reflect>, ...planes: MirrorPlane[]): Reflect => ({
  kind: 'reflect',
  id: 'r',
  ...aReflection(...planes),
  ...change,
})

const unit = fc.double({ min: -1, max: 1, noNaN: true })
const chance = fc.double({ min: 0, max: 0.999, noNaN: true })
const vector = fc.tuple(unit, unit, unit)
const turn = fc.tuple(chance, chance, chance).map(([a, b, c]) => anyTurn(a, b, c))
const size = fc.double({ min: 0.3, max: 3, noNaN: true })
const freePlane = fc
  .tuple(vector, unit)
  .filter(([n]) => Math.hypot(...n) > 0.1)
  .map(([normal, offset]): MirrorPlane => ({ facing: { kind: 'free', normal }, through: { kind: 'origin' }, offset }))
const planeIn = ({ facing, offset }: MirrorPlane) => {
  const n = facing.kind === 'free' ? facing.normal : [1, 0, 0]
  const l = Math.hypot(...n)
  return { normal: n.map((c) => c / l) as Vec3, distance: offset }
}

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

describe('mirrors', () => {
  it('H8, H11: several patterns at once, and what is mirrored leads', () => {
    const parts = [arm(), cube]
    const left = spotsOf({ move: [0.3, 0, 0] })
    const row = aPattern(aLine({ hold: ['count', 'spacing'], count: 3 }), ['cube'], {
      id: 'row',
      place: { move: [0.5, 0, 0.2], turn: [0, 0.4, 0] },
    })
    const mirror = mirrored(left, [aPlane('across')], {
      sources: [
        { kind: 'pattern', id: 'left' },
        { kind: 'pattern', id: 'row' },
      ],
    })
    const evaluator = new Evaluator()
    const project = aProject(parts, left, row, mirror)
    const first = evaluator.evaluate(project, new Map())
    expect(said(first[2].facts)).toBe('4 images of 2 patterns · 1 in the other hand · 3 are symmetric and kept')
    const before = placesOf(first[2].table)
    const moved = { ...left, place: { move: [0.1, 0, 0] as Vec3, turn: [0, 0, 0] as Vec3 } }
    const second = evaluator.evaluate({ ...project, patterns: [moved, row, mirror] }, new Map())
    const after = placesOf(second[2].table)
    expect(after[0][0]).toBeCloseTo(before[0][0] - 0.1, 12)
    expect(after.slice(1)).toEqual(before.slice(1))
  })

  it('H9, R11: two planes make four of one, three make eight; planes at 180° ÷ k make 2k', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0.2, 0.1] })
    const count = (...planes: MirrorPlane[]) => both(aProject(parts, left, mirrored(left, planes)))[1].table.count
    expect(count(aPlane('across'), aPlane('deep'))).toBe(3)
    expect(count(aPlane('across'), aPlane('deep'), aPlane('up'))).toBe(7)
    for (let k = 2; k <= 7; k++) {
      const second = aPlane('across', { facing: { kind: 'axis', axis: 'across', angle: Math.PI / k } })
      expect(count(aPlane('across'), second)).toBe(2 * k - 1)
    }
  })

  it('says why planes cannot be: the same, parallel, at an angle that never closes, without end', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0.2, 0.1] })
    const problem = (...planes: MirrorPlane[]) =>
      said(both(aProject(parts, left, mirrored(left, planes)))[1].problem!.says)
    const turned = (deg: number, offset = 0) =>
      aPlane('across', { facing: { kind: 'axis', axis: 'across', angle: (deg * Math.PI) / 180 }, offset })
    expect(problem(aPlane('across'), aPlane('across'))).toContain('the same one')
    expect(problem(aPlane('across'), aPlane('across', { offset: 1 }))).toContain('parallel')
    expect(problem(aPlane('across'), turned(50))).toBe(
      'The planes stand at 50°: images close up only at 180° ÷ a whole number. Try 45° or 60°.',
    )
    expect(problem(aPlane('across'), turned(60), turned(120, 0.3))).toContain('copies without end')
  })

  it('an image that coincides with a copy is not added: a ring across its own middle, however its round copies are turned', () => {
    const tin: Part = { ...cube, id: 'tin', shape: { kind: 'cylinder', width: 0.08, height: 0.1 } }
    const ring = aPattern(aRing({ count: 12 }), ['tin'], { id: 'left', name: 'Left' })
    const [, to] = both(aProject([tin], ring, mirrored(ring, [aPlane('across')])))
    expect(to.table.count).toBe(0)
    expect(said(to.facts)).toContain('12 would coincide and are left out')
    const [, hand] = both(aProject([arm('tin')], ring, mirrored(ring, [aPlane('across')])))
    expect(hand.table.count).toBe(12)
  })

  it('H1: moved across, copies stand there and no longer here; a hidden mirror leaves them', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0.2, 0.1] }, { move: [0.6, 0.2, 0.1] })
    const across = mirrored(left, [aPlane('across')], { keep: 'across' })
    const [from, to] = both(aProject(parts, left, across))
    expect([...from.table.flags.subarray(0, 2)]).toEqual([Flag.away, Flag.away])
    expect(placesOf(to.table).map(([x]) => x)).toEqual([-0.3, -0.6])
    const [shown] = both(aProject(parts, left, { ...across, hidden: true }))
    expect([...shown.table.flags.subarray(0, 2)]).toEqual([0, 0])
    const some = aProject(parts, left, {
      ...across,
      layout: { ...aMirror('x', aPlane('across')), keep: 'across', sources: [{ kind: 'set', id: 'one' }] },
    })
    some.sets = [{ id: 'one', name: 'One', copies: { left: ['1'] } }]
    const [part, image] = both(some)
    expect([...part.table.flags.subarray(0, 2)]).toEqual([0, Flag.away])
    expect(placesOf(image.table)).toEqual([[-0.6, 0.2, 0.1]])
  })

  it('H2: the plane goes through its origin, the middle, a copy or a place; the mirror’s own place moves and turns it', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0, 0] }, { move: [0.5, 0, 0.4] })
    const xs = (plane: MirrorPlane, change: Partial<Pattern> = {}) => {
      const project = aProject(parts, left, { ...mirrored(left, [plane]), ...change })
      const { table } = both(project)[1]
      const [dx] = project.patterns[1].place.move
      return placesOf(table).map(([x]) => Math.round((x + dx) * 1e9) / 1e9)
    }
    expect(xs(aPlane('across'))).toEqual([-0.3, -0.5])
    expect(xs(aPlane('across', { through: { kind: 'centre' } }))).toEqual([0.5, 0.3])
    expect(xs(aPlane('across', { through: { kind: 'copy', pattern: 'left', slot: '1' } }))).toEqual([0.7, 0.5])
    expect(xs(aPlane('across', { through: { kind: 'point', at: [1, 0, 0] }, offset: 0.1 }))).toEqual([1.9, 1.7])
    // In the world: 2·0.2 − x.
    expect(xs(aPlane('across'), { place: { move: [0.2, 0, 0], turn: [0, 0, 0] } })).toEqual([0.1, -0.1])
    expect(
      planeThrough([
        [0, 0, 0],
        [0, 0, 1],
      ])!.normal.map(Math.abs),
    ).toEqual([1, 0, 0])
    expect(
      planeThrough([
        [0, 0, 0],
        [0, 1, 0],
      ]),
    ).toBeUndefined()
    expect(
      planeThrough([
        [0, 0, 1],
        [1, 0, 1],
        [0, 1, 1],
      ])!.normal,
    ).toEqual([0, 0, 1])
  })

  it('slots of images come from their sources and stay when others come', () => {
    const parts = [arm()]
    const left = spotsOf({ move: [0.3, 0, 0] }, { move: [0.5, 0, 0.4] })
    const more = spotsOf({ move: [0.3, 0, 0] }, { move: [0.5, 0, 0.4] }, { move: [0.9, 0, 0] })
    const planes = [aPlane('across'), aPlane('deep')]
    const [, a] = both(aProject(parts, left, mirrored(left, planes)))
    const [, b] = both(aProject(parts, more, mirrored(more, planes)))
    expect(new Set(slotsOf(b.table)).size).toBe(9)
    for (const slot of slotsOf(a.table)) expect(slotsOf(b.table)).toContain(slot)
  })

  it('a mirror of itself through another is refused by names', () => {
    const parts = [arm()]
    const one = aPattern(aMirror('two', aPlane('across')), [], { id: 'one', name: 'One' })
    const two = aPattern(aMirror('one', aPlane('across')), [], { id: 'two', name: 'Two' })
    const [outcome] = new Evaluator().evaluate(aProject(parts, one, two), new Map())
    expect(said(outcome.problem!.says)).toContain('One → Two → One')
  })

  it('the document may leave a mirror’s deal empty, and no other', () => {
    const left = spotsOf({ move: [0, 0, 0] })
    const project = aProject([arm()], left, mirrored(left, [aPlane('across')]))
    expect(readProject(JSON.parse(JSON.stringify(project))).ok).toBe(true)
    const bare = aProject([arm()], { ...left, deal: { kind: 'inTurn', parts: [] } })
    expect(readProject(JSON.parse(JSON.stringify(bare))).ok).toBe(false)
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

describe('reflect as a step', () => {
  it('adds the images of the copies so far, and those of a set alone; across, it moves them', () => {
    const line = aPattern(
      aLine({ hold: ['count', 'spacing'], measure: 'pitch', edges: 'centres', spacing: 0.2, count: 3 }),
      ['arm'],
    )
    const told = (step: Partial<Reflect>) =>
      evaluated(aProject([arm()], { ...line, steps: [reflectBy(step, aPlane('deep', { offset: 0.5 }))] }))
    const outcome = told({})
    expect(outcome.table.count).toBe(6)
    expect(said(outcome.stepFacts.r)).toBe('3 and 3 images · 3 in the other hand')
    expect(
      placesOf(outcome.table)
        .slice(3)
        .map(([, , z]) => z),
    ).toEqual([1, 1, 1])
    const across = told({ keep: 'across' })
    expect(placesOf(across.table).map(([, , z]) => z)).toEqual([1, 1, 1])
    expect(slotsOf(across.table)).toEqual(['0:0', '0:1', '0:2'])
    const project = aProject([arm()], { ...line, steps: [reflectBy({ only: 's' }, aPlane('deep', { offset: 0.5 }))] })
    project.sets = [{ id: 's', name: 'S', copies: { [line.id]: ['1'] } }]
    expect(evaluated(project).table.count).toBe(4)
  })

  it('a grid across its own middle stays what it was; of a quarter, two planes make the whole', () => {
    const grid = aPattern(aGrid({ across: pitched(4, 0.3), deep: pitched(3, 0.3) }), ['cube'])
    const own = reflectBy({}, aPlane('across', { through: { kind: 'centre' } }))
    const outcome = evaluated(aProject([cube], { ...grid, steps: [own] }))
    expect(outcome.table.count).toBe(12)
    expect(said(outcome.stepFacts.r)).toBe('12 and 0 images · 12 would coincide and are left out')
    const quarter = {
      ...grid,
      steps: [reflectBy({}, aPlane('across', { offset: -0.15 }), aPlane('deep', { offset: -0.15 }))],
    }
    const whole = evaluated(aProject([cube], quarter))
    expect(whole.table.count).toBe(48)
    expect(new Set(placesOf(whole.table).map((p) => p.map((n) => n.toFixed(6)).join(' '))).size).toBe(48)
  })

  it('says why it cannot, and leaves the copies as they were', () => {
    const line = aPattern(aLine({ hold: ['count', 'spacing'], count: 3 }), ['arm'])
    const outcome = evaluated(aProject([arm()], { ...line, steps: [reflectBy({}, aPlane('deep'), aPlane('deep'))] }))
    expect(outcome.table.count).toBe(3)
    expect(said(outcome.stepFacts.r)).toContain('the same one')
  })
})
