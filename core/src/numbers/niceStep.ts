import type { LengthUnit } from './units'

const inch = 0.0254
/** Steps that read well: 1, 2 and 5 in metric, parts of a foot in inches. */
const inchSteps = [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 2, 6, 12, 24, 60, 120].map((n) => n * inch)

/** The smallest step that reads well and is at least so many metres: 1, 2 and 5 times a power of ten, in inches from ten feet on. */
export function niceStep(least: number, unit: LengthUnit): number {
  const small = unit === 'in' || unit === 'ftin' ? inchSteps.find((step) => step >= least) : undefined
  if (small !== undefined) return small
  const whole = unit === 'in' || unit === 'ftin' ? 12 * inch : 1
  const power = 10 ** Math.floor(Math.log10(least / whole))
  return [1, 2, 5, 10].map((n) => n * power * whole).find((step) => step >= least * (1 - 1e-9)) ?? 10 * power * whole
}
