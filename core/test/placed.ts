import { Evaluator, type PatternOutcome } from '../src/evaluate'
import type { InstanceTable } from '../src/instances'
import type { Project } from '../src/model/project'
import { factsText, sentenceText } from '../src/numbers/format'
import type { Facts, Sentence } from '../src/words'

/** Works a project out and gives its first pattern, or the one with that id. */
export function evaluated(project: Project, id = project.patterns[0].id): PatternOutcome {
  return new Evaluator().evaluate(project, new Map()).find((outcome) => outcome.id === id)!
}

/** Positions as triples. */
export const placesOf = (table: InstanceTable): [number, number, number][] =>
  Array.from({ length: table.count }, (_, k) => [
    table.position[3 * k],
    table.position[3 * k + 1],
    table.position[3 * k + 2],
  ])

/** Slots as text, to compare identities. */
export const slotsOf = (table: InstanceTable): string[] =>
  Array.from({ length: table.count }, (_, k) => `${table.slotHigh[k]}:${table.slotLow[k]}`)

export const distance = (a: readonly number[], b: readonly number[]): number => Math.hypot(...a.map((n, i) => n - b[i]))

/** What is said, with plain spaces. */
export const said = (says: Sentence | Facts): string => {
  const text = isFacts(says) ? factsText(says, 'mm') : sentenceText(says, 'mm')
  return text.replaceAll('\u202f', ' ')
}
const isFacts = (says: Sentence | Facts): says is Facts => {
  const [first] = says
  return typeof first === 'object' && 'says' in first
}
