import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import { restsIn } from '../../src/evaluation/resting'
import { newPlace } from '../../src/grounds/surface'
import { Flag } from '../../src/instances'
import type { Project } from '../../src/model/project'
import { inWorld } from '../../src/model/inWorld'
import { type Step, byTouchUps, isStep } from '../../src/steps/index'

const isUpright = (step: Step): boolean => isStep('settle', step) && step.stands === 'upright' && !step.only

/** What was settled by its pivot stands as high above what lies topmost under it as was asked; settled once more, nothing moves. */
export function expectSettled(doc: Project, outcomes: readonly PatternOutcome[]): void {
  for (const [i, pattern] of doc.patterns.entries()) {
    const after = byTouchUps(pattern.steps).after
    const [settle] = after
    const { table, problem } = outcomes[i]
    if (problem || after.length !== 1 || !settle || !isUpright(settle) || !isStep('settle', settle)) continue
    const restOf = restsIn({
      project: doc,
      source: { parts: doc.parts, meshes: new Map() },
      outcomeOf: ({ id }) => outcomes.find((o) => o.id === id)!,
    })
    const rests = settle.on.flatMap((rest) => restOf(rest) ?? [])
    const place = newPlace()
    for (let k = 0; k < table.count && settle.by === 'pivot'; k++) {
      if (!table.isPresent(k) || table.flags[k] & Flag.unsettled) continue
      const { move } = inWorld(pattern, table.placingOf(k))
      const heights = rests.flatMap(({ surface }) => (surface.at(move[0], move[2], place) ? [place[0]] : []))
      const height = settle.which === 'first' ? heights[0] : Math.max(...heights)
      if (heights.length > 0)
        expect(Math.abs(move[1] - settle.above - height)).toBeLessThan(1e-9 * (1 + Math.abs(move[1])))
      // Where nothing is said to settle on, nobody goes astray.
      else if (settle.on.length > 0) expect(outcomes[i].astray[settle.id]).toContain(k)
    }
    const again = {
      ...doc,
      patterns: doc.patterns.with(i, { ...pattern, steps: [...pattern.steps, { ...settle, id: 'again' }] }),
    }
    const twice = new Evaluator().evaluate(again, new Map())[i].table
    // Along a ridge or a rim the highest place of an outline is walked to: it is found to a tenth of a millionth of a metre.
    const exact = settle.by === 'outline' ? 1e-7 : 1e-8
    for (let n = 0; n < 3 * table.count; n++)
      expect(Math.abs(twice.position[n] - table.position[n])).toBeLessThan(exact * (1 + Math.abs(table.position[n])))
  }
}
