import { expect, it } from 'vitest'
import { aPlan } from '../../test/plans'
import { drawnLines } from './drawnLines'

const plan = aPlan({ fileName: 'floor.svg', mime: 'image/svg+xml', move: [1, 0, 2] })
const svg = (inside: string, box = '0 0 400 200') =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${inside}</svg>`

it('lays the corners of a drawing where its plan lies, by its own units', () => {
  // The sheet is 4 m by 2 m about (1, 2): its top left corner is at −1 across and 1 deep.
  const { corners, pieces } = drawnLines(plan, svg('<path d="M0 0H100V50"/>'))
  expect(corners).toEqual([
    [-1, 0, 1],
    [0, 0, 1],
    [0, 0, 1.5],
  ])
  expect(pieces).toHaveLength(12)
})

it('keeps to a viewBox that begins elsewhere, to a turned plan and to one that stands', () => {
  const moved = drawnLines(plan, svg('<path d="M50 60L150 60"/>', '50 60 400 200')).corners
  expect(moved[0]).toEqual([-1, 0, 1])
  const turned = drawnLines({ ...plan, turn: Math.PI / 2 }, svg('<path d="M200 100L300 100"/>')).corners
  // Turned counter-clockwise as it is looked at from above, to the right becomes away from the viewer.
  expect(turned[1][0]).toBeCloseTo(1, 12)
  expect(turned[1][2]).toBeCloseTo(1, 12)
  const standing = drawnLines({ ...plan, lies: 'front' }, svg('<path d="M200 0L200 100"/>')).corners
  expect(standing[0]).toEqual([1, 1, 2])
})

it('cuts curves, catches their ends alone as corners, and offers nothing of a picture or a crowd of lines', () => {
  const arc = drawnLines(plan, svg('<path d="M0 100C0 45 45 0 100 0"/>'))
  expect(arc.corners).toHaveLength(2)
  expect(arc.pieces.length / 6).toBe(12)
  expect(drawnLines(plan, 'no drawing').corners).toEqual([])
  expect(drawnLines(plan, svg(`<path d="M0 0${'H1V1'.repeat(2600)}"/>`)).corners).toEqual([])
})
