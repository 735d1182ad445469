import { describe, expect, it } from 'vitest'
import { evaluated, distance as apart, placesOf, said } from '../../../test/placed'
import { aFill, aPath, aPattern, aProject, aVary, ball, box } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import { lookThrough } from '../../findings/lookThrough'
import { removed } from '../../model/references'
import type { Project } from '../../model/project'
import type { Pattern } from '../../model/pattern'
import { plainClear } from '../../steps/clear/schema'
import type { Fill } from './schema'

const sugar = ball('sugar', 0.01)
/** A straight walk from side to side of the area and beyond, 0.2 m deep of its middle. */
const walk: Pattern = {
  ...aPattern(
    aPath({
      curve: {
        kind: 'points',
        points: [
          [-2, 0, 0],
          [2, 0, 0],
        ],
        smooth: false,
        closed: false,
      },
    }),
    ['sugar'],
    { place: { move: [0, 0, 0.2], turn: [0, 0, 0] } },
  ),
  id: 'walk',
  name: 'Walk',
}
const bed: Pattern = {
  ...aPattern(aFill({ outline: { kind: 'ellipse', width: 0.5, depth: 0.5 } }), ['sugar'], {
    place: { move: [0.2, 0, 0], turn: [0, 1, 0] },
  }),
  id: 'bed',
  name: 'Bed',
}
const kept = (change: Partial<Fill>, more: Partial<Pattern> = {}, parts = [sugar]) =>
  aProject(parts, { ...aPattern(aFill({ count: 120, ...change }), [parts.at(-1)!.id], more), id: 'lawn' }, walk, bed)

describe('a fill that keeps off curves and outlines', () => {
  it.each(['random', 'even', 'sunflower', 'square', 'hexagonal'] as const)(
    'F4: no pivot is nearer to them than asked, %s',
    (how) => {
      const { table } = evaluated(kept({ how, off: { guides: ['walk', 'bed'], distance: 0.06 } }))
      expect(table.count).toBeGreaterThan(60)
      for (const [x, , z] of placesOf(table)) {
        expect(Math.abs(z - 0.2)).toBeGreaterThanOrEqual(0.06 - 1e-9)
        // The ellipse is walked round in 360 chords.
        expect(Math.hypot(x - 0.2, z)).toBeGreaterThanOrEqual(0.31 - 2e-5)
      }
    },
  )

  it('F4: whole copies are clear of them by as much, and their own margin is kept along the edge alone', () => {
    const { table } = evaluated(
      kept({ edge: undefined, margin: 0.2, how: 'even', least: 0.03, off: { guides: ['walk'], distance: 0.02 } }),
    )
    const away = placesOf(table).map(([, , z]) => Math.abs(z - 0.2))
    expect(Math.min(...away)).toBeGreaterThanOrEqual(0.025 - 1e-9)
    expect(Math.min(...away)).toBeLessThan(0.035)
    for (const [x, , z] of placesOf(table)) expect(Math.max(Math.abs(x), Math.abs(z))).toBeLessThanOrEqual(0.295 + 1e-9)
  })

  it('F4: a density counts what is left of the area', () => {
    // Of 1 m² a band of 0.3 m is left out.
    const outcome = evaluated(kept({ by: 'density', density: 200, off: { guides: ['walk'], distance: 0.15 } }))
    expect(outcome.table.count).toBe(140)
    expect(said(outcome.facts)).toContain('about 0.3 m² of the outline is kept off')
  })

  it('a fill that is grown keeps those that there were, and a copy stays as what it keeps off moves elsewhere', () => {
    const off = { guides: ['walk'], distance: 0.06 }
    const [few, many] = [40, 90].map((count) => placesOf(evaluated(kept({ how: 'random', count, off })).table))
    expect(many.slice(0, 40)).toEqual(few)
  })

  it('refuses where nothing is left; a pattern without a curve is no hindrance, and is told', () => {
    const none = evaluated(kept({ off: { guides: ['walk'], distance: 3 } }))
    expect(none.problem && said(none.problem.says)).toBe(
      'All of the outline is kept off. Type a smaller distance or a larger outline.',
    )
    const project = kept({ off: { guides: ['row'], distance: 3 } })
    const row = { ...aPattern({ ...aFill(), kind: 'spots', spots: [] } as never, []), id: 'row', name: 'Row' }
    const { facts, table } = evaluated({ ...project, patterns: [...project.patterns, row] })
    expect(table.count).toBe(120)
    expect(said(facts)).toContain('nothing is kept off')
  })

  it('K10: pushed apart inside it, none gets to where it is kept off', () => {
    const brick = box('brick', 0.06)
    const steps = [
      aVary('moveAcross', -0.1, 0.1),
      { ...plainClear, id: 'clear', kind: 'clear' as const, inside: true, rounds: 400 },
    ]
    const outcome = evaluated(
      kept({ edge: undefined, how: 'random', count: 40, off: { guides: ['walk'], distance: 0.05 } }, { steps }, [
        sugar,
        brick,
      ]),
    )
    for (const [, , z] of placesOf(outcome.table)) expect(Math.abs(z - 0.2)).toBeGreaterThanOrEqual(0.08 - 1e-6)
    expect(placesOf(outcome.table).some((p, i, all) => i > 0 && apart(p, all[0]) < 1)).toBe(true)
  })

  it('what a hand has put where it is kept off is found', () => {
    const project = (touchUps: Pattern['touchUps']): Project =>
      kept({ off: { guides: ['walk'], distance: 0.05 }, count: 12, margin: 0.1 }, { touchUps })
    const found = (touchUps: Pattern['touchUps']) => {
      const asked = project(touchUps)
      return lookThrough(asked, new Map(), new Evaluator().evaluate(asked, new Map())).filter(
        ({ what, pattern }) => what === 'outside' && pattern === 'lawn',
      )
    }
    expect(found({})).toEqual([])
    const { table } = evaluated(project({}))
    // To 20 mm beside the walk.
    const move: [number, number, number] = [0, 0, 0.22 - table.moveOf(4)[2]]
    const [only] = found({ [table.keyOf(4)]: { move } })
    expect([only.count, only.rows]).toEqual([1, [4]])
    expect(only.worst).toBeCloseTo(0.03, 9)
  })

  it('a pattern that is removed is kept off no more', () => {
    const before = kept({ off: { guides: ['walk', 'bed'], distance: 0.05 } })
    const one = removed(before, new Set(['walk']))
    expect(one.patterns[0].layout).toMatchObject({ off: { guides: ['bed'], distance: 0.05 } })
    expect(removed(one, new Set(['bed'])).patterns[0].layout).not.toHaveProperty('off')
  })
})
