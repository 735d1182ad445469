import { mix } from './slots'

/** A name as a 32-bit number (FNV-1a), so that patterns and steps can be told apart by their ids. */
export function hashName(name: string): number {
  let h = 0x811c9dc5
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193)
  return mix(h)
}

/**
 * Random values that belong to a copy: f(seed, pattern, step, slot, channel), without any state. Adding, removing or
 * reordering copies, patterns or steps changes nobody else's values; two steps with one seed are independent.
 */
export class Randomness {
  private readonly key: number

  /** @param seed 32 bits; pattern and step are ids. */
  constructor(seed: number, pattern: string, step: string) {
    this.key = mix(mix(seed ^ 0x51ab1e) ^ hashName(pattern)) ^ mix(hashName(step) ^ 0x7e1)
  }

  /** 32 random bits for one copy and channel. */
  bits(slotLow: number, slotHigh: number, channel: number): number {
    return bitsOf(this.copy(slotLow, slotHigh), channel)
  }

  /** Evenly spread from 0 (included) to 1 (excluded), 53 bits. */
  value(slotLow: number, slotHigh: number, channel: number): number {
    return chanceOf(this.copy(slotLow, slotHigh), channel)
  }

  /** What all chances of one copy start from, for `chanceOf`: several channels of a copy cost less so. */
  copy(slotLow: number, slotHigh: number): number {
    return mix(mix(this.key ^ slotLow) ^ slotHigh)
  }
}

const bitsOf = (copy: number, channel: number): number => mix(copy ^ Math.imul(channel + 1, 0x9e3779b1))

/** A chance of a copy, evenly spread from 0 (included) to 1 (excluded), 53 bits. */
export const chanceOf = (copy: number, channel: number): number =>
  ((bitsOf(copy, 2 * channel) >>> 5) * 67108864 + (bitsOf(copy, 2 * channel + 1) >>> 6)) / 9007199254740992
