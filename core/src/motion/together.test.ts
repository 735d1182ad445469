import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box, pitched } from '../../test/projects'
import { aCompanion } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { giveMovementToGroup, partShared } from '../links/shared'
import { makeGroup } from '../model/grouping'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Arrive } from './arrive/schema'
import { movements } from './registry'
import { Playing } from './playing'

const tin = box('tin', 0.1)
const row = (id: string, count: number, change: Partial<Pattern> = {}): Pattern =>
  aPattern(aLine({ ...pitched(count, 0.2) }), ['tin'], { id, name: id, ...change })
const anArrival = (change: Partial<Arrive> = {}): Arrive => ({
  ...movements.arrive.begin('in', 5, 5),
  begin: 1,
  apart: 0.5,
  each: 0.25,
  distance: 0.3,
  ...change,
})
const playing = (project: Project) => new Playing(project, new Evaluator().evaluate(project, new Map()))
const begins = (project: Project, id: string): number[] =>
  playing(project)
    .of(id)!
    .bars.toSorted((a, b) => a.row - b.row)
    .map(({ from }) => from)

function grouped(arrival: Arrive, ...patterns: Pattern[]): Project {
  const project = aProject([tin], ...patterns)
  makeGroup(
    project,
    patterns.map((p) => p.id),
    'all',
    'All',
  )
  giveMovementToGroup(project, 'all', arrival)
  return project
}

describe('one arrival for all of a group', () => {
  it('its patterns come in one row, one after the other', () => {
    const project = grouped(anArrival(), row('one', 3), row('two', 2))
    expect(begins(project, 'one')).toEqual([1, 1.5, 2])
    expect(begins(project, 'two')).toEqual([2.5, 3])
    const [came] = playing(project).ownOf('two')
    // 4 × 0.5 + 0.25 s in all, said of both.
    expect(came.ok && came.value.timed).toEqual({ apart: 0.5, each: 0.25, inAll: 2.25 })
    expect(came.ok && came.value.facts.find(({ about }) => about === 'count')?.says[0]).toEqual({ count: 5 })
  })

  it('backwards, part by part and from the middle go through all of them', () => {
    expect(begins(grouped(anArrival({ order: 'backwards' }), row('one', 3), row('two', 2)), 'one')).toEqual([3, 2.5, 2])
    expect(begins(grouped(anArrival({ order: 'parts' }), row('one', 3), row('two', 2)), 'two')).toEqual([1, 1])
    // Places 0, 200 and 1 000, 1 200: the middle is at 600, those in the middle come first, two by two.
    const far = row('two', 2, { place: { move: [1, 0, 0], turn: [0, 0, 0] } })
    const project = grouped(anArrival({ order: 'middle' }), row('one', 2), far)
    expect(begins(project, 'one')).toEqual([1.5, 1])
    expect(begins(project, 'two')).toEqual([1, 1.5])
  })

  it('is said in the axes of the world, however its patterns are turned', () => {
    const turned = { place: { move: [0.4, 0, 0], turn: [0, 0, Math.PI / 2] } } satisfies Partial<Pattern>
    const at = (project: Project) => playing(project).of('two')!.at(0, 0.5)
    const lain = grouped(anArrival({ waits: true }), row('one', 1), row('two', 1, turned))
    // 300 mm below in the world is where its own across points away from.
    expect(at(lain).move.map((n) => Math.round(n * 1e9) / 1e9 + 0)).toEqual([-0.3, 0, 0])
    const from = grouped(anArrival({ waits: true, from: 'place', place: [0.4, 0.2, 0] }), row('two', 1, turned))
    const { move } = at(from)
    const own = new Evaluator().evaluate(from, new Map())[0].table.moveOf(0)
    // Turned back by a quarter, 200 mm up from its place is 200 mm along its own across.
    expect(move.map((n, i) => Math.round((own[i] + n) * 1e9) / 1e9 + 0)).toEqual([0.2, 0, 0])
  })

  it('who is hidden has no turn, a companion goes with its host, and each alone begins at the beginning', () => {
    const hidden = grouped(anArrival(), row('one', 3, { hidden: true }), row('two', 2))
    expect(begins(hidden, 'two')).toEqual([1, 1.5])
    const lamps = aPattern(aCompanion('one'), ['tin'], { id: 'lamps', name: 'lamps' })
    const project = grouped(anArrival(), row('one', 3), lamps, row('two', 2))
    expect(project.patterns.map(({ motion }) => motion?.length ?? 0)).toEqual([1, 0, 1])
    expect(begins(project, 'lamps')).toEqual([1, 1.5, 2])
    expect(begins(project, 'two')).toEqual([2.5, 3])
    partShared(project, 'two', 'in', 'motion')
    expect(project.groups[0].motion).toBeUndefined()
    expect(begins(project, 'two')).toEqual([1, 1.5])
  })

  it('by chance each draws under its own pattern, whoever else is there', () => {
    const chance = anArrival({ order: 'chance', hold: ['each', 'inAll'], inAll: 3 })
    const alone = begins(grouped(chance, row('two', 2)), 'two')
    expect(begins(grouped(chance, row('one', 3), row('two', 2)), 'two')).toEqual(alone)
  })
})

it('an arrival of a saved selection: all others stand from the start, and have no turn', () => {
  const project = {
    ...aProject([tin], row('one', 4, { motion: [anArrival({ only: 'some' })] })),
    sets: [{ id: 'some', name: 'Some', copies: { one: ['1', '3'] } }],
  }
  const moving = playing(project).of('one')!
  expect(moving.bars).toEqual([
    { row: 1, from: 1, to: 1.25 },
    { row: 3, from: 1.5, to: 1.75 },
  ])
  expect(moving.at(0, 0).shown).toBe(true)
  expect(moving.at(1, 0).shown).toBe(false)
  expect(moving.turns(0)).toEqual([])
})
