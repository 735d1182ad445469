import type { Strip } from '@hilera/core/spacing/strip'
import { describe, expect, it } from 'vitest'
import { figuresWithRoom, readBetween, rulerMarks, scaleFor } from './stripLayout'

const strip: Strip = {
  count: 2,
  row: Uint32Array.of(0, 1),
  low: Float64Array.of(0, 0.15),
  high: Float64Array.of(0.1, 0.25),
  pivot: Float64Array.of(0.05, 0.2),
}

describe('the strip', () => {
  it('fits its room and its copies between the margins', () => {
    const { perMetre, zero } = scaleFor(strip, { low: 0, high: 0.5 }, 1000, 50)
    expect(perMetre).toBe(1800)
    expect(zero).toBe(50)
    expect(scaleFor(strip, { low: -0.5, high: 0.1 }, 850, 50)).toEqual({ perMetre: 1000, zero: 550 })
  })

  it('reads one place in three ways', () => {
    expect(readBetween(strip, 0, 'pitch')).toBeCloseTo(0.15, 12)
    expect(readBetween(strip, 0, 'gap')).toBeCloseTo(0.05, 12)
    expect(readBetween(strip, 0, 'overall')).toBeCloseTo(0.25, 12)
  })

  it('marks the ruler at whole steps', () => {
    const marks = rulerMarks(-0.005, 0.205, 0.1)
    expect(marks.filter((m) => m.named).map((m) => m.at)).toEqual([0, 0.1, 0.2])
    expect(marks).toHaveLength(21)
  })

  it('has the zero alone where no step is wide enough', () => {
    expect(rulerMarks(0, 1, Infinity)).toEqual([{ at: 0, named: true }])
  })

  it('figures without room give way, first those that matter less; none stands on another', () => {
    const at = (k: number, matters = false) => ({ at: 10 * k, text: '-91.79', matters })
    const shown = figuresWithRoom([at(0), at(1, true), at(2), at(9), at(10)])
    expect(shown).toEqual([false, true, false, true, false])
    expect(figuresWithRoom([at(0), at(10), at(20)])).toEqual([true, true, true])
  })
})
