import type { LengthUnit, Quantity } from '@hilera/core/numbers/units'

/** What one press of an arrow key adds, in the core's units: a millimetre, an eighth of an inch, a degree, one copy. */
export function nudgeStep(quantity: Quantity, unit: LengthUnit): number {
  if (quantity === 'length') return unit === 'in' || unit === 'ftin' ? 0.0254 / 8 : 0.001
  if (quantity === 'angle') return Math.PI / 180
  return quantity === 'count' ? 1 : 0.01
}

/** A value some steps further, brought onto whole steps when it lay on none, so that scrubbing gives round figures. */
export function scrubbed(value: number, steps: number, step: number, quantity: Quantity): number {
  if (quantity === 'count') return Math.round(value) + Math.round(steps)
  const small = Math.abs(steps) < 1 ? step / 10 : step
  const whole = Math.round(value / small + (steps * step) / small)
  // A division by a whole number is rounded once: 13 steps of 1 mm are exactly the double nearest to 0.013.
  const per = 1 / small
  return Math.abs(per - Math.round(per)) < 1e-6 ? whole / Math.round(per) : whole * small
}
