import { describe, expect, it } from 'vitest'
import { aProject, box } from '../../test/projects'
import type { Part } from '../model/part'
import { bind, type BoundChoice, type BoundNumber, type Item } from '../sentences/bind'
import { knowledge } from '../sentences/knowledge'
import type { Template } from '../sentences/nodes'
import { pivotSentence, sidesSentence } from './frameSentence'

const tin = (): Part => box('tin', 0.1)
const around = { knows: knowledge, project: aProject([tin()]), unit: 'mm' } as const
const items = (template: Template<Part>, part: Part): Item<Part>[] =>
  bind(template, { root: part, into: (p: Part) => p }, around)
const choice = (all: Item<Part>[], label: string) =>
  all.find((item): item is BoundChoice<Part> => item.is === 'choice' && item.label === label)!
const number = (all: Item<Part>[], label: string) =>
  all.find((item): item is BoundNumber<Part> => item.is === 'number' && item.label === label)!

describe('how a shape stands in its part', () => {
  const placed = pivotSentence({ low: [-0.05, 0, -0.06], high: [0.05, 0.15, 0.06] }, 'stay')

  it('names the places that its pivot can be at, and finds the one where it is', () => {
    const part = tin()
    // A box is made with its pivot in the middle of its base.
    expect(choice(items(placed, part), 'Pivot').value).toBe('made')
    for (const [place, at] of [
      ['centre', [0, 0.075, 0]],
      ['corner', [-0.05, 0, -0.06]],
    ] as const) {
      choice(items(placed, part), 'Pivot').write(part, place)
      expect(part.frame).toEqual({ pivot: at, up: 'top', front: 'front' })
      expect(choice(items(placed, part), 'Pivot').value).toBe(place)
    }
    number(items(placed, part), 'Pivot up').write(part, 0.01)
    expect(part.frame?.pivot).toEqual([-0.05, 0.01, -0.06])
    expect(choice(items(placed, part), 'Pivot').value).toBe('typed')
  })

  it('keeps no frame where it stands as it was made', () => {
    const part = tin()
    number(items(placed, part), 'Pivot across').write(part, 0.02)
    expect(part.frame).toBeDefined()
    choice(items(placed, part), 'Pivot').write(part, 'made')
    expect(part).toEqual(tin())
  })

  it('lets the other side give way where both would lie on one axis', () => {
    const part = tin()
    choice(items(sidesSentence, part), 'Up axis').write(part, 'back')
    expect(part.frame).toMatchObject({ up: 'back', front: 'top' })
    choice(items(sidesSentence, part), 'Front axis').write(part, 'right')
    expect(part.frame).toMatchObject({ up: 'back', front: 'right' })
    choice(items(sidesSentence, part), 'Front axis').write(part, 'front')
    expect(part.frame).toMatchObject({ up: 'right', front: 'front' })
  })
})
