import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aGrid, aLine, aPattern, aProject, aVary, box } from '../../test/projects'
import { anyProject } from '../../test/laws/projects'
import { Evaluator } from '../evaluate'
import { compose, fromTurns } from '../geometry/rotation'
import { plainClear } from '../steps/clear/schema'
import type { Project } from '../model/project'
import { inWorld } from '../model/inWorld'
import { type Explained, explained } from './explain'

const explain = (doc: Project, pattern: string, slot: string): Explained | undefined => {
  const evaluator = new Evaluator()
  return explained(doc, pattern, slot, (other) => evaluator.evaluate(other, new Map()))
}

describe('why a copy stands where it stands', () => {
  it('the layout says where, each step what it added, in the order in which they are done', () => {
    const pattern = aPattern(aLine({ count: 5 }), ['tin'], {
      place: { move: [1, 0, 0], turn: [0, 0, 0] },
      steps: [
        { ...aVary('moveUp', 0.01, 0.02), id: 'up' },
        { ...plainClear, id: 'clear' },
      ],
      touchUps: { '2': { move: [0, 0, 0.004] } },
    })
    const found = explain(aProject([box('tin', 0.05)], pattern), pattern.id, '2')!
    expect(found.causes.map(({ what, words }) => [what, words])).toEqual([
      ['layout', 'Line'],
      ['step', 'Vary'],
      ['touch-up', 'Touched up by hand'],
      ['step', 'Clear'],
    ])
    const [laid, varied, touched, cleared] = found.causes
    expect(laid.move[0]).toBeGreaterThan(1)
    expect(varied.move[1]).toBeGreaterThanOrEqual(0.01)
    expect(touched.move[2]).toBeCloseTo(0.004, 12)
    expect(cleared.move).toEqual([0, 0, 0])
  })

  it('a copy that is not there has no reasons', () => {
    expect(explain(aProject([box('tin', 0.05)], aPattern(aGrid(), ['tin'])), 'nowhere', '0')).toBeUndefined()
  })

  it('moves add up to where it stands, turns and sizes compose, in any project', () => {
    fc.assert(
      fc.property(anyProject, (doc) => {
        const outcomes = new Evaluator().evaluate(doc, new Map())
        for (const [i, pattern] of doc.patterns.entries()) {
          const { table } = outcomes[i]
          const row = Math.min(2, table.count - 1)
          if (row < 0) continue
          const wanted = inWorld(pattern, table.placingOf(row))
          const found = explain(doc, pattern.id, table.keyOf(row))
          if (!found) throw new Error(`${pattern.id} ${row}`)
          let [move, turn, size] = [[0, 0, 0], [0, 0, 0, 1] as [number, number, number, number], [1, 1, 1]]
          for (const cause of found.causes) {
            move = move.map((n, a) => n + cause.move[a])
            turn = [...compose(fromTurns(cause.turns), turn)] as typeof turn
            size = size.map((n, a) => n * cause.size[a])
          }
          for (let a = 0; a < 3; a++) {
            expect(move[a]).toBeCloseTo(wanted.move[a], 9)
            expect(size[a] / wanted.size[a]).toBeCloseTo(1, 9)
          }
          const sign = turn.reduce((sum, n, a) => sum + n * wanted.turn[a], 0) < 0 ? -1 : 1
          expect(Math.hypot(...turn.map((n, a) => sign * n - wanted.turn[a]))).toBeLessThan(1e-9)
        }
      }),
      { numRuns: 60, endOnFailure: true },
    )
  })
})
