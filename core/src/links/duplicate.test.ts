import { describe, expect, it } from 'vitest'
import { evaluated } from '../../test/placed'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import type { Part } from '../model/part'
import { type Project, readProject } from '../model/project'
import { referencesOf } from '../model/references'
import { duplicatePattern } from './duplicate'

const pair: Part = {
  ...box('pair', 0.1),
  shape: { kind: 'assembly', members: [{ id: 'm', part: 'leaf', move: [0, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] }] },
}
const doc = (): Project => ({
  ...aProject(
    [{ ...box('tin', 0.1), variants: ['jar'] }, box('jar', 0.1), box('leaf', 0.05), pair, box('lid', 0.05)],
    aPattern(aLine(), ['tin', 'pair'], {
      id: 'row',
      name: 'Row',
      deal: { kind: 'inTurn', parts: ['tin', 'pair'], variants: 'inTurn' },
      touchUps: { '1': { part: 'lid' } },
      fits: { lid: { move: [0, 0.1, 0] } },
      plain: ['tin'],
      steps: [{ kind: 'thin', id: 'thin', only: 'set-1', every: 2, from: 1 }],
    }),
  ),
  sets: [{ id: 'set-1', name: 'Left', copies: { row: ['0', '1', '2'] } }],
})
function duplicated(own: boolean): Project {
  const project = doc()
  let n = 0
  const place = { move: [0, 0, 1] as [number, number, number], turn: [0, 0, 0] as [number, number, number] }
  duplicatePattern(project, project.patterns[0], {
    id: 'again',
    name: 'Row 2',
    place,
    own,
    newId: (k) => `${k}-new-${n++}`,
  })
  return project
}

describe('a duplicate', () => {
  it('with parts of its own shares nothing that should be its own', () => {
    const project = duplicated(true)
    expect(readProject(structuredClone(project)).ok).toBe(true)
    const old = new Set(doc().parts.map((p) => p.id))
    const copy = project.patterns[1]
    const named = referencesOf(copy).filter((r) => r.to === 'thing' || r.to === 'part' || r.to === 'set')
    expect(named.filter((r) => old.has(r.id) || r.id === 'set-1')).toEqual([])
    // The parts inside its parts and their variants are its own too.
    const made = project.parts.slice(5)
    expect(made.map((p) => p.name).sort()).toEqual(['jar 2', 'leaf 2', 'lid 2', 'pair 2', 'tin 2'])
    expect(JSON.stringify(made.map((p) => ({ ...p, chances: undefined })))).not.toMatch(/"(tin|jar|leaf|pair|lid)"/)
    expect(project.sets.map((s) => Object.keys(s.copies))).toEqual([['row'], ['again']])
    // What it was made of is as it was.
    expect([project.patterns[0], project.parts.slice(0, 5)]).toEqual([doc().patterns[0], doc().parts])
  })

  it('linked shares its parts, and its steps keep to the same copies', () => {
    const project = duplicated(false)
    expect(project.parts).toEqual(doc().parts)
    // Others that go by the selection keep to what it held.
    expect(project.sets[0]).toEqual(doc().sets[0])
    expect(project.sets[1]).toMatchObject({ name: 'Left 2', copies: { again: ['0', '1', '2'] } })
  })

  it.each([true, false])('looks the same, parts of its own or not: %s', (own) => {
    const project = duplicated(own)
    const [first, second] = [evaluated(project, 'row').table, evaluated(project, 'again').table]
    expect([...second.position.subarray(0, 3 * second.count)]).toEqual([...first.position.subarray(0, 3 * first.count)])
    const presence = (t: typeof first) => Array.from({ length: t.count }, (_, k) => t.isPresent(k))
    expect(presence(second)).toEqual(presence(first))
  })
})
