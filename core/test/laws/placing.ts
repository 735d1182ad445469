import { expect } from 'vitest'
import { Evaluator, type PatternOutcome, supportIn } from '../../src/evaluate'
import { fromTurns, compose } from '../../src/geometry/rotation'
import type { Project } from '../../src/model/project'
import { type Placeable, bodiesOf } from '../../src/placing/body'
import { type Target, placedExactly, putPlaced } from '../../src/placing/exactly'
import { produce } from 'immer'

/** The second copy of every pattern that has two, in the world. */
const someCopies = (doc: Project, outcomes: readonly PatternOutcome[]): Placeable[] =>
  doc.patterns.flatMap(({ id }): Placeable[] => {
    const table = outcomes.find((o) => o.id === id)?.table
    return table && table.count > 1 ? [{ is: 'copy', pattern: id, slot: table.keyOf(1) }] : []
  })

/** Copies that are put elsewhere stand exactly there, turned and sized as they were wanted, whatever else places them. */
export function expectPlaced(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const bodies = bodiesOf(
    { project: doc, outcomes, supportOf: supportIn(doc, new Map(), outcomes) },
    someCopies(doc, outcomes),
  )
  const targets = bodies.map(({ of, stands }, i): Target => ({
    of,
    from: stands,
    to: {
      move: [stands.move[0] + 0.3 + i, stands.move[1] - 0.1, stands.move[2] + 0.02],
      turn: compose(fromTurns([0.2, -0.7, 0.1 * i]), stands.turn),
      size: [stands.size[0] * 1.2, stands.size[1], stands.size[2] * 0.8],
    },
  }))
  // What is to stand there is known from now on: outcomes are reused by the one who worked them out.
  const own = new Evaluator()
  const placed = placedExactly(doc, targets, (other) => own.evaluate(other, new Map()))
  if (!placed.ok) return
  const after = produce(doc, (draft) => putPlaced(draft, placed.value))
  const came = new Evaluator().evaluate(after, new Map())
  const there = bodiesOf(
    { project: after, outcomes: came, supportOf: () => () => ({ low: 0, high: 0 }) },
    targets.map((t) => t.of),
  )
  for (const { of, stands } of there) {
    const { to } = targets.find((t) => t.of === of)!
    const reach = 1 + Math.hypot(...to.move)
    expect(Math.hypot(...stands.move.map((n, i) => n - to.move[i]))).toBeLessThan(1e-9 * reach)
    const cosine = Math.abs(stands.turn.reduce((sum, n, i) => sum + n * to.turn[i], 0))
    expect(Math.acos(Math.min(1, cosine))).toBeLessThan(1e-7)
    for (const [i, n] of stands.size.entries()) expect(Math.abs(n / to.size[i] - 1)).toBeLessThan(1e-9)
  }
}
