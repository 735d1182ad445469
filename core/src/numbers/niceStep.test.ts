import { describe, expect, it } from 'vitest'
import { niceStep } from './niceStep'

describe('a step that reads well', () => {
  it('is 1, 2 or 5 times a power of ten', () => {
    expect(niceStep(0.0031, 'mm')).toBeCloseTo(0.005, 12)
    expect(niceStep(0.12, 'm')).toBeCloseTo(0.2, 12)
    expect(niceStep(0.2, 'm')).toBeCloseTo(0.2, 12)
    expect(niceStep(6, 'cm')).toBeCloseTo(10, 12)
  })

  it('is a part of an inch, a foot, and from ten feet on 1, 2 or 5 times a power of ten feet', () => {
    const inches = (n: number): number => n * 0.0254
    expect(niceStep(inches(0.1), 'in')).toBeCloseTo(inches(1 / 8), 12)
    expect(niceStep(inches(7), 'ftin')).toBeCloseTo(inches(12), 12)
    expect(niceStep(inches(121), 'ftin')).toBeCloseTo(inches(20 * 12), 12)
    // However large: a ruler over a kilometre has some marks, not thousands.
    expect(niceStep(inches(12 * 3000), 'in')).toBeCloseTo(inches(12 * 5000), 9)
  })
})
