import { describe, expect, it } from 'vitest'
import { formatLength } from '../numbers/format'
import { newParts, roundIn } from './newParts'

/** All lengths of a shape, at any depth. */
const numbersIn = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inner]) =>
          ['kind', 'turns', 'sides', 'brightness', 'angle'].includes(key) ? [] : numbersIn(inner),
        )
      : []

describe('new parts', () => {
  it('begin in round figures of the unit in which lengths are told', () => {
    const { box, cylinder } = newParts
    expect(roundIn(box.shape, 'mm')).toBe(box.shape)
    const inches = roundIn(box.shape, 'in')
    expect(numbersIn(inches).map((n) => formatLength(n, 'in').replace(/\s/g, ' '))).toEqual(['4 in', '4 in', '4 in'])
    expect(numbersIn(roundIn(cylinder.shape, 'in')).map((n) => (n / 0.0254).toFixed(9))).toEqual([
      '3.200000000',
      '4.800000000',
    ])
  })

  it('all of their lengths go along, and nothing else', () => {
    for (const { shape } of Object.values(newParts)) {
      const [before, after] = [numbersIn(shape), numbersIn(roundIn(shape, 'ftin'))]
      expect(after).toHaveLength(before.length)
      for (const [i, n] of before.entries()) expect(after[i]).toBeCloseTo(n * 1.016, 12)
      const counted = JSON.stringify(shape).match(/"(turns|sides|brightness|angle)":[^,}]*/g)
      expect(JSON.stringify(roundIn(shape, 'ftin')).match(/"(turns|sides|brightness|angle)":[^,}]*/g)).toEqual(counted)
    }
  })
})
