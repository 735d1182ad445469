import { mix } from './slots'

/** A name as a 32-bit number (FNV-1a), so that patterns and steps can be told apart by their ids. */
export function hashName(name: string): number {
  let h = 0x811c9dc5
  for (let i = 0; i < name.length; i++) h = Math.imul(h ^ name.charCodeAt(i), 0x01000193)
  return mix(h)
}

/** What lies between two seeds: each chance is on its way from what it is by the one to what it is by the other. */
export interface SeedBetween {
  /** 32 bits each. */
  readonly from: number
  readonly to: number
  /** How far it has come, from 0 to 1. */
  readonly share: number
}
export type Seed = number | SeedBetween

/**
 * Random values that belong to a copy: f(seed, pattern, step, slot, channel), without any state. Adding, removing or
 * reordering copies, patterns or steps changes nobody else's values; two steps with one seed are independent.
 */
export class Randomness {
  private readonly key: number
  private readonly other?: Randomness
  private readonly share: number = 0
  /** What the chances of the last copy start from by the other seed. */
  private beyond = 0

  /** @param seed 32 bits, or between two of them; pattern and step are ids. */
  constructor(seed: Seed, pattern: string, step: string) {
    const own = typeof seed === 'number' ? seed : seed.from
    this.key = mix(mix(own ^ 0x51ab1e) ^ hashName(pattern)) ^ mix(hashName(step) ^ 0x7e1)
    if (typeof seed === 'number') return
    this.other = new Randomness(seed.to, pattern, step)
    this.share = seed.share
  }

  /** 32 random bits for one copy and channel. */
  bits(slotLow: number, slotHigh: number, channel: number): number {
    return bitsOf(this.copy(slotLow, slotHigh), channel)
  }

  /** Evenly spread from 0 (included) to 1 (excluded), 53 bits. */
  value(slotLow: number, slotHigh: number, channel: number): number {
    return this.chance(this.copy(slotLow, slotHigh), channel)
  }

  /** What all chances of one copy start from, for `chance`: several channels of a copy cost less so. */
  copy(slotLow: number, slotHigh: number): number {
    if (this.other) this.beyond = this.other.copy(slotLow, slotHigh)
    return mix(mix(this.key ^ slotLow) ^ slotHigh)
  }

  /** A chance of the copy that `copy` was asked for last, evenly spread from 0 (included) to 1 (excluded), 53 bits. */
  chance(copy: number, channel: number): number {
    const own = chanceOf(copy, channel)
    return this.other ? own + (chanceOf(this.beyond, channel) - own) * this.share : own
  }
}

const bitsOf = (copy: number, channel: number): number => mix(copy ^ Math.imul(channel + 1, 0x9e3779b1))

const chanceOf = (copy: number, channel: number): number =>
  ((bitsOf(copy, 2 * channel) >>> 5) * 67108864 + (bitsOf(copy, 2 * channel + 1) >>> 6)) / 9007199254740992
