import { describe, expect, it } from 'vitest'
import { evaluated, placesOf } from '../../test/placed'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator, supportIn } from '../evaluate'
import type { Project } from '../model/project'
import { plainPlane, plainReflection } from '../values/reflection'
import type { Placeable } from './body'
import { intoPart } from './intoPart'
import { outOfPart } from './outOfPart'

const tin = box('tin', 0.119)
const spots = (id: string, across: readonly number[]) =>
  aPattern(
    { kind: 'spots', spots: across.map((x, slot) => ({ slot, move: [x, 0, 0] as [number, number, number] })) },
    ['tin'],
    { id, name: id },
  )
function made(project: Project, picked: readonly Placeable[]) {
  const outcomes = new Evaluator().evaluate(project, new Map())
  const names = { part: 'whole', pattern: 'wholes', name: 'Set', newId: () => 'twin-1' }
  return intoPart({ project, outcomes, supportOf: supportIn(project, new Map(), outcomes) }, picked, names)
}
const copies = (pattern: string, ...slots: string[]): Placeable[] =>
  slots.map((slot) => ({ is: 'copy', pattern, slot }))
const saying = (result: { ok: boolean }): string =>
  'problem' in result ? JSON.stringify((result.problem as { says: unknown }).says) : ''
const inWhole = ({ parts }: Project) => {
  const { shape } = parts.find((p) => p.id === 'whole')!
  return shape.kind === 'assembly' ? shape.members : []
}

describe('a part made of what is picked', () => {
  it('has its pivot in the middle of their base; the places that copies leave stay empty, so that nobody else moves', () => {
    const project = aProject([tin], aPattern(aLine(), ['tin'], { group: 'g' }))
    project.groups = [{ id: 'g', name: 'Shelf' }]
    const before = evaluated(project)
    const result = made(project, copies('shelf', '1', '2'))
    expect(result.ok).toBe(true)
    if (!result.ok) return
    const [left, whole] = result.value.patterns
    expect(left.touchUps).toEqual({ '1': { empty: true }, '2': { empty: true } })
    expect(placesOf(evaluated(result.value).table)).toEqual(placesOf(before.table))
    expect(whole).toMatchObject({ name: 'Set', group: 'g', deal: { parts: ['whole'] } })
    const { position: p } = before.table
    expect(whole.place.move).toEqual([(p[3] + p[6]) / 2, 0, 0].map((n) => expect.closeTo(n, 12)))
    expect(inWhole(result.value).map((m) => m.move[0])).toEqual(
      [p[3] - p[6], p[6] - p[3]].map((n) => expect.closeTo(n / 2, 12)),
    )
  })

  it('takes patterns that are picked whole along, and what was said of them goes', () => {
    const project = aProject([tin], spots('a', [0, 1]), spots('b', [2]), spots('c', [3]))
    project.sets = [{ id: 'set-1', name: 'Some', copies: { a: ['0'], c: ['0'] } }]
    const result = made(project, [
      { is: 'patterns', ids: ['a'] },
      { is: 'patterns', ids: ['b'] },
    ])
    expect(result.ok && result.value.patterns.map((p) => p.id)).toEqual(['c', 'wholes'])
    expect(result.ok && result.value.sets[0].copies).toEqual({ c: ['0'] })
    expect(result.ok && inWhole(result.value).map((m) => m.move[0])).toEqual([-1, 0, 1])
  })

  it('is refused where somebody else rests on a pattern that would go, where nothing stands, and beyond a thousand copies', () => {
    const bulb = aPattern(
      { kind: 'companion', host: 'a', at: 'top', offset: [0, 0, 0], turn: [0, 0, 0], axes: 'copy', every: 1 },
      ['tin'],
      { id: 'bulbs', name: 'Bulbs' },
    )
    const hosted = aProject([tin], spots('a', [0, 1]), bulb)
    expect(saying(made(hosted, [{ is: 'patterns', ids: ['a'] }]))).toContain('Bulbs needs a. Pick both')
    const both = made(hosted, [{ is: 'patterns', ids: ['a', 'bulbs'] }])
    expect(both.ok && inWhole(both.value)).toHaveLength(4)

    const empty = aProject([tin], { ...spots('a', [0]), touchUps: { '0': { empty: true } } })
    expect(saying(made(empty, copies('a', '0')))).toContain('Nothing of them is placed')

    const many = aProject(
      [tin],
      spots(
        'a',
        Array.from({ length: 1001 }, (_, k) => k),
      ),
    )
    expect(saying(made(many, [{ is: 'patterns', ids: ['a'] }]))).toContain('1001')
  })
})

describe('a part taken apart', () => {
  const whole = {
    ...tin,
    id: 'whole',
    name: 'Set',
    shape: {
      kind: 'assembly' as const,
      members: [
        { id: 'm1', part: 'tin', move: [-1, 0, 0], turn: [0, 0.5, 0], size: [1, 2, 1] },
        { id: 'm2', part: 'tin', move: [1, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] },
      ],
    },
  }
  const twice = () => {
    const project = aProject([tin, whole as typeof tin], {
      ...spots('a', [0, 5]),
      deal: { kind: 'inTurn', parts: ['whole'] },
    })
    project.sets = [{ id: 'set-1', name: 'Second', copies: { a: ['1'] } }]
    return project
  }
  const apart = (project: Project, slots: readonly string[]) => {
    const outcomes = new Evaluator().evaluate(project, new Map())
    const stood = new Map(outcomes.map((o) => [o.id, o]))
    return outOfPart(project, new Map([['a', new Set(slots)]]), stood, { id: 'apart', name: 'Apart' })
  }

  it('stands as it did, turned and sized, in places of its own; saved selections follow, the other copy stays', () => {
    const result = apart(twice(), ['1'])
    expect(result.ok).toBe(true)
    if (!result.ok) return
    const { layout } = result.value.patterns[1]
    const placed = 'spots' in layout ? layout.spots : []
    expect(placed.map((s) => [s.part, s.move])).toEqual([
      ['tin', [4, 0, 0]],
      ['tin', [6, 0, 0]],
    ])
    expect(placed[0].size).toEqual([1, 2, 1])
    expect(placed[0].turn?.[1]).toBeCloseTo(Math.sin(0.25), 12)
    expect(result.value.sets[0].copies).toEqual({ a: [], apart: ['0', '1'] })
    expect(result.value.patterns[0].touchUps).toEqual({ '1': { empty: true } })
  })

  it('is refused where it is none, and for a mirror image', () => {
    const plain = aProject([tin], spots('a', [0]))
    expect(saying(apart(plain, ['0']))).toContain('there is nothing to take apart')
    const mirrored = twice()
    const planes = [{ ...plainPlane('deep'), offset: 3 }]
    mirrored.patterns[0].steps = [{ ...plainReflection('deep'), planes, kind: 'reflect', id: 'r', shapes: 'mirrored' }]
    const table = evaluated(mirrored).table
    const image = Array.from({ length: table.count }, (_, k) => k).find((k) => table.isTwin(k))!
    expect(saying(apart(mirrored, [table.keyOf(image)]))).toContain('mirror image of Set')
    expect(apart(mirrored, ['0']).ok).toBe(true)
  })
})
