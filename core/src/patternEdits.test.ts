import { describe, expect, it } from 'vitest'
import { aLine, aPattern } from '../test/projects'
import { touchUpCopy } from './patternEdits'

describe('touching up', () => {
  it('adds, and drops what comes to nothing', () => {
    const pattern = aPattern(aLine(), ['tin'])
    touchUpCopy(pattern, '3', { move: [0, 1, 0] })
    touchUpCopy(pattern, '3', { empty: true })
    expect(pattern.touchUps).toEqual({ '3': { move: [0, 1, 0], empty: true } })
    touchUpCopy(pattern, '3', { move: [0, 0, 0] })
    touchUpCopy(pattern, '3', { empty: undefined })
    expect(pattern.touchUps).toEqual({})
  })
})
