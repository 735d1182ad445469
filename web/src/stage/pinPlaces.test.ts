import fc from 'fast-check'
import { expect, it } from 'vitest'
import { Labels, pinPlaces, WORD } from './pinPlaces'

const size = { width: 660, height: 600 }
const at = (x: number, y: number, words: string) => ({ x, y, words })

it('pins that stand apart have the shortest stem and their words', () => {
  expect(pinPlaces([at(100, 300, 'move'), at(300, 300, 'end')], size, new Labels())).toEqual([
    { stem: 30, named: true },
    { stem: 30, named: true },
  ])
})

it('one that stands beside another is raised until its word has room', () => {
  const [move, pitch, end, more] = pinPlaces(
    [at(100, 300, 'move'), at(122, 298, 'pitch'), at(300, 300, 'end'), at(304, 301, 'more')],
    size,
    new Labels(),
  )
  expect([move, end]).toEqual(Array(2).fill({ stem: 30, named: true }))
  expect([pitch, more]).toEqual(Array(2).fill({ stem: 86, named: true }))
})

it('words give way to labels that stand already', () => {
  const labels = new Labels()
  labels.take({ x: 100, y: 300 - 30 - WORD, width: 80 })
  expect(pinPlaces([at(100, 300, 'move')], size, labels)).toEqual([{ stem: 86, named: true }])
})

it('no head covers the dot of a copy, which is pressed as well', () => {
  const dot = { x: 104, y: 264 }
  expect(pinPlaces([at(100, 300, 'move')], size, new Labels(), [dot])).toEqual([{ stem: 58, named: true }])
})

it('near the upper edge a pin hangs down, and stays in the picture', () => {
  expect(pinPlaces([at(100, 20, 'move')], size, new Labels())).toEqual([{ stem: -30, named: true }])
})

it('knobs without a stem stay where they are', () => {
  const knobs = [100, 104].map((x) => ({ ...at(x, 300, ''), plain: true }))
  expect(pinPlaces(knobs, size, new Labels())).toEqual(Array(2).fill({ stem: 0, named: false }))
})

it('of four pins anywhere no two heads are within reach of one press, and every head is in the picture', () => {
  const foot = fc.record({ x: fc.integer({ min: 0, max: 660 }), y: fc.integer({ min: 0, max: 600 }) })
  fc.assert(
    fc.property(fc.array(foot, { maxLength: 4 }), (feet) => {
      const pins = feet.map(({ x, y }, i) => at(x, y, ['move', 'pitch', 'end', 'more'][i]))
      const heads = pinPlaces(pins, size, new Labels()).map(({ stem }, i) => ({ x: pins[i].x, y: pins[i].y - stem }))
      for (const [i, a] of heads.entries()) {
        expect(a.y).toBeGreaterThanOrEqual(0)
        expect(a.y).toBeLessThanOrEqual(size.height)
        for (const b of heads.slice(0, i)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(26)
      }
    }),
    {
      numRuns: 500,
      examples: [
        // All near the upper edge, where each can only hang down.
        [[0, 0, 3, 3].map((y) => ({ x: 0, y }))],
        [[3, 3, 0].map((y) => ({ x: 0, y }))],
      ],
    },
  )
})
