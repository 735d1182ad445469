import { describe, expect, it } from 'vitest'
import { evaluated } from '../../test/placed'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { swapDefaults, swapInPattern } from '../links/swap'
import { unlink } from '../links/unlink'
import type { Project } from '../model/project'
import { boundsOfPart } from '../parts/support'
import { addPart, dropPart, movePart, withLots } from './edits'
import type { Deal } from './schema'

const atRandom = (): Extract<Deal, { kind: 'random' }> => ({
  kind: 'random',
  parts: ['tin', 'jar', 'cup'],
  weights: [1, 2, 3],
  seed: 4,
})
const doc = (): Project =>
  aProject(
    ['tin', 'jar', 'cup', 'pot'].map((id) => box(id, 0.1)),
    aPattern(aLine({ hold: ['count', 'spacing'], count: 40 }), ['tin'], { id: 'row', deal: atRandom() }),
  )
const names = (project: Project): string[] => {
  const { table } = evaluated(project)
  return Array.from(table.thing.subarray(0, table.count), (t) => project.parts[t].id)
}
const swapped = (project: Project, from: string, to: string): void =>
  swapInPattern(project.patterns[0], from, to, swapDefaults, (id) =>
    boundsOfPart(
      project.parts.find((p) => p.id === id)!,
      { parts: project.parts, meshes: new Map() },
    ),
  )

describe('the list of a deal', () => {
  it('keeps weights and lots beside their parts', () => {
    const deal = withLots(atRandom()) as ReturnType<typeof atRandom>
    movePart(deal, 0, 2)
    expect([deal.parts, deal.weights, deal.lots]).toEqual([
      ['jar', 'cup', 'tin'],
      [2, 3, 1],
      ['jar', 'cup', 'tin'],
    ])
    dropPart(deal, 1)
    addPart(deal, 'pot')
    addPart(deal, 'pot')
    expect([deal.parts, deal.weights, deal.lots]).toEqual([
      ['jar', 'tin', 'pot'],
      [2, 1, 1],
      ['jar', 'tin', 'pot'],
    ])
    const plain: Deal = { kind: 'inTurn', parts: ['a'] }
    addPart(plain, 'b')
    addPart(plain, 'a')
    expect(plain.parts).toEqual(['a', 'b', 'a'])
  })

  it('gives a part that comes back another lot than the one that drew its lot in its place', () => {
    const project = doc()
    swapped(project, 'tin', 'pot')
    const { deal } = project.patterns[0]
    addPart(deal, 'tin')
    expect(deal.kind === 'random' && deal.lots).toEqual(['tin', 'jar', 'cup', 'tin-2'])
    const before = names(doc())
    const after = names(project)
    // It takes copies, and moves none between the others.
    expect(new Set(after)).toEqual(new Set(['pot', 'jar', 'cup', 'tin']))
    for (const [k, name] of after.entries())
      if (name !== 'tin') expect(name).toBe(before[k] === 'tin' ? 'pot' : before[k])
  })
})

describe('at random, what takes a part’s place takes its copies and no other’s', () => {
  it('where it is swapped for a new one, or for one that is dealt already', () => {
    const before = names(doc())
    for (const to of ['pot', 'jar']) {
      const project = doc()
      swapped(project, 'tin', to)
      expect(names(project)).toEqual(before.map((name) => (name === 'tin' ? to : name)))
    }
  })

  it('where all its copies get a part of their own', () => {
    const project = doc()
    const before = names(project)
    const { table } = evaluated(project)
    const keys = before.flatMap((name, k) => (name === 'tin' ? [table.keyOf(k)] : []))
    const [own] = unlink(project, new Map([['row', table]]), new Map([['row', keys]]), () => 'own')
    expect(names(project)).toEqual(before.map((name) => (name === 'tin' ? own.id : name)))
  })
})
