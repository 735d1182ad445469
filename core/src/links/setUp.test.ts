import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aCompanion, aLine, aMirror, aPattern, aPlane, aProject, aVary, box, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { type Project, readProject } from '../model/project'
import type { Vec3 } from '../values/values'
import { partsOfSetUp, setUpAgain, setUpOf } from './setUp'

const doc = (): Project => ({
  ...aProject(
    [box('tin', 0.1), box('jar', 0.1), box('bulb', 0.02), box('cup', 0.07)],
    aPattern(aLine({ ...pitched(5, 0.2) }), ['tin', 'jar'], {
      id: 'row',
      name: 'Row',
      deal: { kind: 'random', parts: ['tin', 'jar'], weights: [1, 1], seed: 3 },
      steps: [
        { ...aVary('turnUp', -0.4, 0.4), id: 'askew' },
        { kind: 'thin', id: 'thin', only: 'some', every: 2, from: 1 },
      ],
      touchUps: { '1': { part: 'jar', move: [0, 0, 0.1] } },
      locked: true,
    }),
    aPattern(aCompanion('row'), ['bulb'], { id: 'bulbs', name: 'Bulbs' }),
    aPattern(aCompanion('bulbs'), ['bulb'], { id: 'tips', name: 'Tips' }),
    aPattern(aMirror('row', aPlane('deep', { offset: 1 })), [], { id: 'image', name: 'Image' }),
    aPattern(aLine({ count: 2 }), ['row'], { id: 'twice', name: 'Twice' }),
    aPattern(aLine({ count: 2 }), ['cup'], { id: 'other', name: 'Other' }),
  ),
  sets: [{ id: 'some', name: 'Some', copies: { row: ['0', '1', '2', '3'], other: ['0'] } }],
})
function again(given: Record<string, string>, sameChances = true, by: Vec3 = [0, 0, 2]) {
  let n = 0
  let ids: string[] = []
  const project = produce(doc(), (draft) => {
    ids = setUpAgain(draft, setUpOf(draft, 'row'), {
      given: new Map(Object.entries(given)),
      sameChances,
      by,
      newId: (kind) => `${kind}-new-${n++}`,
    })
  })
  const outcomes = new Map(new Evaluator().evaluate(project, new Map()).map((o) => [o.id, o]))
  return { project, ids, table: (id: string) => outcomes.get(id)!.table }
}

describe('a set-up', () => {
  it('is a pattern with its companions, theirs, and the mirrors of nothing else; not who repeats it', () => {
    expect(setUpOf(doc(), 'row')).toEqual(['row', 'bulbs', 'tips', 'image'])
    expect(setUpOf(doc(), 'bulbs')).toEqual(['bulbs', 'tips'])
    expect(partsOfSetUp(doc(), setUpOf(doc(), 'row'))).toEqual(['tin', 'jar', 'bulb'])
  })

  it('made again stands beside itself as it stood, by the same chances, with what belongs to it', () => {
    const { project, ids, table } = again({})
    const read = readProject(structuredClone(project))
    expect(read.ok ? '' : read.problem.says.join('')).toBe('')
    expect(project.patterns.map(({ name }) => name)).toEqual(
      ['Row', 'Bulbs', 'Tips', 'Image', 'Row 2', 'Bulbs 2', 'Tips 2', 'Image 2', 'Twice', 'Other'], // prettier-ignore
    )
    const all = [table('row'), table(ids[0])]
    const [was, is] = all.map(({ thing, quaternion, position, count }) => [
      [...thing],
      [...quaternion],
      [...position],
      count,
    ])
    expect(is).toEqual(was)
    expect(project.patterns[4]).toMatchObject({ place: { move: [0, 0, 2] }, touchUps: doc().patterns[0].touchUps })
    expect(project.patterns[4]).not.toHaveProperty('locked')
    // Its companions go with its own copies, the images are of it, and its steps keep to a selection of its own.
    expect(project.patterns.slice(5, 8).map(({ layout }) => layout)).toMatchObject([
      { host: ids[0] },
      { host: ids[1] },
      { sources: [{ kind: 'pattern', id: ids[0] }] },
    ])
    expect(project.sets).toEqual([
      ...doc().sets,
      { id: project.sets[1].id, name: 'Some 2', copies: { [ids[0]]: ['0', '1', '2', '3'] } },
    ])
    expect(project.patterns.slice(0, 4)).toEqual(doc().patterns.slice(0, 4))
  })

  it('takes other parts, everywhere where those stood, each where the lot put it', () => {
    const { project, ids, table } = again({ jar: 'cup' })
    const row = project.patterns[4]
    expect(row.deal.parts).toEqual(['tin', 'cup'])
    expect(row.touchUps).toEqual({ '1': { part: 'cup', move: [0, 0, 0.1] } })
    const name = (id: string) => Array.from(table(id).thing, (t) => project.parts[t].id.replace('jar', 'cup'))
    expect(name(ids[0])).toEqual(name('row'))
  })

  it('by chances of its own falls otherwise', () => {
    const { ids, table } = again({}, false)
    expect([...table(ids[0]).quaternion]).not.toEqual([...table('row').quaternion])
  })
})
