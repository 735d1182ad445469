import { Evaluator, thingsIn } from '../src/evaluate'
import type { Project } from '../src/model/project'
import type { Placeable } from '../src/placing/body'
import { measure } from '../src/placing/measure'

/** The nearest distance between two things, by the measuring card, in metres. */
export function clearBetween(doc: Project, a: Placeable, b: Placeable): number {
  const outcomes = new Evaluator().evaluate(doc, new Map())
  const source = { parts: doc.parts, meshes: new Map() }
  const around = { project: doc, outcomes, source, ...thingsIn(doc, new Map(), outcomes) }
  const told = measure(around, { at: [0, 0, 0], of: a }, { at: [0, 0, 0], of: b }).find(
    ({ kind }) => kind === 'clear',
  )!.says
  return 'length' in told ? told.length : NaN
}
