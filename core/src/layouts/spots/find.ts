import { current, isDraft, original } from 'immer'
import type { Spot } from './schema'

/** Spots as they stand: looking through a list that is being changed would make a draft of each of them. */
export const standing = (spots: Spot[]): Spot[] => (isDraft(spots) ? current(spots) : spots)

const places = new WeakMap<readonly Spot[], ReadonlyMap<number, number>>()

function placesIn(all: readonly Spot[]): ReadonlyMap<number, number> {
  const known = places.get(all) ?? new Map(all.map(({ slot }, i) => [slot, i]))
  // What is not frozen may still change.
  if (Object.isFrozen(all)) places.set(all, known)
  return known
}

/** Where among spots the one with a slot stands; −1 where none has it. */
export function indexOfSlot(spots: Spot[], slot: number): number {
  // In a list that is being changed it mostly stands where it stood: thousands are moved in one step.
  const before = isDraft(spots) ? (original(spots) ?? spots) : spots
  const at = placesIn(before).get(slot)
  if (at !== undefined && at < spots.length && spots[at].slot === slot) return at
  return before === spots ? -1 : standing(spots).findIndex((spot) => spot.slot === slot)
}

/** A slot that is above all of those that spots have. */
export const slotBeyond = (spots: Spot[]): number =>
  standing(spots).reduce((most, { slot }) => Math.max(most, slot + 1), 0)
