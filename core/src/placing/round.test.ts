import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { clearBetween } from '../../test/gaps'
import { aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { sentenceText } from '../numbers/format'
import type { Vec3 } from '../values/values'
import { bodiesOf } from './body'
import { putPlaced } from './exactly'
import { madeLiveAs } from './live'
import { proposed } from './proposed'
import { type Space, spaceDefaults } from './space'

const evaluate = (doc: Project) => new Evaluator().evaluate(doc, new Map())
const around = (doc: Project) => {
  const outcomes = evaluate(doc)
  return { project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) }
}
const keys = (n: number, pattern = 'spots') =>
  Array.from({ length: n }, (_, k) => ({ is: 'copy', pattern, slot: String(k) }) as const)

const CENTRE: Vec3 = [0.4, 0.1, -0.3]
/** Parts by hand near a circle of one metre about a place, so far round it, so much beside it. */
function scene(parts: readonly Part[], angles: readonly number[], beside: (k: number) => number = () => 0): Project {
  const spots = angles.map((angle, slot) => {
    const radius = 1 + beside(slot)
    return {
      slot,
      move: [CENTRE[0] + radius * Math.cos(angle), CENTRE[1], CENTRE[2] - radius * Math.sin(angle)] as Vec3,
    }
  })
  const ids = angles.map((_, k) => parts[k % parts.length].id)
  return aProject([...parts], aPattern({ kind: 'spots', spots }, ids, { id: 'spots', name: 'Stools' }))
}

const asked = (how: Partial<Space>): Space => ({ ...spaceDefaults, along: 'round', ...how })
function tried(doc: Project, how: Partial<Space>) {
  const n = evaluate(doc)[0].table.count
  return proposed({ kind: 'space', how: asked(how) }, keys(n), keys(n)[0], around(doc), evaluate)
}
function spaced(doc: Project, how: Partial<Space>): Project {
  const made = tried(doc, how)
  if (!made.ok) throw new Error(sentenceText(made.problem.says, 'mm'))
  return produce(doc, (draft) => putPlaced(draft, made.value.placed))
}
const refusal = (made: ReturnType<typeof tried>): string => (made.ok ? '' : sentenceText(made.problem.says, 'mm'))
const placesOf = (doc: Project, id = 'spots'): Vec3[] => {
  const pattern = doc.patterns.findIndex((p) => p.id === id)
  const { table } = evaluate(doc)[pattern]
  const { move } = doc.patterns[pattern].place
  return Array.from({ length: table.count }, (_, k) => table.moveOf(k).map((n, i) => n + move[i]) as Vec3)
}
/** Angles and distances about the middle of what stands on a circle all the way round. */
const polar = (places: readonly Vec3[], centre: Vec3 = CENTRE) =>
  places.map(([x, , z]) => ({
    angle: Math.atan2(-(z - centre[2]), x - centre[0]),
    radius: Math.hypot(x - centre[0], z - centre[2]),
  }))
const turnFrom = (a: number, b: number): number => (((b - a) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)

function live(doc: Project, by: Space['by']) {
  const n = evaluate(doc)[0].table.count
  const things = [...doc.parts, ...doc.patterns]
  const names = {
    id: 'live',
    name: 'Ring of Stools',
    idOf: (t: number) => things[t].id,
    nameOf: (t: number) => things[t].name,
    twinOf: (t: number) => things[t].id,
  }
  return madeLiveAs(around(doc), bodiesOf(around(doc), keys(n)), asked({ by }), names, evaluate)
}

const LOOSE = [0.2, 1.5, 2.3, 3.6, 5.1]

describe('spacing round the circle that fits', () => {
  it('by pitch all the way round gives equal angles on that circle, the marked one where it stood', () => {
    const doc = scene([ball('ball', 0.1)], LOOSE)
    const found = polar(placesOf(spaced(doc, { by: 'pitch', held: 'even' })))
    found.forEach(({ radius }) => expect(radius).toBeCloseTo(1, 12))
    found.forEach(({ angle }, k) =>
      expect(turnFrom(0.2 + (2 * Math.PI * k) / 5, angle) % (2 * Math.PI - 1e-9)).toBeLessThan(1e-9),
    )
  })

  it('by gap all the way round leaves one nearest distance between unlike ones, the last and the first too', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.04, max: 0.3, noNaN: true }), { minLength: 3, maxLength: 7 }),
        (widths) => {
          const parts = widths.map((width, k) => (k % 2 ? box(`b${k}`, width) : ball(`b${k}`, width)))
          const doc = scene(
            parts,
            widths.map((_, k) => (2 * Math.PI * k) / widths.length + 0.1 * (k % 2)),
          )
          const after = spaced(doc, { by: 'gap', held: 'even' })
          const gaps = widths.map((_, k) => clearBetween(after, keys(9)[k], keys(9)[(k + 1) % widths.length]))
          for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0], 8)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('by a distance keeps the order, goes on over the beginning, and what stands beside the circle comes onto it', () => {
    const doc = scene([ball('ball', 0.1)], [6, 0.1, 0.6, 1.2], (k) => (k % 2 ? 0.03 : -0.03))
    const made = tried(doc, { by: 'pitch', distance: 0.4, stays: 'first' })
    if (!made.ok) throw new Error('refused')
    const radius = made.value.facts.find(({ about }) => about === 'radius')
    expect(radius).toBeDefined()
    const places = placesOf(spaced(doc, { by: 'pitch', distance: 0.4, stays: 'first' }))
    // Four on one arc are on one circle: equal chords, and equal angles between them.
    const chords = places.slice(1).map((p, k) => Math.hypot(...p.map((n, i) => n - places[k][i])))
    for (const chord of chords) expect(chord).toBeCloseTo(chords[0], 10)
    expect(made.value.row).toMatchObject({ as: 'straightened', closes: undefined })
  })

  it('stays at the height of each, and takes the axis along which they are spread least', () => {
    const tall = produce(scene([ball('ball', 0.1)], LOOSE), (draft) => {
      const { layout } = draft.patterns[0]
      if (layout.kind === 'spots') layout.spots.forEach((spot, k) => void (spot.move[1] += 0.01 * k))
    })
    const heights = placesOf(tall).map(([, y]) => y)
    expect(placesOf(spaced(tall, { by: 'pitch', held: 'even' })).map(([, y]) => y)).toEqual(heights)
    const upright = produce(scene([ball('ball', 0.1)], LOOSE), (draft) => {
      const { layout } = draft.patterns[0]
      if (layout.kind === 'spots') for (const spot of layout.spots) spot.move = [spot.move[0], spot.move[2], 0.7]
    })
    const stood = placesOf(spaced(upright, { by: 'pitch', held: 'even' }))
    for (const [x, y, z] of stood) {
      expect(z).toBe(0.7)
      expect(Math.hypot(x - CENTRE[0], y - CENTRE[2])).toBeCloseTo(1, 12)
    }
  })

  it('done twice is done once', () => {
    const doc = scene([ball('a', 0.1), box('b', 0.2)], LOOSE, (k) => 0.02 * (k - 2))
    const once = spaced(doc, { by: 'gap', held: 'even' })
    const twice = spaced(once, { by: 'gap', held: 'even' })
    placesOf(twice).forEach((p, k) =>
      expect(Math.hypot(...p.map((n, i) => n - placesOf(once)[k][i]))).toBeLessThan(1e-9),
    )
  })

  it('moves nobody who stands so already', () => {
    const even = scene([ball('ball', 0.1)], [0, 1, 2, 3, 4, 5].map((k) => (k * Math.PI) / 3)) // prettier-ignore
    for (const by of ['pitch', 'gap'] as const) {
      const made = tried(even, { by, held: 'even' })
      expect(made.ok && made.value.facts.map(({ says }) => sentenceText(says, 'mm'))).toContain('nothing moves')
      expect(spaced(even, { by, held: 'even' })).toEqual(even)
    }
  })

  it('says what stands in the way: too few, a line, no room', () => {
    expect(refusal(tried(scene([ball('a', 0.1)], [0, 1]), { held: 'even' }))).toContain('three things or more')
    const row = produce(scene([ball('a', 0.1)], [0, 1, 2]), (draft) => {
      const { layout } = draft.patterns[0]
      if (layout.kind === 'spots') layout.spots.forEach((spot, k) => void (spot.move = [k, 0, 2 * k]))
    })
    expect(refusal(tried(row, { held: 'even' }))).toContain('They stand on a line')
    expect(refusal(tried(scene([ball('a', 0.1)], LOOSE), { by: 'pitch', distance: 2 }))).toContain(
      'more than once round',
    )
    expect(refusal(tried(scene([ball('a', 1.9)], LOOSE), { by: 'gap', held: 'even' }))).toContain('overlap by up to')
  })
})

describe('copies spaced round a circle', () => {
  it.each([
    ['pitch', 'all the way round', { by: 'pitch', held: 'even' }, { measure: 'arc', sweep: { kind: 'full' } }],
    ['gap', 'all the way round', { by: 'gap', held: 'even' }, { measure: 'gap', sweep: { kind: 'full' } }],
    ['pitch', 'through an arc', { by: 'pitch', distance: 0.5 }, { measure: 'arc', sweep: { kind: 'arc', angle: 2 } }],
  ] as const)('by %s, %s, become a live ring, and none moves', (by, _, how, layout) => {
    const doc = spaced(scene([ball('ball', 0.1)], LOOSE), how)
    const made = live(doc, by)
    if (!made.ok) throw new Error(sentenceText(made.problem.says, 'mm'))
    const pattern = made.value.patterns.find(({ id }) => id === 'live')!
    const told = pattern.layout.kind === 'ring' ? pattern.layout : undefined
    expect(told).toMatchObject({ count: 5, measure: layout.measure, axis: 'up', facing: 'unchanged' })
    expect(told?.sweep.kind).toBe(layout.sweep.kind)
    if (told?.sweep.kind === 'arc') expect(told.sweep.angle).toBeCloseTo(2, 9)
    expect(told?.radius).toBeCloseTo(1, 9)
    // The ring itself places them: no touch-up moves one.
    for (const { move = [0, 0, 0] } of Object.values(pattern.touchUps)) expect(Math.hypot(...move)).toBeLessThan(1e-9)
    const before = placesOf(doc)
    for (const place of placesOf(made.value, 'live'))
      expect(Math.min(...before.map((p) => Math.hypot(...p.map((n, i) => n - place[i]))))).toBeLessThan(1e-9)
  })

  it('that are unlike and have one gap become a path round that circle, by gap', () => {
    const doc = spaced(scene([ball('a', 0.1), box('b', 0.3), ball('c', 0.2)], LOOSE), { by: 'gap', held: 'even' })
    const made = live(doc, 'gap')
    if (!made.ok) throw new Error(sentenceText(made.problem.says, 'mm'))
    const { layout, touchUps } = made.value.patterns.find(({ id }) => id === 'live')!
    expect(layout).toMatchObject({ kind: 'path', count: 5, measure: 'gap', insetEnd: 0, curve: { kind: 'arc' } })
    for (const { move = [0, 0, 0] } of Object.values(touchUps)) expect(Math.hypot(...move)).toBeLessThan(1e-7)
    const before = placesOf(doc)
    for (const place of placesOf(made.value, 'live'))
      expect(Math.min(...before.map((p) => Math.hypot(...p.map((n, i) => n - place[i]))))).toBeLessThan(1e-9)
  })

  it('that are not evenly spaced stay as they are, said', () => {
    const made = live(scene([ball('ball', 0.1)], LOOSE), 'pitch')
    expect(made.ok ? '' : made.problem.says.join('')).toContain('not evenly spaced')
  })
})
