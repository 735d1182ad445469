import { produce } from 'immer'
import { expect, it } from 'vitest'
import { indexOfSlot, slotBeyond } from './find'
import type { Spot } from './schema'

const spots = (...slots: number[]): Spot[] => slots.map((slot) => ({ slot, move: [slot, 0, 0] }))

it('spots are found by their slots, in lists at rest and while they are changed', () => {
  const all = spots(4, 9, 2)
  expect([4, 9, 2, 7].map((slot) => indexOfSlot(all, slot))).toEqual([0, 1, 2, -1])
  produce({ all: spots(4, 9, 2, 5) }, ({ all: draft }) => {
    draft[indexOfSlot(draft, 2)].move = [1, 1, 1]
    expect(indexOfSlot(draft, 9)).toBe(1)
    draft.splice(0, 1)
    expect([4, 9, 2, 5].map((slot) => indexOfSlot(draft, slot))).toEqual([-1, 0, 1, 2])
    draft.splice(1, 0, { slot: 12, move: [0, 0, 0] })
    expect([12, 5, 2].map((slot) => indexOfSlot(draft, slot))).toEqual([1, 3, 2])
    expect(slotBeyond(draft)).toBe(13)
  })
  expect(slotBeyond([])).toBe(0)
})
