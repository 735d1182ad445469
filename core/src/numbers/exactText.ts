import { areaUnit } from './density'
import { parseQuantity } from './parse'
import { type Ratio, fromDecimal, ratio, valueOf } from './ratio'
import { PI } from './pi'
import { type LengthUnit, type Quantity, inch } from './units'

/** No double needs more figures than these, in whatever unit it is written. */
const MOST_FIGURES = 21

/**
 * A value as plain text that is read back as the same double: the shortest decimal that does so, with its unit.
 *
 * @param value metres, radians, seconds, parts of one, copies to the square metre, or the number itself
 * @param unit the unit of lengths; feet and inches are written in inches
 * @returns "12.7 mm", "22.5°", "40 %", "9"
 */
export function exactText(value: number, field: Quantity, unit: LengthUnit): string {
  if (field === 'count' || field === 'factor') return String(value)
  if (value === 0) return `0${suffix(field, unit)}`
  const exact = fromDecimal(Math.abs(value).toPrecision(60)).div(sizeOf(field, unit))
  for (let figures = 1; figures < MOST_FIGURES; figures++) {
    const text = `${value < 0 ? '-' : ''}${decimalOf(exact, figures)}${suffix(field, unit)}`
    const read = parseQuantity(text, field, unit)
    if (read.ok && read.value === value) return text
  }
  // A density goes by an area that is rounded itself: in square metres it is the number as it stands.
  return field === 'density'
    ? `${value} /m²`
    : `${value < 0 ? '-' : ''}${decimalOf(exact, MOST_FIGURES)}${suffix(field, unit)}`
}

const isInches = (unit: LengthUnit): boolean => unit === 'in' || unit === 'ftin'

function sizeOf(field: Quantity, unit: LengthUnit): Ratio {
  if (field === 'angle') return PI.div(180)
  if (field === 'share') return ratio(1, 100)
  if (field === 'time') return ratio(1)
  if (field === 'density') return fromDecimal((1 / areaUnit(unit).size).toPrecision(60))
  return isInches(unit) ? inch.size : { mm: ratio(1, 1000), cm: ratio(1, 100), m: ratio(1) }[unit as 'mm' | 'cm' | 'm']
}

function suffix(field: Quantity, unit: LengthUnit): string {
  if (field === 'angle') return '°'
  if (field === 'share') return ' %'
  if (field === 'time') return ' s'
  if (field === 'density') return ` /${areaUnit(unit).words}`
  return ` ${isInches(unit) ? 'in' : unit}`
}

/** A positive number to so many figures, without an exponent and without zeros at its end. */
function decimalOf(number: Ratio, figures: number): string {
  const power = Math.floor(Math.log10(valueOf(number)))
  const places = figures - 1 - power
  const scale = 10n ** BigInt(Math.abs(places))
  const [n, d] = places >= 0 ? [number.n * scale, number.d] : [number.n, number.d * scale]
  const rounded = (2n * n + d) / (2n * d)
  if (places <= 0) return `${rounded * scale}`
  const digits = rounded.toString().padStart(places + 1, '0')
  const [whole, part] = [digits.slice(0, -places), digits.slice(-places).replace(/0+$/, '')]
  return part ? `${whole}.${part}` : whole
}
