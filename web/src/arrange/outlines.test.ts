import { describe, expect, it } from 'vitest'
import { enclosed, isInside, rectangle, touched } from './outlines'

const square = (x: number, y: number, size: number) => rectangle({ x, y }, { x: x + size, y: y + size })

describe('outlines on the screen', () => {
  const outline = square(0, 0, 100)

  it('tell inside from outside, also where they are concave', () => {
    const ell = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 20 },
      { x: 20, y: 20 },
      { x: 20, y: 100 },
      { x: 0, y: 100 },
    ]
    expect(isInside({ x: 10, y: 90 }, ell)).toBe(true)
    expect(isInside({ x: 60, y: 60 }, ell)).toBe(false)
  })

  it('enclose a thing only with all of its corners', () => {
    expect(enclosed(square(10, 10, 20), outline)).toBe(true)
    expect(enclosed(square(90, 10, 20), outline)).toBe(false)
  })

  it.each([
    ['inside', square(10, 10, 20), true],
    ['over an edge', square(90, 10, 20), true],
    ['around the outline', square(-50, -50, 300), true],
    // A long thing that lies across: none of its corners is inside, and none of the outline's in it.
    [
      'across',
      [
        { x: -20, y: 40 },
        { x: 120, y: 40 },
        { x: 120, y: 60 },
        { x: -20, y: 60 },
      ],
      true,
    ],
    ['beside', square(120, 10, 20), false],
  ])('touch a thing %s: %#', (_, corners, expected) => expect(touched(corners, outline)).toBe(expected))
})
