import { describe, expect, it } from 'vitest'
import { freeName } from './names'

describe('names', () => {
  it('that are taken get the next number, whatever their case', () => {
    expect(freeName('Box', [])).toBe('Box')
    expect(freeName('Box', ['box'])).toBe('Box 2')
    expect(freeName('Box 2', ['Box', 'Box 2', 'BOX 3'])).toBe('Box 4')
    expect(freeName('x'.repeat(80), ['x'.repeat(80)]).length).toBeLessThanOrEqual(80)
  })
})
