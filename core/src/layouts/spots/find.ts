import { current, isDraft } from 'immer'
import type { Spot } from './schema'

/** Spots as they stand: looking through a list that is being changed would make a draft of each of them. */
export const standing = (spots: Spot[]): Spot[] => (isDraft(spots) ? current(spots) : spots)

const places = new WeakMap<readonly Spot[], ReadonlyMap<number, number>>()

/** Where among spots the one with a slot stands; −1 where none has it. */
export function indexOfSlot(spots: Spot[], slot: number): number {
  const all = standing(spots)
  const known = places.get(all) ?? new Map(all.map((spot, i) => [spot.slot, i]))
  // What is not frozen may still change.
  if (Object.isFrozen(all)) places.set(all, known)
  return known.get(slot) ?? -1
}

/** A slot that is above all of those that spots have. */
export const slotBeyond = (spots: Spot[]): number =>
  standing(spots).reduce((most, { slot }) => Math.max(most, slot + 1), 0)
