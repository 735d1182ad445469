import { describe, expect, it } from 'vitest'
import { said as text } from '../../test/placed'
import { aLine } from '../../test/projects'
import { spacingWorking } from './working'
import { rowInTurn } from './row'
import { type SpacingQuestion, solveSpacing } from './solve'

const tin = { low: -0.0595, high: 0.0595 }
const shelf: SpacingQuestion = { ...aLine(), row: rowInTurn([tin, tin, tin]) }

const said = (question: SpacingQuestion): string => {
  const solved = solveSpacing(question)
  if (!solved.ok) throw new Error('not solved')
  return text(spacingWorking(question, solved.value))
}

describe('what follows from a spacing', () => {
  it('writes the sum as on paper, also for different parts of one width', () => {
    expect(said(shelf)).toBe('count is worked out: (1 180 mm + 12 mm) ÷ (119 mm + 12 mm) = 9.09, so 9')
    expect(said({ ...shelf, hold: ['count', 'spacing'], count: 9 })).toBe(
      'room is worked out: 9 × 119 mm + 8 × 12 mm = 1 167 mm',
    )
    expect(said({ ...shelf, hold: ['count', 'room'], count: 9 })).toBe(
      'spacing is worked out: (1 180 mm − 9 × 119 mm) ÷ 8 = 13.63 mm',
    )
  })
})
