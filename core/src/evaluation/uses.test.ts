import { describe, expect, it } from 'vitest'
import { aGrid, aPattern, aProject, aVary, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Pattern } from '../model/pattern'

describe('what a pattern is worked out from', () => {
  const moved = (pattern: Pattern): Pattern => ({ ...pattern, place: { move: [1, 2, 3], turn: [0, 0.3, 0] } })
  /** Whether a pattern is worked out again after a change. */
  const isAgain = (pattern: Pattern, change: (p: Pattern) => Pattern): boolean => {
    const evaluator = new Evaluator()
    const project = aProject([box('tin', 0.05)], pattern)
    const [before] = evaluator.evaluate(project, new Map())
    const [after] = evaluator.evaluate({ ...project, patterns: [change(pattern)] }, new Map())
    return before !== after
  }
  const grid = aPattern(aGrid(), ['tin'])
  const vary = { ...aVary('turnUp', 0, 1), axes: 'world' as const }

  it('where it stands is none of it, unless somebody asks: a step in the axes of the world', () => {
    expect(isAgain(grid, moved)).toBe(false)
    expect(isAgain({ ...grid, steps: [{ ...vary, axes: 'copy' }] }, moved)).toBe(false)
    expect(isAgain({ ...grid, steps: [vary] }, moved)).toBe(true)
    expect(isAgain({ ...grid, steps: [vary], seed: 7 }, moved)).toBe(true)
    expect(isAgain({ ...grid, seed: 7 }, moved)).toBe(false)
  })

  it('hidden or locked it stays as it is; with another layout it does not', () => {
    expect(isAgain(grid, (p) => ({ ...p, hidden: true, locked: true }))).toBe(false)
    expect(isAgain(grid, (p) => ({ ...p, layout: aGrid({ lift: 0.2 } as object) }))).toBe(true)
  })
})
