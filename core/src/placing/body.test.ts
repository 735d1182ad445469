import { expect, it } from 'vitest'
import { aLine, aPattern, aProject, box, pitched } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import type { Project } from '../model/project'
import { type Placeable } from './body'
import { motionDefaults } from './motion'
import { proposed } from './proposed'
import type { Act } from './registry'
import { seatDefaults } from './seat'

/** Boxes 150 mm tall, each turned a little otherwise. */
const doc = aProject(
  [box('tin', 0.1)],
  aPattern(aLine(pitched(3, 0.3)), ['tin'], { id: 'row', touchUps: { 1: { turn: [0, 0.3, 0] } } }),
)
const evaluate = (other: Project) => new Evaluator().evaluate(other, new Map())
function acted(act: Act) {
  const things: Placeable[] = ['0', '1'].map((slot) => ({ is: 'copy', pattern: 'row', slot }))
  const outcomes = evaluate(doc)
  const made = proposed(
    act,
    things,
    things[1],
    { project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) },
    evaluate,
  )
  if (!made.ok) throw new Error(made.problem.says.join(''))
  return made.value.placed.touchUps.row
}

it('copies of a table are sized from their base and top, and put on a face by their base', () => {
  const sized = acted({ kind: 'move', how: { ...motionDefaults, size: [1, 2, 1], from: 'top' } })
  for (const slot of ['0', '1']) {
    expect(sized[slot].size).toEqual([1, 2, 1])
    // Twice as tall under a top that stays.
    expect(sized[slot].move?.[1]).toBeCloseTo(-0.15, 12)
  }
  const seated = acted({ kind: 'seat', how: { ...seatDefaults, at: [0, 0.4, 0], normal: [0, 1, 0] } })
  for (const slot of ['0', '1']) expect(seated[slot].move?.[1]).toBeCloseTo(0.4, 12)
})
