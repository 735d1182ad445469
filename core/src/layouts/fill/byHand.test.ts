import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said } from '../../../test/placed'
import { aFill, aPattern, aProject, aVary, box } from '../../../test/projects'
import type { TouchUp } from '../../model/pattern'

const [tin, crate] = [box('tin', 0.1), box('crate', 0.25)]
const outline = { kind: 'rectangle', width: 1.4, depth: 1 } as const

describe('copies of a fill that a hand has changed', () => {
  const hands: [string, TouchUp][] = [
    ['made larger', { size: [3, 3, 3] }],
    ['made smaller', { size: [0.4, 0.4, 0.4] }],
    ['tipped', { turn: [45, 0, 45] }],
    ['of another part', { part: 'crate' }],
    ['put elsewhere as small as clearing had made it', { move: [0.2, 0, 0.1], size: [0.4, 0.4, 0.4], held: true }],
  ]
  it.each(
    (['random', 'even', 'sunflower', 'square', 'bands'] as const).flatMap((how) =>
      hands.map(([words, hand]) => [words, how, hand] as const),
    ),
  )('stay, and so do the others: %s, %s', (_, how, hand) => {
    const filled = (touchUps: Record<string, TouchUp>) => {
      const layout = { ...aFill({ outline, how, count: 40, least: 0.13 }), edge: undefined }
      return evaluated(
        aProject([tin, crate], aPattern(layout, ['tin'], { touchUps, steps: [aVary('size', 0.5, 1.2)] })),
      )
    }
    const before = filled({}).table
    const keys = Array.from({ length: before.count }, (_, k) => before.keyOf(k))
    const places = placesOf(before)
    for (let row = 0; row < before.count; row++) {
      const { table, facts } = filled({ [keys[row]]: hand })
      expect(Array.from({ length: table.count }, (_, k) => table.keyOf(k))).toEqual(keys)
      expect(placesOf(table).filter((_, k) => k !== row)).toEqual(places.filter((_, k) => k !== row))
      expect(said(facts)).not.toContain('no agreement')
    }
  })
})
