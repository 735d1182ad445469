import { describe, expect, it } from 'vitest'
import { arm } from '../../test/handed'
import { evaluated, placesOf, said, slotsOf } from '../../test/placed'
import { aGrid, aLine, aMirror, aPattern, aPlane, aProject, aRing, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { Flag, slotKeyOf } from '../instances'
import type { MirrorPlane } from '../values/reflection'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import { readProject } from '../model/project'
import type { Reflect } from '../steps/reflect/schema'
import type { Vec3 } from '../values/values'
import { planeThrough } from '../mirror/planes'
import { cube, mirrored, spotsOf, both, reflectBy } from '../../test/mirrors'

describe('mirrors', () => {
  it('mirrors more picked copies than a call takes arguments', () => {
    const [across, deep] = [400, 400].map((count) => ({ ...aGrid().across, count }))
    // One column stands in the plane.
    const left = aPattern(aGrid({ across, deep }), ['cube'], { id: 'left' })
    const { table } = evaluated(aProject([cube], left))
    const slots = Array.from(table.slotLow, (low, row) => slotKeyOf(low, table.slotHigh[row]))
    const picked = { id: 'picked', name: 'Picked', copies: { left: slots } }
    const mirror = mirrored(left, [aPlane('across')], { sources: [{ kind: 'set', id: 'picked' }] })
    const project = { ...aProject([cube], left, mirror), sets: [picked] }
    expect(new Evaluator().evaluate(project, new Map())[1].table.count).toBe(159_600)
  })

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
