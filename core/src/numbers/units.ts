import { type Ratio, fromDecimal, ratio } from './ratio'

/** What a field holds. A plain number typed into it takes the unit that the field shows. */
export const quantities = ['length', 'angle', 'share', 'count', 'factor', 'density', 'time'] as const
export type Quantity = (typeof quantities)[number]

/** The units that lengths can be shown in; `ftin` is feet, inches and sixteenths. */
export const lengthUnits = ['mm', 'cm', 'm', 'in', 'ftin'] as const
export type LengthUnit = (typeof lengthUnits)[number]

export interface UnitMeaning {
  readonly quantity: 'length' | 'angle' | 'share' | 'time'
  /** In metres, degrees, parts of one or seconds. */
  readonly size: Ratio
}

const length = (n: number, d: number): UnitMeaning => ({ quantity: 'length', size: ratio(n, d) })
const angle = (n: number, d: number): UnitMeaning => ({ quantity: 'angle', size: ratio(n, d) })

export const inch = length(254, 10_000)
export const foot = length(3048, 10_000)
const degree = angle(1, 1)
const time = (n: number, d: number): UnitMeaning => ({ quantity: 'time', size: ratio(n, d) })

/**
 * Every spelling that the fields read. Inch, foot, yard and mile by the international agreement of 1959
 * (1 in = 25.4 mm exactly); point and pica as in CSS Values 4 (72 and 6 to the inch).
 */
const spellings: Record<string, UnitMeaning> = {
  µm: length(1, 1_000_000),
  um: length(1, 1_000_000),
  mm: length(1, 1000),
  cm: length(1, 100),
  dm: length(1, 10),
  m: length(1, 1),
  km: length(1000, 1),
  in: inch,
  inch: inch,
  inches: inch,
  '"': inch,
  '″': inch,
  '”': inch,
  ft: foot,
  foot: foot,
  feet: foot,
  "'": foot,
  '′': foot,
  '’': foot,
  yd: length(9144, 10_000),
  mi: length(1_609_344, 1000),
  pt: length(254, 720_000),
  pc: length(254, 60_000),
  deg: degree,
  '°': degree,
  gon: angle(9, 10),
  turn: angle(360, 1),
  turns: angle(360, 1),
  rad: { quantity: 'angle', size: fromDecimal(`${180 / Math.PI}`) },
  '%': { quantity: 'share', size: ratio(1, 100) },
  s: time(1, 1),
  sec: time(1, 1),
  ms: time(1, 1000),
  min: time(60, 1),
}

/** In a field for angles the small strokes are minutes and seconds of arc, not feet and inches. */
const anglesOnly: Record<string, UnitMeaning> = {
  "'": angle(1, 60),
  '′': angle(1, 60),
  '’': angle(1, 60),
  '"': angle(1, 3600),
  '″': angle(1, 3600),
  '”': angle(1, 3600),
}

/** @param rate pictures a second: in a field for times `f` is one of them */
export function unitNamed(spelling: string, field: Quantity, rate = 24): UnitMeaning | undefined {
  const word = spelling.toLowerCase()
  if (field === 'time' && word === 'f') return time(1, rate)
  return (
    (field === 'angle' ? anglesOnly[word] : undefined) ?? (Object.hasOwn(spellings, word) ? spellings[word] : undefined)
  )
}

/** What a plain number means in a field: metres, degrees, parts of one or seconds for each 1 typed. */
export function fieldUnit(field: Quantity, shown: LengthUnit): Ratio {
  if (field === 'length') return shown === 'ftin' ? inch.size : spellings[shown].size
  if (field === 'share') return ratio(1, 100)
  return ratio(1)
}
