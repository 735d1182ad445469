import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said, slotsOf } from '../../../test/placed'
import { aFill, aGrid, aLine, aPattern, aProject, aVary, ball, box, pitched } from '../../../test/projects'
import { Evaluator, type PatternOutcome } from '../../evaluate'
import { Flag } from '../../instances'
import type { Clear } from './schema'
import type { Part } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import type { Vec3 } from '../../values/values'
import { depthAt, areaOf } from '../../scatter/area'
import { Bodies } from '../../clearing/bodies'
import { convexOf } from '../../parts/convex'
import { gapOf } from '../../clearing/gap'
import { findOverlaps } from '../../clearing/overlaps'
import { supportIn } from '../../evaluate'
import { reachOf } from '../../spacing/strip'

const clearing = (change: Partial<Clear> = {}): Clear => ({
  kind: 'clear',
  id: 'clear',
  how: 'push',
  clearance: 0,
  within: 0.0001,
  rounds: 200,
  axes: { across: true, up: true, deep: true },
  inside: false,
  floor: 0.5,
  priority: 'order',
  seed: 17,
  from: [],
  ...change,
})
const pea = ball('pea', 0.1)
const spots = (places: Vec3[], clear: Clear, part: Part = pea, change: Partial<Pattern> = {}) =>
  evaluated(
    aProject(
      [part],
      aPattern({ kind: 'spots', spots: places.map((move, slot) => ({ slot, move })) }, [part.id], {
        steps: [clear],
        ...change,
      }),
    ),
  )
const overlapsOf = ({ table }: PatternOutcome, part: Part, clearance = 0) => {
  const shape = convexOf(part, { parts: [part], meshes: new Map() })
  return findOverlaps(new Bodies(table, () => shape), clearance)
}
const loose = (count: number, seed: number, clear: Clear[], part: Part = pea) =>
  evaluated(
    aProject(
      [part],
      aPattern(
        aFill({ outline: { kind: 'rectangle', width: 1.2, depth: 1.2 }, count, seed, how: 'random' }),
        [part.id],
        {
          steps: clear,
        },
      ),
    ),
  )

describe('pushing apart', () => {
  it('O8: two spheres move by half of what they lack each, along the line between them; their middle stays', () => {
    const { table } = spots(
      [
        [0, 0, 0],
        [0.03, 0.04, 0],
      ],
      clearing({ within: 1e-9 }),
    )
    const [a, b] = placesOf(table)
    expect(Math.hypot(...a.map((n, i) => n - b[i]))).toBeCloseTo(0.1, 7)
    for (const [i, n] of [0.015, 0.02, 0].entries()) expect((a[i] + b[i]) / 2).toBeCloseTo(n, 12)
    expect(a[1] / a[0]).toBeCloseTo((a[1] - b[1]) / (a[0] - b[0]), 6)
  })

  it('two equal spheres end at two radii and the clearance, within the tolerance', () => {
    const unit = fc.double({ min: -0.04, max: 0.04, noNaN: true })
    fc.assert(
      fc.property(fc.tuple(unit, unit, unit), fc.double({ min: 0, max: 0.02, noNaN: true }), (at, clearance) => {
        const { table } = spots([[0, 0, 0], at], clearing({ clearance, within: 1e-5 }))
        const [a, b] = placesOf(table)
        expect(Math.hypot(...a.map((n, i) => n - b[i]))).toBeGreaterThan(0.1 + clearance - 1.1e-5)
        expect(Math.hypot(...a.map((n, i) => n - b[i]))).toBeLessThan(0.1 + clearance + 1e-5 + 1e-12)
      }),
    )
  })

  it('O11: coincident copies separate, and the same ones come out the same', () => {
    const places: Vec3[] = Array.from({ length: 12 }, () => [0, 0, 0])
    const one = spots(places, clearing())
    expect(overlapsOf(one, pea).filter((o) => o.depth > 0.0001)).toEqual([])
    expect(placesOf(spots(places, clearing()).table)).toEqual(placesOf(one.table))
  })

  it('K9, K6: only positions change, whatever was turned and sized before; everyone keeps the clearance', () => {
    const crate = box('crate', 0.08)
    const varied: Pattern['steps'] = [
      {
        kind: 'vary',
        id: 'v',
        what: 'turnAny',
        low: 0,
        high: 1,
        spread: 'even',
        axes: 'copy',
        seed: 3,
        share: 1,
        strength: 1,
      },
      {
        kind: 'vary',
        id: 's',
        what: 'size',
        low: 0.5,
        high: 1.5,
        spread: 'even',
        axes: 'copy',
        seed: 4,
        share: 1,
        strength: 1,
      },
    ]
    const pattern = (clears: Clear[]) =>
      evaluated(
        aProject([crate], aPattern(aFill({ count: 60, how: 'random' }), ['crate'], { steps: [...varied, ...clears] })),
      )
    const before = pattern([])
    expect(overlapsOf(before, crate).length).toBeGreaterThan(20)
    const after = pattern([clearing({ clearance: 0.004 })])
    expect([...after.table.quaternion.subarray(0, 240)]).toEqual([...before.table.quaternion.subarray(0, 240)])
    expect([...after.table.scale.subarray(0, 180)]).toEqual([...before.table.scale.subarray(0, 180)])
    expect(overlapsOf(after, crate, 0.004).every((o) => o.depth <= 0.0001)).toBe(true)
    expect(said(after.stepFacts.clear)).toMatch(
      /^Clear to within .* · nearest gap .* rounds? · moved .* on average, .* at most$/,
    )
  })

  it('clearing twice is clearing once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), (seed) => {
        const once = loose(40, seed, [clearing()])
        const twice = loose(40, seed, [clearing(), clearing({ id: 'again' })])
        expect(placesOf(twice.table)).toEqual(placesOf(once.table))
        expect(said(twice.stepFacts.again)).toMatch(/^Already clear .* 0 rounds/)
      }),
      { numRuns: 10 },
    )
  })

  it('K10: along the axes that are free alone; flat things move aside rather than up', () => {
    const coin: Part = { ...pea, id: 'coin', shape: { kind: 'cylinder', width: 0.1, height: 0.004 } }
    const flat = loose(60, 5, [clearing({ axes: { across: true, up: false, deep: true } })], coin)
    expect(overlapsOf(flat, coin).every((o) => o.depth <= 0.0001)).toBe(true)
    for (const [, y] of placesOf(flat.table)) expect(y).toBe(0)
    const row = spots(
      [
        [0, 0, 0],
        [0.02, 0, 0.01],
        [0.05, 0, 0],
      ],
      clearing({ axes: { across: true, up: false, deep: false } }),
    )
    expect(placesOf(row.table).map(([, , z]) => z)).toEqual([0, 0.01, 0])
    expect(overlapsOf(row, pea).every((o) => o.depth <= 0.0001)).toBe(true)
  })

  it('K10, K11: inside its outline none gets out; where there is no room it says so, with what is left', () => {
    const outline = { kind: 'ellipse', width: 1, depth: 0.8 } as const
    const inEllipse = (count: number) =>
      evaluated(
        aProject(
          [pea],
          aPattern(aFill({ outline, count, how: 'random', margin: 0.05 }), ['pea'], {
            steps: [clearing({ inside: true, axes: { across: true, up: false, deep: true }, rounds: 60 })],
          }),
        ),
      )
    const room = inEllipse(24)
    const area = areaOf(outline)
    for (const [x, , z] of placesOf(room.table)) expect(depthAt(area, x, z)).toBeGreaterThan(0.05 - 1e-6)
    expect(said(room.stepFacts.clear)).toMatch(/^Clear /)
    const full = inEllipse(120)
    for (const [x, , z] of placesOf(full.table)) expect(depthAt(area, x, z)).toBeGreaterThan(0.05 - 1e-6)
    expect(said(full.stepFacts.clear)).toMatch(
      /^Not clear: \d+ pairs left, the worst lacking .*they take up 150\.5 % of the room, which would have to be about 79\.1 % larger/,
    )
    // No pushing helps these: nobody waits for rounds that come to nothing.
    expect(said(inEllipse(300).stepFacts.clear)).toContain('spread as far as the room goes, as they cannot fit')
  })

  it('K10, F4: an area that is filled with whole copies keeps them whole inside, also as they are pushed apart', () => {
    const outline = { kind: 'rectangle', width: 0.9, depth: 0.9 } as const
    const plate: Part = { ...pea, id: 'plate', shape: { kind: 'box', width: 0.16, height: 0.02, depth: 0.04 } }
    const steps = [aVary('turnUp', -3, 3), clearing({ inside: true, axes: { across: true, up: false, deep: true } })]
    const reachesOut = (edge: 'pivots' | undefined): number => {
      const fill = { ...aFill({ outline, count: 60, how: 'random', margin: 0.01 }), edge }
      const doc = aProject([plate], aPattern(fill, ['plate'], { steps }))
      const { table } = evaluated(doc)
      const supportOf = supportIn(doc, new Map(), [])
      const [across, deep] = [
        reachOf(table, [1, 0, 0], 'outsides', supportOf),
        reachOf(table, [0, 0, 1], 'outsides', supportOf),
      ]
      return Math.max(...[across!, deep!].flatMap(([low, high]) => [-low, high])) - (0.45 - 0.01)
    }
    expect(reachesOut(undefined)).toBeLessThan(1e-9)
    expect(reachesOut('pivots')).toBeGreaterThan(0.01)
  })

  it('K12: copies that are held stay, and others give way alone', () => {
    const held = spots(
      [
        [0, 0, 0],
        [0.04, 0, 0],
      ],
      clearing({ within: 1e-9 }),
      pea,
      { touchUps: { '0': { held: true } } },
    )
    expect(placesOf(held.table)[0]).toEqual([0, 0, 0])
    expect(placesOf(held.table)[1][0]).toBeCloseTo(0.1, 7)
  })

  it('keeps clear of other patterns, wherever they stand', () => {
    const post = box('post', 0.2)
    const fixed = aPattern(aLine({ hold: ['count', 'spacing'], count: 1, edges: 'centres' }), ['post'], {
      id: 'fixed',
      name: 'Post',
      place: { move: [0.3, 0, 0], turn: [0, 0.7, 0] },
    })
    const peas = aPattern(aGrid({ across: pitched(6, 0.11), deep: pitched(3, 0.11) }), ['pea'], {
      place: { move: [0, 0, -0.1], turn: [0, 0, 0] },
      steps: [clearing({ from: ['fixed'], clearance: 0.01, axes: { across: true, up: false, deep: true } })],
    })
    const [, cleared] = new Evaluator().evaluate(aProject([post, pea], fixed, peas), new Map())
    expect(said(cleared.stepFacts.clear)).toMatch(/^Clear/)
    const alone = { ...peas, steps: [clearing()] }
    const [, before] = new Evaluator().evaluate(aProject([post, pea], fixed, alone), new Map())
    expect(placesOf(cleared.table)).not.toEqual(placesOf(before.table))
  })
})

describe('shrinking', () => {
  it('K3: a pair shrinks by the one factor at which it touches, exactly', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.055, max: 0.099, noNaN: true }), (apart) => {
        // Balls about their middles: two of radius f·r touch at 2·f·r.
        const middle: Part = { ...pea, frame: { pivot: [0, 0.05, 0], up: 'top', front: 'front' } }
        const { table } = spots(
          [
            [0, 0, 0],
            [apart, 0, 0],
          ],
          clearing({ how: 'shrink' }),
          middle,
        )
        for (let i = 0; i < 6; i++) expect(table.scale[i]).toBeCloseTo(apart / 0.1, 4)
        expect(placesOf(table)).toEqual([
          [0, 0, 0],
          [apart, 0, 0],
        ])
      }),
    )
  })

  it('never below the floor, and says what still overlaps there', () => {
    const { table, stepFacts } = spots(
      [
        [0, 0, 0],
        [0.02, 0, 0],
      ],
      clearing({ how: 'shrink', floor: 0.6 }),
    )
    expect([...table.scale.subarray(0, 6)]).toEqual([0.6, 0.6, 0.6, 0.6, 0.6, 0.6])
    expect(said(stepFacts.clear)).toContain('1 pair overlaps at the floor')
  })

  it('of a crowd leaves none overlapping that could come free, and touches nobody who was clear', () => {
    const before = loose(80, 9, [])
    const after = loose(80, 9, [clearing({ how: 'shrink', floor: 0.05 })])
    const overlapping = new Set(overlapsOf(before, pea).flatMap((o) => [o.first, o.second]))
    for (let k = 0; k < 80; k++) expect(after.table.scale[3 * k] < 1).toBe(overlapping.has(k))
    expect(overlapsOf(after, pea).every((o) => o.depth < 1e-6)).toBe(true)
  })
})

describe('leaving out', () => {
  it('K4: no copy that is left out could be put back; touched-up ones stay first; slots stay', () => {
    const touched = { touchUps: { '5': { turn: [0, 1, 0] as Vec3 } } }
    const worked = (priority: Clear['priority']) =>
      evaluated(
        aProject(
          [pea],
          aPattern(
            aFill({ outline: { kind: 'rectangle', width: 0.8, depth: 0.8 }, count: 90, how: 'random' }),
            ['pea'],
            {
              steps: [clearing({ how: 'leaveOut', priority })],
              ...touched,
            },
          ),
        ),
      )
    for (const priority of ['order', 'size', 'chance'] as const) {
      const { table, stepFacts } = worked(priority)
      expect(slotsOf(table)).toHaveLength(90)
      const out = Array.from({ length: 90 }, (_, k) => (table.flags[k] & Flag.leftOut) !== 0)
      expect(out.filter(Boolean).length).toBeGreaterThan(10)
      expect(out[5]).toBe(false)
      expect(said(stepFacts.clear)).toContain(`${out.filter(Boolean).length} of 90 left out`)
      const bodies = new Bodies(table, () => convexOf(pea, { parts: [pea], meshes: new Map() }))
      const meets = (k: number, j: number): boolean => gapOf(bodies, k, j).gap < -1e-7
      for (let k = 0; k < 90; k++) {
        const met = out.some((o, j) => !o && j !== k && meets(k, j))
        expect(met).toBe(out[k])
      }
    }
  })
})

it('combined in order: pushed apart a little, then the rest shrunk', () => {
  const few = clearing({ rounds: 2 })
  const both = loose(120, 21, [few, clearing({ id: 'rest', how: 'shrink', floor: 0.1 })])
  expect(said(both.stepFacts.clear)).toMatch(/^Not clear/)
  expect(said(both.stepFacts.rest)).toContain('clear')
  expect(overlapsOf(both, pea).every((o) => o.depth < 1e-6)).toBe(true)
})
