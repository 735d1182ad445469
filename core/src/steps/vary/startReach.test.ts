import { InstanceTable } from '../../instances'
import { step } from '../index'
import { describe, expect, it } from 'vitest'
import { boxOfCopies, startReach } from './startReach'
import { startVariation } from './start'

const table = new InstanceTable()
table.neutral(3)
table.position.set([0, 0, 0, 1.2, 0.1, 0.3, 0.6, 0, 0.6])

describe('where a variation starts out to reach', () => {
  it('takes the box of the copies, and none without copies', () => {
    expect(boxOfCopies(table)).toEqual({ middle: [0.6, 0.05, 0.3], size: [1.2, 0.1, 0.6] })
    expect(boxOfCopies(undefined)).toEqual({ middle: [0, 0, 0], size: [0, 0, 0] })
  })

  it.each(['point', 'plane', 'rectangle', 'ellipse', 'of garland'])(
    '%s gives a step that the document takes',
    (kind) => {
      const reach = startReach(kind, table, undefined, 'mm')
      const whole = { kind: 'vary', id: 'v', ...startVariation('size', 1), share: 1, strength: 1, reach }
      expect(step.safeParse(whole).success).toBe(true)
    },
  )

  it('about the middle, over a length that reads well; areas with a sharp edge', () => {
    expect(startReach('point', table, undefined, 'mm')).toEqual({
      from: { kind: 'point', point: [0.6, 0.05, 0.3] },
      full: 0,
      none: 0.5,
      easing: 'evenly',
    })
    expect(startReach('ellipse', table, undefined, 'mm')).toMatchObject({ full: 0, none: 0 })
    const inches = startReach('point', table, undefined, 'in').none / 0.0254
    expect(inches).toBeCloseTo(24, 9)
  })

  it('keeps its fade when what it is near to changes', () => {
    const before = { ...startReach('point', table, undefined, 'mm'), full: 0.1, none: 0.7, easing: 'slowBoth' as const }
    expect(startReach('plane', table, before, 'mm')).toMatchObject({ full: 0.1, none: 0.7, easing: 'slowBoth' })
  })
})
