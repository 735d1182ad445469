import { describe, expect, it } from 'vitest'
import { aProject, box } from '../../test/projects'
import { bind, type BoundChoice, type BoundNumber, type Item } from '../sentences/bind'
import { knowledge } from '../sentences/knowledge'
import type { TouchUp } from './pattern'
import { touchUpSentence } from './touchUpSentence'

const project = aProject([box('tin', 0.1), box('cup', 0.05)])
const items = (touched: TouchUp) =>
  bind(touchUpSentence, { root: touched, into: (t: TouchUp) => t }, { knows: knowledge, project, unit: 'mm' })
const numbers = (touched: TouchUp) =>
  items(touched).filter((item): item is BoundNumber<TouchUp> => (item as Item<TouchUp>).is === 'number')

describe('what was done to a copy by hand', () => {
  it('is told axis by axis, with what was not touched as it is laid out', () => {
    expect(numbers({ turn: [0, 0.5, 0] }).map((n) => [n.label, n.value])).toEqual([
      ['Moved across', 0],
      ['Moved up', 0],
      ['Moved deep', 0],
      ['Turned about across', 0],
      ['Turned about up', 0.5],
      ['Turned about deep', 0],
      ['Sized across', 1],
      ['Sized up', 1],
      ['Sized deep', 1],
    ])
  })
  it('is changed value by value, the others of its kind staying', () => {
    const touched: TouchUp = { move: [0.1, 0.2, 0.3] }
    const [, up, , , , , sized] = numbers(touched)
    up.write(touched, 0.25)
    sized.write(touched, 2)
    expect(touched).toEqual({ move: [0.1, 0.25, 0.3], size: [2, 1, 1] })
    expect(sized.check(0)).toBeDefined()
    expect(sized.check(0.5)).toBeUndefined()
  })
  it('gives it a part of the project, or the one that is dealt', () => {
    const part = items({}).find((item): item is BoundChoice<TouchUp> => item.is === 'choice')!
    expect(part.options.map((o) => o.words)).toEqual(['as dealt', ...project.parts.map((p) => p.name)])
    const touched: TouchUp = {}
    part.write(touched, 'cup')
    expect(touched.part).toBe('cup')
    part.write(touched, '')
    expect(touched.part).toBeUndefined()
  })
  it('gives it a colour, which begins with that of the part that stands there', () => {
    const colors = (touched: TouchUp) =>
      items(touched).flatMap((item) => (item.is === 'color' ? [[item.label, item.value]] : []))
    expect(colors({})).toEqual([])
    const touched: TouchUp = { part: 'cup' }
    const whose = items(touched).filter((item): item is BoundChoice<TouchUp> => item.is === 'choice')[1]
    whose.write(touched, 'own')
    expect(touched.color).toBe(project.parts[1].look.color)
    expect(colors(touched)).toEqual([['Own colour of this copy', project.parts[1].look.color]])
    whose.write(touched, 'dealt')
    expect(touched.color).toBeUndefined()
  })
})
