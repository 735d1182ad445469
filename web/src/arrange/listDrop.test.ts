import { expect, it } from 'vitest'
import { quickDemo } from '../../test/opened'
import { dropAt } from './listDrop'

const inGroups = () => {
  const project = structuredClone(quickDemo())
  project.groups.push({ id: 'g', name: 'G' }, { id: 'h', name: 'H', parent: 'g' }, { id: 'i', name: 'I' })
  project.patterns[0].group = 'g'
  project.patterns[1].group = 'g'
  return project
}
const [first, second, third, fourth] = inGroups().patterns.map((p) => p.id)

it('a pattern is dropped above or below a pattern, which may lie in a group, and into a group', () => {
  expect(dropAt(inGroups(), fourth, third, 0.2)).toEqual({ place: { before: third }, over: third, edge: 'above' })
  expect(dropAt(inGroups(), fourth, first, 0.8)).toEqual({
    place: { parent: 'g', before: second },
    over: first,
    edge: 'below',
  })
  expect(dropAt(inGroups(), fourth, second, 0.8)?.place).toEqual({ parent: 'g' })
  expect(dropAt(inGroups(), fourth, 'i', 0.1)).toEqual({ place: { parent: 'i' }, over: 'i', edge: 'inside' })
  expect(dropAt(inGroups(), first, undefined, 0)?.place).toEqual({})
})

it('a group is dropped beside a group or into it, never into what lies in it', () => {
  expect(dropAt(inGroups(), 'i', 'g', 0.1)).toEqual({ place: { before: 'g' }, over: 'g', edge: 'above' })
  expect(dropAt(inGroups(), 'i', 'g', 0.5)).toEqual({ place: { parent: 'g' }, over: 'g', edge: 'inside' })
  expect(dropAt(inGroups(), 'g', 'i', 0.9)).toEqual({ place: {}, over: 'i', edge: 'below' })
  expect(dropAt(inGroups(), 'i', first, 0.5)?.place).toEqual({ parent: 'g' })
  expect(dropAt(inGroups(), 'g', 'h', 0.5)).toBeUndefined()
  expect(dropAt(inGroups(), 'g', first, 0.5)).toBeUndefined()
  expect(dropAt(inGroups(), 'g', 'g', 0.5)).toBeUndefined()
})
