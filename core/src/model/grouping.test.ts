import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { lockOf, makeGroup, patternsIn, takeApart } from './grouping'
import type { Project } from './project'

const three = (): Project => {
  const base = aProject([box('tin', 0.1)], aPattern(aLine(), ['tin'], { id: 'a', name: 'A' }))
  for (const id of ['b', 'c']) base.patterns.push(aPattern(aLine(), ['tin'], { id, name: id.toUpperCase() }))
  return base
}

describe('groups', () => {
  it('N1: hold patterns and other groups, numbered names, and are taken apart into where they were', () => {
    const project = three()
    makeGroup(project, ['a', 'b'], 'g1', 'Group')
    makeGroup(project, ['g1', 'c'], 'g2', 'Group')
    expect(project.groups).toEqual([
      { id: 'g1', name: 'Group', parent: 'g2' },
      { id: 'g2', name: 'Group 2' },
    ])
    expect(patternsIn(project, 'g2')).toEqual(['a', 'b', 'c'])
    takeApart(project, 'g1')
    expect(project.patterns.map((p) => p.group)).toEqual(['g2', 'g2', 'g2'])
    takeApart(project, 'g2')
    expect([project.groups, project.patterns.map((p) => p.group)]).toEqual([[], [undefined, undefined, undefined]])
  })

  it('a new group of what lies in one group lies in that one; what comes along with a group stays in it', () => {
    const project = three()
    makeGroup(project, ['a', 'b', 'c'], 'g1', 'Shelf')
    makeGroup(project, ['a', 'b'], 'g2', 'Shelf')
    expect(project.groups[1]).toEqual({ id: 'g2', name: 'Shelf 2', parent: 'g1' })
    makeGroup(project, ['g2', 'a', 'c'], 'g3', 'Shelf')
    expect(project.patterns.map((p) => p.group)).toEqual(['g2', 'g2', 'g3'])
    expect(project.groups.map((g) => g.parent)).toEqual([undefined, 'g3', 'g1'])
  })

  it('N10: a lock on a group holds all that is inside it', () => {
    const project = three()
    makeGroup(project, ['a'], 'g1', 'Inner')
    makeGroup(project, ['g1'], 'g2', 'Outer')
    project.groups[1].locked = true
    project.patterns[2].locked = true
    expect(['a', 'b', 'c'].map((id) => lockOf(project, id))).toEqual(['Outer', undefined, 'C'])
  })
})
