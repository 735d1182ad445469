import { describe, expect, it } from 'vitest'
import { reading } from './measuring'

type Measure = 'pitch' | 'gap' | 'overall'
const state = (measure: Measure, spacing: number) => ({ measure, spacing })

describe('reading a spacing in another way', () => {
  it('there and back is nothing, by whatever way', () => {
    const s = state('gap', 7.1)
    reading('a', s, 'pitch', 126.82)(s)
    expect(s).toEqual(state('pitch', 126.82))
    reading('a', s, 'overall', 245.9)(s)
    reading('a', s, 'gap', 9.82)(s)
    expect(s).toEqual(state('gap', 7.1))
  })

  it('what was typed since is what is asked', () => {
    const s = state('gap', 7.1)
    reading('b', s, 'pitch', 126.82)(s)
    s.spacing = 130
    reading('b', s, 'gap', 11)(s)
    expect(s).toEqual(state('gap', 11))
  })

  it('one pattern knows nothing of another', () => {
    const s = state('pitch', 126.82)
    reading('c', state('gap', 7.1), 'pitch', 126.82)
    reading('d', s, 'gap', 9)(s)
    expect(s).toEqual(state('gap', 9))
  })
})
