import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { type Project, readProject } from '../model/project'
import type { Part } from '../model/part'
import { boundsOfPart } from '../parts/support'
import { bringIn } from './acrossProjects'
import { recipeOf, rolesOf } from './recipe'
import { plainReflection } from '../values/reflection'

let made = 0
const newId = (kind: string): string => `${kind}-new-${++made}`
const read = (part: Part, low: readonly number[], high: readonly number[]): Part =>
  ({ ...part, shape: { kind: 'mesh', file: 'f'.repeat(64), format: 'glb', unit: 'm', low, high } }) as never
const placesOf = (project: Project, id: string): number[] => {
  const at = project.patterns.findIndex((p) => p.id === id)
  const { table } = new Evaluator().evaluate(project, new Map())[at]
  return [...table.position.subarray(0, 3 * table.count)]
}
/** A shelf of two parts by gap, one of them from a file and with its pivot off its middle, with bulbs on it. */
function shop(): Project {
  const jar = read(box('jar', 0.1), [-0.01, -0.02, -0.03], [0.09, 0.1, 0.05])
  const shelf = aPattern(aLine(), ['tin', 'jar'], {
    touchUps: { '1': { move: [0, 0.02, 0] } },
    baseline: { '0': { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1] } } as never,
  })
  const bulbs = aPattern(
    { kind: 'companion', host: shelf.id, at: 'top', offset: [0, 0.1, 0], turn: [0, 0, 0], axes: 'copy', every: 1 },
    ['bulb'],
    { id: 'bulbs', name: 'Bulbs' },
  )
  return aProject([box('tin', 0.119), jar, ball('bulb', 0.03), box('other', 1)], shelf, bulbs)
}

describe('P12: a recipe', () => {
  it('has a placeholder of the same name and size for each part, rests on no file, and keeps every place', () => {
    const project = shop()
    const source = { parts: project.parts, meshes: new Map() }
    const recipe = recipeOf(project, ['bulbs'], source)
    expect(readProject(structuredClone(recipe))).toMatchObject({ ok: true })
    expect(JSON.stringify(recipe)).not.toContain('f'.repeat(64))
    expect(recipe.patterns[0].baseline).toBeUndefined()
    expect(rolesOf(recipe).map(({ name }) => name)).toEqual(['tin', 'jar', 'bulb'])
    for (const role of rolesOf(recipe)) {
      const [as, was] = [role, project.parts.find(({ id }) => id === role.id)!].map((part) =>
        boundsOfPart(part, source),
      )
      for (const i of [0, 1, 2]) {
        expect(as.low[i]).toBeCloseTo(was.low[i], 12)
        expect(as.high[i]).toBeCloseTo(was.high[i], 12)
      }
    }
    for (const id of ['p', 'bulbs']) {
      const pattern = project.patterns.find((p) => p.id === id) ?? project.patterns[0]
      const places = placesOf(recipe, pattern.id)
      for (const [i, at] of placesOf(project, pattern.id).entries()) expect(places[i]).toBeCloseTo(at, 12)
    }
  })

  it('brings a group along where another pattern of it comes too, or where it is mirrored whole', () => {
    const groups = [
      { id: 'outer', name: 'Outer' },
      { id: 'inner', name: 'Inner', parent: 'outer' },
    ]
    const row = (id: string, group?: string) => aPattern(aLine(), ['tin'], { id, name: id, ...(group && { group }) })
    const project = {
      ...aProject([box('tin', 0.1)], row('a', 'inner'), row('b', 'outer'), row('c', 'inner')),
      groups,
    }
    const groupsOf = (ids: string[], from: Project = project): (string | undefined)[] => {
      const recipe = recipeOf(from, ids, { parts: from.parts, meshes: new Map() })
      expect(readProject(structuredClone(recipe))).toMatchObject({ ok: true })
      expect(recipe.groups.map(({ id }) => id).sort()).toEqual(
        ['inner', 'outer'].filter((id) =>
          recipe.patterns.some((p) => p.group === id || (id === 'outer' && p.group === 'inner')),
        ),
      )
      return recipe.patterns.map(({ group }) => group)
    }
    expect(groupsOf(['a'])).toEqual([undefined])
    expect(groupsOf(['a', 'b'])).toEqual(['outer', 'outer'])
    expect(groupsOf(['a', 'c'])).toEqual(['inner', 'inner'])
    const image = aPattern(
      { ...plainReflection('across'), kind: 'mirror', sources: [{ kind: 'group', id: 'inner' }] },
      [],
      { id: 'image', name: 'Image' },
    )
    const one = { ...project, patterns: [row('a', 'inner'), image] }
    expect(groupsOf(['image'], one)).toContain('inner')
  })

  it('is used with the parts that are given, and brings placeholders for those that are not', () => {
    const project = shop()
    const recipe = recipeOf(project, ['bulbs'], { parts: project.parts, meshes: new Map() })
    const to = aProject([box('crate', 0.2), box('jar', 0.3)])
    const given = new Map([
      ['tin', 'crate'],
      ['jar', 'crate'],
    ])
    const { patterns, parts } = bringIn(to, recipe, newId, given)
    expect(readProject(structuredClone(to))).toMatchObject({ ok: true })
    expect(parts).toBe(1)
    expect(to.parts.map(({ name }) => name)).toEqual(['crate', 'jar', 'bulb'])
    expect(to.patterns[0].deal.parts).toEqual(['crate', 'crate'])
    // The gap that was asked holds between the new ones: 200 mm and 12 mm from pivot to pivot.
    const places = placesOf(to, patterns[0])
    expect(places[3] - places[0]).toBeCloseTo(0.212, 12)
    expect(to.patterns[0].touchUps).toEqual({ '1': { move: [0, 0.02, 0] } })
  })
})
