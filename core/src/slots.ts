/**
 * Slots: 64-bit identities in two 32-bit halves. A grid's slot holds its three numbers, 21 bits each, so that a change of
 * columns leaves every other copy's slot as it was. A slot of a pattern of patterns holds both of its own.
 */

const LOW_J = 11

/** The low and high half of the slot at column i, row j, layer k (0 to 2²¹ − 1 each). */
export const gridSlotLow = (i: number, j: number): number => (i | ((j & ((1 << LOW_J) - 1)) << 21)) >>> 0
export const gridSlotHigh = (j: number, k: number): number => ((j >>> LOW_J) | (k << 10)) >>> 0

/** Column, row and layer of a grid's slot. */
export function gridPlaceOf(low: number, high: number): [i: number, j: number, k: number] {
  return [low & 0x1fffff, (low >>> 21) | ((high & 0x3ff) << LOW_J), high >>> 10]
}

/** One of the three: 0 for the column, 1 for the row, 2 for the layer. Of a crowd it is asked for each, and makes no list. */
export const gridNumberOf = (which: number, low: number, high: number): number =>
  which === 0 ? low & 0x1fffff : which === 1 ? (low >>> 21) | ((high & 0x3ff) << LOW_J) : high >>> 10

/**
 * The slot of an inner copy within one repetition: exact while both are small, which they are in a pattern of patterns;
 * deeper down it is a 64-bit mix with its top bit set, which no exact slot has.
 */
export function composeSlots(
  outerLow: number,
  outerHigh: number,
  innerLow: number,
  innerHigh: number,
): [low: number, high: number] {
  if (outerHigh === 0 && innerHigh === 0 && outerLow < 0x7ffffffe) return [innerLow, outerLow + 1]
  let a = 0x9e3779b9
  let b = 0x85ebca6b
  for (const word of [outerLow, outerHigh, innerLow, innerHigh]) {
    a = mix(a ^ word)
    b = mix(Math.imul(b, 0x2c1b3c6d) ^ word ^ a)
  }
  return [a >>> 0, (b | 0x80000000) >>> 0]
}

/**
 * The slot of a copy's image: a 64-bit mix of its source's slot, of which image it is, and of what tells this mirror from
 * others, with its top bit set, which no exact slot has. It stays when sources come and go.
 */
export function imageSlot(low: number, high: number, image: number, mirror: number): [low: number, high: number] {
  const a = mix(mix(mix(mix(mirror ^ 0x51f15e) ^ image) ^ high) ^ low)
  const b = mix(mix(mix(mix(mirror ^ 0x2e1d3b) ^ low) ^ image) ^ Math.imul(high, 0x9e3779b1) ^ a)
  return [a, (b | 0x80000000) >>> 0]
}

/** Whether a slot is a mix: that of an image, or of a copy deep in patterns of patterns. Such a slot says nothing of columns and rows. */
export const isImage = (slotHigh: number): boolean => slotHigh >= 0x80000000

/** A bijection of 32-bit words in which every bit of the input reaches every bit of the output (lowbias32, C. Wellons 2018). */
export function mix(x: number): number {
  x = Math.imul(x ^ (x >>> 16), 0x7feb352d)
  x = Math.imul(x ^ (x >>> 15), 0x846ca68b)
  return (x ^ (x >>> 16)) >>> 0
}
