import { expect } from 'vitest'
import { lookThrough } from '../../src/findings/lookThrough'
import { giveStepToGroup, sharersOf, spreadShared, takersOf } from '../../src/links/shared'
import { makeGroup, takeApart } from '../../src/model/grouping'
import type { Project } from '../../src/model/project'
import { steps } from '../../src/steps/registry'
import { worked } from './laws'
import { worldPlaces } from './places'

/**
 * One step for all of a group: none of its patterns comes to lean on itself by it, no two are left in each other, what is changed of it in
 * one is changed in all, and taken apart everything stands where it stood.
 */
export function expectShared(doc: Project): void {
  const project = structuredClone(doc)
  // In one place, so that they stand in each other; who is touched up by hand stays in who is.
  for (const pattern of project.patterns) {
    pattern.place.move = [0, 0, 0]
    pattern.touchUps = {}
    pattern.hidden = false
  }
  // Who keeps clear of what cannot be placed cannot be placed either.
  if (worked(project).some(({ problem }) => problem)) return
  makeGroup(
    project,
    project.patterns.map((p) => p.id),
    'all',
    'All',
  )
  const takers = takersOf(project, 'all').map((p) => p.id)
  giveStepToGroup(project, 'all', { ...steps.clear.begin('shared'), how: 'leaveOut', clearance: 0.001 })
  const after = worked(project)
  expect(after.flatMap(({ problem }) => problem ?? [])).toEqual([])
  const last = takers.at(-1)
  if (last === undefined) return

  const pairs = lookThrough(project, new Map(), after)
    .filter(({ what }) => what === 'between')
    .map(({ pattern, other }) => [pattern!, other!.pattern])
  expect(pairs.filter((pair) => pair.every((id) => takers.includes(id)))).toEqual([])

  const changed = structuredClone(project)
  const own = changed.patterns.find((p) => p.id === last)!.steps.find((s) => s.id === 'shared')!
  Object.assign(own, { clearance: 0.002 })
  spreadShared(changed, last)
  expect(sharersOf(changed, last, 'shared', 'steps').map((p) => p.id)).toEqual(
    changed.patterns.map((p) => p.id).filter((id) => takers.includes(id)),
  )
  for (const [k, { steps: now }] of changed.patterns.entries()) {
    const before = project.patterns[k].steps
    expect(now).toEqual(before.map((s) => (s.id === 'shared' ? { ...s, clearance: 0.002 } : s)))
  }

  const apart = structuredClone(project)
  takeApart(apart, 'all')
  expect(apart.groups).toEqual(doc.groups)
  expect(worldPlaces(apart.patterns, worked(apart))).toEqual(worldPlaces(project.patterns, after))
}
