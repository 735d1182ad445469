import type { Facts, Range, Segment, Sentence } from '../words'
import { areaUnit } from './density'
import { inch, type LengthUnit, type Quantity } from './units'
import { valueOf } from './ratio'

const NARROW = '\u202f'

/** Metres to one of the unit, as a division or product by a whole number: 0.0127 m is exactly 12.7 mm. */
const perMetre: Record<Exclude<LengthUnit, 'ftin'>, (m: number) => number> = {
  mm: (m) => m * 1000,
  cm: (m) => m * 100,
  m: (m) => m,
  in: (m) => (m * 10_000) / 254,
}

const decimals: Record<Exclude<LengthUnit, 'ftin'>, number> = { mm: 2, cm: 3, m: 4, in: 4 }

/** Figures with thousands set apart by a narrow space and no trailing zeros; rounds half away from zero. */
export function formatNumber(value: number, places = 2): string {
  if (!Number.isFinite(value)) return '–'
  const [whole, part] = Math.abs(tidy(value)).toFixed(places).split('.')
  const kept = part?.replace(/0+$/, '')
  const grouped = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, NARROW) : whole
  const text = kept ? `${grouped}.${kept}` : grouped
  return value < 0 && text !== '0' ? `−${text}` : text
}

/**
 * A length in metres as people read it, with its unit: 1.18 is "1 180 mm"; 0.5 ft in feet and inches is `6"`.
 * Only the text is rounded (mm 0.01, cm 0.001, m 0.0001, in 0.0001, feet and inches to the sixteenth).
 */
export function formatLength(metres: number, unit: LengthUnit): string {
  return unit === 'ftin' ? formatLengthBare(metres, unit) : `${formatLengthBare(metres, unit)}${NARROW}${unit}`
}

/** From one length to another, as one where they read alike: "18.2 to 31 mm". */
export function formatLengths([least, most]: Range, unit: LengthUnit): string {
  const [from, to] = [formatLength(least, unit), formatLength(most, unit)]
  return from === to ? to : `${formatLengthBare(least, unit)} to ${to}`
}

/** The same without the unit, for rulers and dimension lines that state it once. */
export function formatLengthBare(metres: number, unit: LengthUnit): string {
  if (unit !== 'ftin') return formatNumber(perMetre[unit](metres), decimals[unit])
  // What is rounded to the sixteenth is told from what is not.
  const sixteenths = (metres / valueOf(inch.size)) * 16
  return `${Math.abs(sixteenths - Math.round(sixteenths)) > 1e-6 ? '≈ ' : ''}${formatFeetInches(metres)}`
}

/** Feet, inches and a fraction of an inch to the nearest 1/16 (or another power of two): `3' 3 3/8"`. */
export function formatFeetInches(metres: number, denominator = 16): string {
  const parts = Math.round((Math.abs(metres) / valueOf(inch.size)) * denominator)
  const perFoot = 12 * denominator
  const feet = Math.floor(parts / perFoot)
  const inches = Math.floor((parts % perFoot) / denominator)
  let over = parts % denominator
  let under = denominator
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2]
  const fraction = over > 0 ? `${over}/${under}` : ''
  const small = [inches > 0 || (!fraction && feet === 0) ? `${inches}` : '', fraction].filter(Boolean).join(' ')
  const text = [feet > 0 ? `${feet}'` : '', small ? `${small}"` : ''].filter(Boolean).join(' ')
  return metres < 0 && parts > 0 ? `−${text}` : text
}

/** An angle in radians, shown in degrees to a hundredth. */
export const formatAngle = (radians: number): string => `${formatNumber((radians * 180) / Math.PI, 2)}°`

/** Square metres in the unit of area that goes with a unit of length. */
export function formatArea(squareMetres: number, unit: LengthUnit): string {
  const { words, size } = areaUnit(unit)
  return `${formatNumber(squareMetres / size, 3)}${NARROW}${words}`
}

/** Copies to the square metre, by the same unit of area: "45.5 /m²". */
export function formatDensity(perSquareMetre: number, unit: LengthUnit): string {
  const { words, size } = areaUnit(unit)
  return `${formatNumber(perSquareMetre * size, 3)}${NARROW}/${words}`
}

/** Seconds to a thousandth. */
export const formatTime = (seconds: number): string => `${formatNumber(seconds, 3)}${NARROW}s`

/** Any value as its field shows it. */
export function formatQuantity(value: number, field: Quantity, unit: LengthUnit): string {
  switch (field) {
    case 'length':
      return formatLength(value, unit)
    case 'angle':
      return formatAngle(value)
    case 'share':
      return `${formatNumber(value * 100, 1)}${NARROW}%`
    case 'count':
      return formatNumber(value, 0)
    case 'factor':
      return formatNumber(value, 3)
    case 'density':
      return formatDensity(value, unit)
    case 'time':
      return formatTime(value)
  }
}

/**
 * A value as it stands in a field that is being edited: in the field's unit to twelve figures, so that accepting it
 * unchanged changes nothing that can be seen. Typing is compared with this text: unchanged text leaves the value alone.
 */
export function editText(value: number, field: Quantity, unit: LengthUnit): string {
  switch (field) {
    case 'length':
      return unit === 'ftin' ? `${figures(perMetre.in(value))} in` : `${figures(perMetre[unit](value))} ${unit}`
    case 'angle':
      return `${figures((value * 180) / Math.PI)}°`
    case 'share':
      return `${figures(value * 100)} %`
    case 'time':
      return `${figures(value)} s`
    case 'density':
      return `${figures(value * areaUnit(unit).size)} /${areaUnit(unit).words}`
    default:
      return figures(value)
  }
}

/** One segment of a sentence as text. */
export function segmentText(segment: Segment, unit: LengthUnit): string {
  if (typeof segment === 'string') return segment
  if ('words' in segment) return segment.words
  if ('length' in segment) return formatLength(segment.length, unit)
  if ('lengths' in segment) return formatLengths(segment.lengths, unit)
  if ('angle' in segment) return formatAngle(segment.angle)
  if ('share' in segment) return formatQuantity(segment.share, 'share', unit)
  if ('area' in segment) return formatArea(segment.area, unit)
  if ('density' in segment) return formatDensity(segment.density, unit)
  if ('time' in segment) return formatTime(segment.time)
  if ('factor' in segment) return formatNumber(segment.factor, 3)
  return formatNumber(segment.count, 0)
}

/** A whole sentence as text, for the clipboard, titles and messages. */
export const sentenceText = (sentence: Sentence, unit: LengthUnit): string =>
  sentence.map((segment) => segmentText(segment, unit)).join('')

/** Facts side by side, as they stand under a sentence. */
export const factsText = (facts: Facts, unit: LengthUnit): string =>
  facts.map(({ says }) => sentenceText(says, unit)).join(' · ')

const figures = (value: number): string => String(Number(value.toPrecision(12)))

/** Takes off the noise of one binary rounding, so that 1.005 shows as 1.01 and 12.000000000000002 as 12. */
const tidy = (value: number): number => Number(value.toPrecision(14))
