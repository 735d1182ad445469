import { produce } from 'immer'
import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import { isMove } from '../../src/values/graded'
import type { Project } from '../../src/model/project'
import { inWorld } from '../../src/model/inWorld'
import { groundsNamed } from '../../src/model/references'
import { type Target, placedExactly, putPlaced } from '../../src/placing/exactly'
import { cannotBeSized } from '../../src/placing/sized'

/** A power of two, so that lengths lose nothing. */
const FACTOR = 2

/** What is graded to nothing is left at a millionth, whatever it is sized by. */
const NOTHING = 1e-6

/**
 * Everything sized as one about the origin stands to itself as before: every copy twice as far away and twice as large, turned as it
 * was. What goes by something that stays (a ground, a distance of a part's own, a picture of the world) need not, nor what is
 * pushed apart or fitted round by round, which stops near enough. A factor from move to move has no length to go by.
 */
export function expectSized(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const ids = doc.patterns.map((p) => p.id)
  if (cannotBeSized(doc, ids)) return
  const target: Target = {
    of: { is: 'patterns', ids },
    from: { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1] },
    to: { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [FACTOR, FACTOR, FACTOR] },
  }
  const placed = placedExactly(doc, [target], (other) => new Evaluator().evaluate(other, new Map()))
  expect(placed.ok).toBe(true)
  if (!placed.ok) return
  const after = produce(doc, (draft) => putPlaced(draft, placed.value))
  const came = new Evaluator().evaluate(after, new Map())
  const loose = goingByOthers(doc)
  // What is repeated is told apart from the pattern that repeats it: copies of parts alone.
  for (const [i, { id, expanded: table, problem }] of outcomes.entries()) {
    if (loose.has(id)) continue
    const now = came[i]
    expect([id, now.problem !== undefined, now.expanded.count]).toEqual([id, problem !== undefined, table.count])
    for (let k = 0; k < table.count; k++) {
      const was = inWorld(doc.patterns[i], table.placingOf(k))
      const is = inWorld(after.patterns[i], now.expanded.placingOf(k))
      const reach = 1 + Math.hypot(...was.move)
      const off = is.move.map((n, j) => n - FACTOR * was.move[j])
      expect(Math.hypot(...off), `${id} ${k}`).toBeLessThan(1e-6 * reach)
      const same = is.turn.reduce((sum, n, j) => sum + n * was.turn[j], 0) < 0 ? -1 : 1
      expect(Math.hypot(...is.turn.map((n, j) => same * n - was.turn[j])), `${id} ${k}`).toBeLessThan(1e-6)
      for (const [j, n] of is.size.entries())
        if (was.size[j] > NOTHING) expect(n / was.size[j], `${id} ${k}`).toBeCloseTo(FACTOR, 6)
    }
  }
}

/** Patterns whose places go by what is not sized with them, and those that rest on them. */
function goingByOthers({ patterns }: Project): Set<string> {
  const found = new Set<string>()
  for (let before = -1; before < found.size;) {
    before = found.size
    for (const pattern of patterns) {
      const { steps } = pattern
      const isLoose =
        groundsNamed(pattern).size > 0 ||
        steps.some((s) => 'clearance' in s || ('amount' in s && s.by === 'factor' && isMove(s.what))) ||
        [...found].some((id) => JSON.stringify(pattern).includes(`"${id}"`))
      if (isLoose) found.add(pattern.id)
    }
  }
  return found
}
