import { type Result, refused } from '../words'
import { ratio, valueOf } from './ratio'
import { type LengthUnit, unitNamed } from './units'

/** Whether areas are shown in square feet, where lengths are in inches. */
const inFeet = (unit: LengthUnit): boolean => unit === 'in' || unit === 'ftin'

/** Square metres to the unit of area that goes with a unit of length. */
export const areaUnit = (unit: LengthUnit): { readonly words: string; readonly size: number } =>
  inFeet(unit) ? { words: 'ft²', size: valueOf(ratio(3048, 10_000)) ** 2 } : { words: 'm²', size: 1 }

const per = /^(.*?)(?:\/|÷|per\b|to the\b)\s*(?:(sq|square)\s+)?([a-zµ]+)\s*(²|\^?2)?$/iu

/**
 * So many copies to an area, as people type it: `12`, `12 /m²`, `12 / ft2`, `3 × 4 per sq ft`.
 *
 * @returns what is typed before the area, and how many square metres that is; a plain number goes by the area that is shown
 */
export function splitDensity(text: string, shown: LengthUnit): Result<{ sum: string; area: number }> {
  const [, sum, square, name, power] = per.exec(text.trim()) ?? []
  if (name === undefined) return { ok: true, value: { sum: text, area: areaUnit(shown).size } }
  const unit = unitNamed(name, 'length')
  if (unit?.quantity !== 'length' || !(square || power))
    return refused(`“${text.trim()}” does not say on what area. Type a density such as 12 /m² or 2 /ft².`)
  return { ok: true, value: { sum, area: valueOf(unit.size) ** 2 } }
}
