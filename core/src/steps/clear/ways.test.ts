import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said } from '../../../test/placed'
import { aFill, aPath, aPattern, aProject, ball, box } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import { buildCurve } from '../../curves/build'
import { arcLengthOf } from '../../curves/arcLength'
import type { Clear } from './schema'
import { plainClear } from './schema'
import type { Curve } from '../../values/curve'
import type { Part } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import type { Vec3 } from '../../values/values'
import { unrolled } from '../../layouts/index'
import { Bodies } from '../../clearing/bodies'
import { convexOf } from '../../parts/convex'
import { nearestIn, overlapsIn } from '../../evaluation/overlaps'
import { cannotFit, fullness } from '../../clearing/room'

const pea = ball('pea', 0.1)
const clearing = (change: Partial<Clear> = {}): Clear => ({ ...plainClear, id: 'clear', clearance: 0, ...change })
const spots = (places: readonly Vec3[], part: Part, change: Partial<Pattern>): Pattern =>
  aPattern({ kind: 'spots', spots: places.map((move, slot) => ({ slot, move })) }, [part.id], change)
const shapeIn =
  (...parts: Part[]) =>
  (thing: number) =>
    convexOf(parts[thing], of(...parts))

const plainly: Pick<Pattern, 'steps' | 'edges'> = { steps: [] }
const of = (...parts: Part[]) => ({ parts, meshes: new Map() })

describe('pushing along a path', () => {
  const circle = { kind: 'arc', radius: 1, start: 0, angle: 2 * Math.PI } as const
  const onPath = (
    part: Part,
    count: number,
    change: Partial<Pattern> = {},
    path: Parameters<typeof aPath>[0] = {},
    cleared = true,
  ) =>
    evaluated(
      aProject(
        [part],
        aPattern(aPath({ curve: circle, hold: 'count', count, facing: 'unchanged', ...path }), [part.id], {
          ...change,
          steps: [
            ...(change.steps ?? []),
            ...(cleared ? [clearing({ along: 'path', within: 1e-6, rounds: 2000 })] : []),
          ],
        }),
      ),
    )
  const wander: Pattern['steps'][number] = {
    kind: 'vary',
    id: 'v',
    what: 'size',
    low: 0.5,
    high: 2,
    spread: 'even',
    axes: 'copy',
    seed: 3,
    share: 1,
    strength: 1,
  }

  it('K10: everyone stays on it, and none overlap', () => {
    const made = onPath(pea, 48, { steps: [wander] })
    expect(said(made.stepFacts.clear)).toMatch(/^Clear to within 0 mm · nearest gap/)
    for (const [x, y, z] of placesOf(made.table)) {
      expect(Math.hypot(x, z)).toBeCloseTo(1, 6)
      expect(y).toBeCloseTo(0, 9)
    }
    expect(overlapsIn(plainly, made.table, shapeIn(pea), of(pea)).every((o) => o.depth <= 1e-6)).toBe(true)
  })

  it('K9: turns and sizes stay, and those who are clear already stay where they are', () => {
    const touchUps = { 0: { move: [0, 0, 0] as Vec3, held: true as const } }
    const made = onPath(box('brick', 0.1), 12, { touchUps })
    const plain = onPath(box('brick', 0.1), 12, {}, {}, false)
    expect(placesOf(made.table)).toEqual(placesOf(plain.table))
    expect(said(made.stepFacts.clear)).toMatch(/^Already clear/)
  })

  it('keeps what stands beside the path beside it', () => {
    const lifted: Pattern['steps'][number] = { ...wander, id: 'up', what: 'moveUp', low: 0.3, high: 0.3 }
    const made = onPath(pea, 60, { steps: [wander, lifted] })
    for (const [x, y, z] of placesOf(made.table)) {
      expect(y).toBeCloseTo(0.3, 6)
      expect(Math.hypot(x, z)).toBeCloseTo(1, 6)
    }
  })

  it('what hangs below a sagging path still hangs straight below it, and the strip tells where', () => {
    const chain: Curve = { kind: 'catenary', to: [2, 0, 0], by: 'length', value: 2.6 }
    const hung = { curve: chain, lift: -0.2 }
    const clears = [clearing({ along: 'path', clearance: 0.02, within: 1e-6, rounds: 3000 })]
    const project = aProject(
      [pea],
      aPattern(aPath({ ...hung, hold: 'count', count: 20, facing: 'unchanged' }), ['pea'], {
        steps: [wander, ...clears],
      }),
    )
    const made = evaluated(project)
    expect(said(made.stepFacts.clear)).toMatch(/^Clear/)
    const built = buildCurve(chain)
    if (!built.ok) throw new Error('not built')
    const measure = arcLengthOf(built.value[0])
    const strip = unrolled(project.patterns[0].layout, made, {
      supportOf: () => () => ({ low: 0, high: 0 }),
      shapeOf: () => undefined,
    })
    if (strip.as !== 'path') throw new Error('no path')
    const places = placesOf(made.table)
    for (let i = 0; i < strip.strip.count; i++) {
      const { point } = measure.at(strip.strip.pivot[i])
      for (const [c, n] of [0, -0.2, 0].entries()) expect(places[strip.strip.row[i]][c] - point[c]).toBeCloseTo(n, 9)
    }
    expect(Math.max(...made.along!.map(Math.abs))).toBeGreaterThan(0.005)
  })

  it('K12: those that are held stay, and others give way along it', () => {
    // A quarter turn apart, and one moved on top of its neighbour.
    const touchUps = { 1: { move: [0, 0, 0] as Vec3, held: true as const } }
    const short = { kind: 'arc', radius: 1, start: 0, angle: 0.35 } as const
    const made = onPath(pea, 4, { touchUps }, { curve: short })
    const before = onPath(pea, 4, { touchUps }, { curve: short }, false)
    expect(placesOf(made.table)[1]).toEqual(placesOf(before.table)[1])
  })

  it('K11: says so where the path is too short for them, and leaves nobody off its end', () => {
    const line: Curve = {
      kind: 'points',
      points: [
        [0, 0, 0],
        [1, 0, 0],
      ],
      smooth: false,
      closed: false,
    }
    const made = onPath(pea, 20, {}, { curve: line })
    expect(said(made.stepFacts.clear)).toMatch(/^Not clear: \d+ pairs? left, the worst lacking .*the path is too short/)
    for (const [x] of placesOf(made.table)) {
      expect(x).toBeGreaterThanOrEqual(-1e-9)
      expect(x).toBeLessThanOrEqual(1 + 1e-9)
    }
    const fits = onPath(
      pea,
      10,
      { steps: [{ ...wander, what: 'moveAcross', low: -0.05, high: 0.05 }] },
      { curve: line },
    )
    expect(said(fits.stepFacts.clear)).toMatch(/^(Already c|C)lear/)
  })
})

describe('pushing along one axis', () => {
  it('moves what stands aside less than what is in line: only as far as they meet', () => {
    const aside: Vec3[] = [
      [0, 0, 0],
      [0.01, 0, 0.06],
    ]
    const made = evaluated(
      aProject(
        [pea],
        spots(aside, pea, {
          steps: [clearing({ axes: { across: true, up: false, deep: false }, within: 1e-7 })],
        }),
      ),
    )
    const [a, b] = placesOf(made.table)
    // Pythagoras: 0.1² − 0.06² = 0.08².
    expect(b[0] - a[0]).toBeCloseTo(0.08, 6)
    expect((a[0] + b[0]) / 2).toBeCloseTo(0.005, 6)
  })

  it('clears any crowd along its axis, in an order that stays, and twice is once', () => {
    const metre = fc.double({ min: 0, max: 0.3, noNaN: true })
    fc.assert(
      fc.property(fc.array(fc.tuple(metre, metre, metre), { minLength: 2, maxLength: 25 }), (places) => {
        const clears = [clearing({ axes: { across: false, up: true, deep: false }, clearance: 0.005, within: 1e-6 })]
        const made = evaluated(aProject([pea], spots(places as Vec3[], pea, { steps: clears })))
        expect(said(made.stepFacts.clear)).toMatch(/^(Already c|C)lear/)
        const once = placesOf(made.table)
        for (const [k, [x, , z]] of once.entries()) expect([x, z]).toEqual([places[k][0], places[k][2]])
        const again = evaluated(aProject([pea], spots(once, pea, { steps: clears })))
        expect(placesOf(again.table)).toEqual(once)
      }),
      { numRuns: 60 },
    )
  })
})

describe('what counts as the edge of a copy', () => {
  /** A bowl with a thin wall, wider at its rim: bowls of the same kind stand in each other. */
  const bowl: Part = {
    ...pea,
    id: 'bowl',
    name: 'Bowl',
    shape: {
      kind: 'lathe',
      profile: [
        { radius: 0, height: 0 },
        { radius: 0.05, height: 0 },
        { radius: 0.1, height: 0.1 },
        { radius: 0.095, height: 0.1 },
        { radius: 0.046, height: 0.005 },
        { radius: 0, height: 0.005 },
      ],
    },
  }
  const stack = (pitch: number, change: Partial<Pattern>) =>
    evaluated(
      aProject(
        [bowl],
        spots(
          Array.from({ length: 3 }, (_, k): Vec3 => [0, k * pitch, 0]),
          bowl,
          change,
        ),
      ),
    )

  it('stacked bowls overlap by their outlines, and are free by their triangles', () => {
    const { table } = stack(0.04, {})
    expect(overlapsIn(plainly, table, shapeIn(bowl), of(bowl))).toHaveLength(3)
    expect(overlapsIn({ ...plainly, edges: 'mesh' }, table, shapeIn(bowl), of(bowl))).toEqual([])
    const nearest = nearestIn(table, shapeIn(bowl), of(bowl))[0]
    expect(nearest).toBeGreaterThan(0.005)
    expect(nearest).toBeLessThan(0.035)
  })

  it('pushed up they go as far as their walls need, not as far as their outlines', () => {
    const up = [clearing({ axes: { across: false, up: true, deep: false }, within: 1e-5 })]
    const heights = (made: ReturnType<typeof stack>): number => {
      const places = placesOf(made.table)
      return places[2][1] - places[0][1]
    }
    const [byOutline, byMesh] = [stack(0.004, { steps: up }), stack(0.004, { steps: up, edges: 'mesh' })]
    expect(heights(byOutline)).toBeCloseTo(0.2, 3)
    expect(heights(byMesh)).toBeLessThan(0.06)
    expect(said(byMesh.stepFacts.clear)).toMatch(/^Clear/)
    expect(
      overlapsIn({ ...plainly, edges: 'mesh' }, byMesh.table, shapeIn(bowl), of(bowl)).every((o) => o.depth < 1e-4),
    ).toBe(true)
  })

  it('shrinking and leaving out go by it too', () => {
    const shrink = [clearing({ how: 'shrink', floor: 0.3 })]
    expect(new Set(stack(0.04, { steps: shrink, edges: 'mesh' }).table.scale.slice(0, 9))).toEqual(new Set([1]))
    expect(stack(0.04, { steps: shrink }).table.scale[0]).toBeLessThan(1)
    const leave = [clearing({ how: 'leaveOut' })]
    expect(said(stack(0.04, { steps: leave, edges: 'mesh' }).stepFacts.clear)).toMatch(/^Already clear/)
    expect(said(stack(0.04, { steps: leave }).stepFacts.clear)).toMatch(/^2 of 3 left out/)
  })
})

describe('how full a room is', () => {
  const lattice = (count: number): Vec3[] =>
    Array.from(
      { length: count ** 3 },
      (_, i) => [i % count, Math.floor(i / count) % count, Math.floor(i / count ** 2)].map((n) => n * 0.1) as Vec3,
    )
  const bodiesOf = (part: Part, count: number): Bodies => {
    const { table } = new Evaluator().evaluate(aProject([part], spots(lattice(count), part, {})), new Map())[0]
    return new Bodies(table, shapeIn(part))
  }
  const room = { low: [0, 0, 0], high: [0.3, 0.3, 0.3] }

  it('balls in a cubic lattice take up π ÷ 6 of it, their shadows π ÷ 4, and their lengths all (CHECKS G2)', () => {
    const bodies = bodiesOf(pea, 4)
    expect(fullness(bodies, 64, 0, [true, true, true], room).share).toBeCloseTo(Math.PI / 6, 2)
    // One layer of sixteen on the ground.
    expect(fullness(bodies, 16, 0, [true, false, true], room).share).toBeCloseTo(Math.PI / 4, 2)
    expect(fullness(bodies, 4, 0, [true, false, false], room).share).toBeCloseTo(1, 9)
    expect(fullness(bodies, 4, 0, [true, false, false], room).missing).toBeCloseTo(0, 9)
  })

  it('boxes that touch fill it, and a clearance takes its part', () => {
    const crate: Part = { ...pea, id: 'crate', shape: { kind: 'box', width: 0.1, height: 0.1, depth: 0.1 } }
    const bodies = bodiesOf(crate, 4)
    expect(fullness(bodies, 64, 0, [true, true, true], room).share).toBeCloseTo(1, 6)
    const five = fullness(bodies, 5, 0, [true, false, false], room)
    expect(five.share).toBeCloseTo(1.25, 9)
    expect(five.missing).toBeCloseTo(0.25, 9)
  })

  it('none can be freed that are larger than all they can reach; of what might fit that is never said', () => {
    const free = [true, false, true] as const
    const level = (wide: number) => ({ low: [0, 0, 0], high: [wide, 0, wide] })
    const bodies = bodiesOf(pea, 4)
    for (let k = 0; k < bodies.count; k++) bodies.position[3 * k + 1] = 0
    // Sixty-four balls of a tenth, 0.0335 in all, in a layer as high as they are: two tenths wide with what they reach beyond.
    expect(cannotFit(bodies, 64, 0, free, level(0.1))).toBe(true)
    expect(cannotFit(bodies, 4, 0, free, level(0.1))).toBe(false)
    expect(cannotFit(bodies, 64, 0, free, level(0.7))).toBe(false)
    // Half a tenth round each makes eight times of them.
    expect(cannotFit(bodies, 64, 0.1, free, level(0.5))).toBe(true)
    // Plates that lean on each other: their shadows are far more than the room, and they are free.
    const plate: Part = { ...pea, id: 'plate', shape: { kind: 'box', width: 0.1, height: 0.004, depth: 0.1 } }
    const leaning = bodiesOf(plate, 3)
    expect(cannotFit(leaning, 27, 0, free, { low: [0, 0, 0], high: [0.1, 0.3, 0] })).toBe(false)
  })

  it('K11: a fill says how much larger it would have to be, and less so with fewer', () => {
    const told = (count: number): string => {
      const fill = aFill({ outline: { kind: 'rectangle', width: 0.6, depth: 0.6 }, count })
      const clears = [clearing({ inside: true, rounds: 20, axes: { across: true, up: false, deep: true } })]
      return said(evaluated(aProject([pea], aPattern(fill, ['pea'], { steps: clears }))).stepFacts.clear)
    }
    const larger = (count: number): number => Number(/about ([\d.]+) % larger/.exec(told(count))?.[1] ?? 0)
    expect(larger(90)).toBeGreaterThan(larger(70))
    expect(larger(70)).toBeGreaterThan(0)
    // 90 discs of 0.1 m: 0.7069 m² in 0.7 m squared (rounded at its corners, 0.4879 m²).
    expect(told(90)).toContain('they take up 145')
  })
})

describe('what stands there of other patterns', () => {
  it('stays also where it stands in itself: nobody stays in a copy of it for want of one that would have had to go', () => {
    // The first two stand in each other; only the second reaches the copy that is to be clear of them.
    const others = {
      ...spots(
        [
          [0, 0, 0],
          [0.06, 0, 0],
        ],
        pea,
        {},
      ),
      id: 'others',
    }
    const own = spots(
      [
        [0.15, 0, 0],
        [0.5, 0, 0],
      ],
      pea,
      { steps: [clearing({ how: 'leaveOut', from: ['others'] })] },
    )
    const outcome = new Evaluator().evaluate(aProject([pea], others, own), new Map())[1]
    expect([outcome.table.isPresent(0), outcome.table.isPresent(1)]).toEqual([false, true])
    expect(said(outcome.stepFacts.clear)).toMatch(/^1 of 2 left out/)
  })
})
