import { describe, expect, it } from 'vitest'
import { nudgeStep, scrubbed } from './steps'

describe('scrubbing', () => {
  it('gives round figures', () => {
    const step = nudgeStep('length', 'mm')
    expect(scrubbed(0.012, 1, step, 'length')).toBe(0.013)
    expect(scrubbed(0.0127, 1, step, 'length')).toBe(0.014)
    expect(scrubbed(0.012, -20, step, 'length')).toBe(-0.008)
    expect(scrubbed(0.012, 0.3, step, 'length')).toBe(0.0123)
  })

  it('counts whole copies and eighths of an inch', () => {
    expect(scrubbed(9, 2.4, 1, 'count')).toBe(11)
    expect(scrubbed(0.0254, 1, nudgeStep('length', 'in'), 'length')).toBeCloseTo(0.0254 * 1.125, 12)
  })
})
