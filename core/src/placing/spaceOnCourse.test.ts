import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { clearBetween } from '../../test/gaps'
import { aPath, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import { inPattern, inWorld } from '../model/inWorld'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { sentenceText } from '../numbers/format'
import type { Curve } from '../values/curve'
import type { Vec3 } from '../values/values'
import type { Placeable } from './body'
import { putPlaced } from './exactly'
import { proposed } from './proposed'
import { type Space, spaceDefaults } from './space'

const TIN = [
  { radius: 0, height: 0 },
  { radius: 0.057, height: 0 },
  { radius: 0.0595, height: 0.003 },
  { radius: 0.0595, height: 0.127 },
  { radius: 0.056, height: 0.131 },
  { radius: 0.056, height: 0.146 },
  { radius: 0, height: 0.148 },
]
const CIRCLE: Curve = { kind: 'arc', radius: 1, start: 0, angle: 2 * Math.PI }
const HELIX: Curve = { kind: 'helix', radius: 0.6, endRadius: 0.8, height: 1, turns: 2 }
const evaluate = (doc: Project) => new Evaluator().evaluate(doc, new Map())

/** Spots on places of the world, dealt one part each, and a path that stands turned elsewhere. */
function scene(curve: Curve, parts: readonly Part[], places: readonly Vec3[]): Project {
  const spots = places.map((move, slot) => ({ slot, move: [...move] as Vec3 }))
  const ids = places.map((_, k) => parts[k % parts.length].id)
  return aProject(
    [ball('bead', 0.01), ...parts],
    aPattern(aPath({ curve, hold: 'count', count: 2 }), ['bead'], {
      id: 'path',
      name: 'Path',
      place: { move: [0.3, 0.1, -0.2], turn: [0, 0.5, 0] },
    }),
    aPattern({ kind: 'spots', spots }, ids, { id: 'spots', name: 'Spots' }),
  )
}
/** A place about the path's origin, as one of the world. */
const nearPath = (doc: Project, move: Vec3): Vec3 =>
  inWorld(doc.patterns[0], { move, turn: [0, 0, 0, 1], size: [1, 1, 1] }).move

const keys = (n: number) =>
  Array.from({ length: n }, (_, k) => ({ is: 'copy', pattern: 'spots', slot: String(k) }) as const)

/** The document after spacing all spots along the path, or why not. */
function spaced(
  doc: Project,
  n: number,
  how: Partial<Space>,
  picked: readonly Placeable[] = keys(n),
): Project | string {
  const outcomes = evaluate(doc)
  const around = { project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) }
  const act = { kind: 'space', how: { ...spaceDefaults, along: 'path', path: 'path', ...how } } as const
  const made = proposed(act, picked, picked[0], around, evaluate)
  return made.ok ? produce(doc, (draft) => putPlaced(draft, made.value.placed)) : sentenceText(made.problem.says, 'mm')
}
function done(doc: Project, n: number, how: Partial<Space>): Project {
  const made = spaced(doc, n, how)
  if (typeof made === 'string') throw new Error(made)
  return made
}
const clear = (doc: Project, a: number, b: number): number => clearBetween(doc, keys(8)[a], keys(8)[b])
/** Where the spots stand, in the axes of the path. */
const onPath = (doc: Project): Vec3[] => {
  const { table } = evaluate(doc)[1]
  return Array.from(
    { length: table.count },
    (_, k) => inPattern(doc.patterns[0], inWorld(doc.patterns[1], table.placingOf(k))).move,
  )
}
const angleOf = ([x, , z]: Vec3): number => Math.atan2(z, x)
const round = (angle: number): Vec3 => [1.04 * Math.cos(angle), 0.02, 1.04 * Math.sin(angle)]
const between = (a: number, b: number): number => {
  const by = Math.abs(a - b) % (2 * Math.PI)
  return Math.min(by, 2 * Math.PI - by)
}

describe('spacing along a path', () => {
  // On both sides of where the circle begins, so that it is cut open elsewhere.
  const angles = [0.1, -0.3, 0.5, -0.7]
  const onCircle = (): Project => {
    const empty = scene(CIRCLE, [ball('ball', 0.1)], [])
    return scene(
      CIRCLE,
      [ball('ball', 0.1)],
      angles.map((a) => nearPath(empty, round(a))),
    )
  }
  const ordered = (doc: Project): number[] => {
    const found = onPath(doc).map(angleOf)
    return [3, 1, 0, 2].map((k) => found[k])
  }

  it('by pitch keeps so much of the path from pivot to pivot, the order, and the one that stays', () => {
    const after = done(onCircle(), 4, { by: 'pitch', distance: 0.3, stays: 'marked' })
    for (const [x, y, z] of onPath(after)) {
      expect(Math.hypot(x, z)).toBeCloseTo(1, 7)
      expect(y).toBeCloseTo(0, 7)
    }
    const found = ordered(after)
    for (let k = 1; k < 4; k++) expect(between(found[k], found[k - 1])).toBeCloseTo(0.3, 6)
    expect(found[2]).toBeCloseTo(angleOf(onPath(onCircle())[0]), 6)
  })

  it('by gap keeps the nearest distance: balls on a circle stand on chords of their width and the gap', () => {
    const after = done(onCircle(), 4, { by: 'gap', distance: 0.05, stays: 'first' })
    const found = ordered(after)
    for (let k = 1; k < 4; k++) expect(between(found[k], found[k - 1])).toBeCloseTo(2 * Math.asin(0.15 / 2), 7)
    expect(clear(after, 3, 1)).toBeCloseTo(0.05, 9)
  })

  it('evened out, unlike shapes in any turn keep one gap, and the outermost two stay where they stand along it', () => {
    const parts = [box('box', 0.08), ball('ball', 0.06), box('slim', 0.02)]
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 3, maxLength: 6 }), (shares) => {
        const empty = scene(HELIX, parts, [])
        // Anywhere near the lower turn, the first and the last far enough apart.
        const places = [0, ...shares.map((s) => 0.2 + 0.006 * s), 1].map((s) => {
          const a = 5.5 * s
          return nearPath(empty, [0.65 * Math.cos(a), 0.04 + 0.2 * s, -0.65 * Math.sin(a)])
        })
        const before = scene(HELIX, parts, places)
        const after = done(before, places.length, { held: 'even', by: 'gap' })
        const order = [...places.keys()].sort((a, b) => places[a][1] - places[b][1] || a - b)
        const gaps = order.slice(1).map((k, i) => clear(after, order[i], k))
        for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0], 7)
        const heights = order.map((k) => onPath(after)[k][1])
        expect(heights).toEqual([...heights].sort((a, b) => a - b))
      }),
      { numRuns: 25 },
    )
  })

  it('tins that lay in each other before are no farther apart than asked, whatever they seemed to overlap by', () => {
    const tin = { ...box('tin', 0.119), shape: { kind: 'lathe' as const, profile: TIN } }
    const empty = scene(CIRCLE, [tin], [])
    const places = [0, 1, 2, 3].map((k) => nearPath(empty, round(0.02 * k)))
    const after = done(scene(CIRCLE, [tin], places), 4, { by: 'gap', distance: 0.08, stays: 'middle' })
    for (const k of [0, 1, 2]) expect(clear(after, k, k + 1)).toBeCloseTo(0.08, 8)
  })

  it('takes a length in all, from the first pivot to the last', () => {
    const found = ordered(done(onCircle(), 4, { by: 'gap', held: 'overall', overall: 0.9, stays: 'first' }))
    expect(between(found[0], found[3])).toBeCloseTo(0.9, 6)
    expect(between(found[0], found[1])).toBeCloseTo(0.3, 6)
  })

  it('says what is in the way', () => {
    const doc = onCircle()
    expect(spaced(doc, 4, { by: 'pitch', distance: 0.05 })).toContain('overlap by up to')
    expect(spaced(doc, 4, { by: 'pitch', distance: 2.2 })).toContain('too short for that, by')
    expect(spaced(doc, 4, { by: 'gap', distance: 5 })).toContain('never come on this path')
    expect(spaced(doc, 4, { path: 'spots' })).toContain('is gone')
    expect(spaced(doc, 1, {})).toContain('pick at least two')
    const whole = ['path', 'spots'].map((id) => ({ is: 'patterns', ids: [id] }) as const)
    expect(spaced(doc, 0, {}, whole)).toContain('would move with them')
    // Closed, the last comes near the first again: a little less than all of it, and they would overlap there.
    expect(spaced(doc, 4, { by: 'pitch', held: 'overall', overall: 2 * Math.PI - 0.05 })).toContain('overlap by up to')
  })
})
