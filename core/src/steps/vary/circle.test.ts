import fc from 'fast-check'
import { expect, it } from 'vitest'
import { circle } from './circle'

const at = (turns: number): [number, number] => {
  const out = new Float64Array(2)
  circle(turns, out)
  return [out[0], out[1]]
}

it('is the cosine and the sine of any share of a turn, to the last bits', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }), (turns) => {
      const [cos, sin] = at(turns)
      // 2π times a share is itself rounded, by up to 4e-16 near a whole turn.
      expect(Math.abs(cos - Math.cos(2 * Math.PI * turns))).toBeLessThan(2e-15)
      expect(Math.abs(sin - Math.sin(2 * Math.PI * turns))).toBeLessThan(2e-15)
      expect(Math.abs(cos * cos + sin * sin - 1)).toBeLessThan(2e-15)
    }),
    { numRuns: 2000 },
  )
})

it('meets the quarters exactly', () => {
  const quarters = [0, 0.25, 0.5, 0.75].map((t) => at(t).map((n) => n + 0))
  expect(quarters).toEqual([
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
  ])
})
