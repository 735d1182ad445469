import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { patternsIn } from './grouping'
import type { listSteps } from './listing'
import { canPlaceInList, listStep, placeInList } from './listing'
import { type Project, readProject } from './project'

/** Three patterns at the top, one in a group, one in a group inside that, and a group beside it. */
function shelves(): Project {
  const project = aProject([box('tin', 0.1)])
  const add = (id: string, group?: string): void =>
    void project.patterns.push(aPattern(aLine(), ['tin'], { id, name: id.toUpperCase(), ...(group && { group }) }))
  add('a')
  add('b')
  add('c')
  add('d', 'g')
  add('e', 'h')
  project.groups.push({ id: 'g', name: 'G' }, { id: 'h', name: 'H', parent: 'g' }, { id: 'i', name: 'I' })
  return project
}
const placesOf = ({ patterns, groups }: Project): string =>
  [
    ...groups.map(({ id, parent = '' }) => `${id}<${parent}`),
    ...patterns.map(({ id, group = '' }) => `${id}<${group}`),
  ].join(' ')
function stepped(id: string, ...steps: (typeof listSteps)[number][]): string {
  const project = shelves()
  for (const step of steps) placeInList(project, id, listStep(project, id, step)!)
  return placesOf(project)
}

describe('the list of patterns and groups', () => {
  it('N2: a pattern goes up and down among those beside it, into the nearest group and out of it', () => {
    expect(stepped('c', 'up')).toBe('g< h<g i< a< c< b< d<g e<h')
    expect(stepped('a', 'down')).toBe('g< h<g i< b< a< c< d<g e<h')
    expect(stepped('b', 'in')).toBe('g< h<g i< a< c< d<g e<h b<i')
    expect(stepped('e', 'out')).toBe('g< h<g i< a< b< c< d<g e<g')
    expect(stepped('d', 'out')).toBe('g< h<g i< d< a< b< c< e<h')
    expect(stepped('d', 'in')).toBe('g< h<g i< a< b< c< e<h d<h')
  })

  it('a group goes with all that is in it: into the group above it, and out to after the one it was in', () => {
    expect(stepped('i', 'in')).toBe('g< h<g i<g a< b< c< d<g e<h')
    expect(stepped('h', 'out')).toBe('g< h< i< a< b< c< d<g e<h')
    expect(stepped('i', 'up')).toBe('i< g< h<g a< b< c< d<g e<h')
  })

  it('has no step where nothing is on that side, and never puts a group into itself', () => {
    const project = shelves()
    expect(listStep(project, 'a', 'up')).toBeUndefined()
    expect(listStep(project, 'a', 'out')).toBeUndefined()
    expect(listStep(project, 'd', 'down')).toBeUndefined()
    expect(listStep(project, 'e', 'in')).toBeUndefined()
    expect(listStep(project, 'g', 'in')).toBeUndefined()
    expect(canPlaceInList(project, 'g', { parent: 'h' })).toBe(false)
    expect(() => placeInList(project, 'g', { parent: 'h' })).toThrow('itself')
  })

  it('whatever is done, nothing is lost, and what was put somewhere comes before what it was put before', () => {
    const ids = ['a', 'b', 'c', 'd', 'e', 'g', 'h', 'i']
    const parents = [undefined, 'g', 'h', 'i']
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...parents), fc.option(fc.constantFrom(...ids)))),
        (moves) => {
          const project = shelves()
          for (const [id, parent, before] of moves) {
            const place = { ...(parent && { parent }), ...(before && { before }) }
            if (!canPlaceInList(project, id, place)) continue
            placeInList(project, id, place)
            const order = [...project.groups, ...project.patterns].map((own) => own.id)
            const isSame = project.groups.some((g) => g.id === id) === project.groups.some((g) => g.id === before)
            if (before && before !== id && isSame) expect(order.indexOf(before)).toBe(order.indexOf(id) + 1)
            if (project.patterns.some((p) => p.id === id) && parent) expect(patternsIn(project, parent)).toContain(id)
          }
          expect(project.patterns.map((p) => p.id).sort()).toEqual(['a', 'b', 'c', 'd', 'e'])
          expect(project.groups.map((g) => g.id).sort()).toEqual(['g', 'h', 'i'])
          expect(readProject(structuredClone(project)).ok).toBe(true)
        },
      ),
    )
  })
})
