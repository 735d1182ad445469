import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import type { InstanceTable } from '../../src/instances'
import { definitionOf } from '../../src/layouts/index'
import type { TouchUp } from '../../src/model/pattern'
import type { Project } from '../../src/model/project'
import { stepDefinitionOf } from '../../src/steps/index'

const HANDS: readonly TouchUp[] = [
  { size: [2, 2, 2], turn: [20, -35, 10] },
  { move: [0.07, 0.02, -0.05], size: [0.4, 0.4, 0.4], held: true },
  { empty: true },
]

const othersThan = (key: string, table: InstanceTable): unknown =>
  Array.from({ length: table.count }, (_, k) => k)
    .filter((k) => table.keyOf(k) !== key)
    .map((k) => [table.keyOf(k), table.placingOf(k), table.thing[k]])

/** What a hand does to one copy of a pattern changes no other one, but where gaps between them go by how they stand or they are cleared. */
export function expectTouchedAlone(doc: Project, outcomes: readonly PatternOutcome[]): void {
  for (const [i, pattern] of doc.patterns.entries()) {
    const goesBy = definitionOf(pattern.layout).goesByStanding?.(pattern.layout)
    const { table, problem } = outcomes[i]
    if (problem || table.count < 2 || (goesBy && !goesBy.handsAside)) continue
    if (pattern.steps.some((step) => stepDefinitionOf(step).phase !== 'shape')) continue
    for (const [n, hand] of HANDS.entries()) {
      const key = table.keyOf((n * 5) % table.count)
      const touched = { ...pattern, touchUps: { ...pattern.touchUps, [key]: hand } }
      const after = new Evaluator().evaluate({ ...doc, patterns: doc.patterns.with(i, touched) }, new Map())[i]
      expect(othersThan(key, after.table)).toEqual(othersThan(key, table))
    }
  }
}
