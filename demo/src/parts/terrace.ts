import { runsOfPath } from '@hilera/core/curves/svgPath'
import type { Part } from '@hilera/core/model/part'

const wood = { color: '#c8964f', roughness: 0.7, metal: 0 }
const sage = { color: '#7d9d8c', roughness: 0.6, metal: 0 }
const paper = { color: '#f4efe4', roughness: 0.9, metal: 0 }

/** A seat on four legs, 420 mm tall. */
const seated = (id: string, name: string, seat: Part, look: Part['look']): Part[] => [
  { ...seat, look },
  {
    id,
    name,
    shape: {
      kind: 'assembly',
      members: [
        { id: 'seat', part: seat.id, move: [0, 0.38, 0], turn: [0, 0, 0], size: [1, 1, 1] },
        ...[-0.11, 0.11].flatMap((x) =>
          [-0.11, 0.11].map((z, i) => ({
            id: `leg-${x < 0 ? 'left' : 'right'}-${i}`,
            part: 'stool-leg',
            move: [x, 0, z] as [number, number, number],
            turn: [0, 0, 0] as [number, number, number],
            size: [1, 1, 1] as [number, number, number],
          })),
        ),
      ],
    },
    look,
  },
]

const leg: Part = {
  id: 'stool-leg',
  name: 'Stool leg',
  shape: { kind: 'cylinder', width: 0.034, height: 0.385 },
  look: wood,
}

export const stools: readonly Part[] = [
  leg,
  ...seated(
    'stool-round',
    'Stool, round',
    { id: 'seat-round', name: 'Round seat', shape: { kind: 'cylinder', width: 0.34, height: 0.04 }, look: sage },
    sage,
  ),
  ...seated(
    'stool-square',
    'Stool, square',
    {
      id: 'seat-square',
      name: 'Square seat',
      shape: { kind: 'roundedBox', width: 0.31, height: 0.04, depth: 0.31, radius: 0.012 },
      look: wood,
    },
    wood,
  ),
]

/** A folded boat, 160 mm long: hull and sail in one outline. */
export const boat: Part = {
  id: 'paper-boat',
  name: 'Paper boat',
  shape: {
    kind: 'extrusion',
    curve: {
      kind: 'bezier',
      runs: runsOfPath('M40 0H120L160 45H100L80 100L60 45H0Z', [0.001, 0, 0, 0.001, -0.08, 0]),
      from: { kind: 'drawing', fileName: 'boat.svg' },
    },
    depth: 0.05,
  },
  look: paper,
}

const lamp = (id: string, name: string, height: number): Part => ({
  id,
  name,
  shape: {
    kind: 'lathe',
    profile: [
      { radius: 0, height: 0 },
      { radius: 0.09, height: 0, color: '#4b4a4f' },
      { radius: 0.09, height: 0.02, color: '#4b4a4f' },
      { radius: 0.014, height: 0.03, color: '#4b4a4f' },
      { radius: 0.014, height: height - 0.24, color: '#e8b46a' },
      { radius: 0.1, height: height - 0.2, color: '#e8b46a' },
      { radius: 0.1, height: height - 0.02, color: '#e8b46a' },
      { radius: 0, height },
    ],
  },
  look: { color: '#4b4a4f', roughness: 0.6, metal: 0 },
})

/** Lamps of two heights. */
export const lamps: readonly Part[] = [lamp('lamp-tall', 'Tall lamp', 1.15), lamp('lamp-low', 'Low lamp', 0.7)]

/** What of the terrace is a deck above the slope. */
export const deckBoard: Part = {
  id: 'deck-boards',
  name: 'Deck boards',
  shape: { kind: 'box', width: 2.5, height: 0.08, depth: 1.7 },
  look: { color: '#d6b98a', roughness: 0.8, metal: 0 },
}
