import { produce } from 'immer'
import type { PatternOutcome } from '../evaluate'
import { definitionOf } from '../layouts/index'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Facts, Segment, Sentence } from '../words'
import { type BoundNumber, bind, fieldsOf } from './bind'
import { knowledge } from './knowledge'
import { type ReadText, type TextMark, type World, readText } from './read'

/** What a text makes, worked out; or what of it is not understood, or cannot be. */
export interface MadeText {
  readonly parts: readonly Part[]
  readonly patterns: readonly Pattern[]
  readonly marks: readonly TextMark[]
  /** What comes of each pattern, as it is told before it is made. */
  readonly outcomes: readonly { readonly copies: number; readonly facts: Facts }[]
}

/** How far two lengths may be apart that are said to be one. */
const SAME = 1e-9

/**
 * Reads a text and works out what it makes. Of numbers that go together and are all said, one is worked out and has to come out as
 * it is said: "9 … 12 mm gap, in 1180 mm" is nine with something left over, and "9 … in 10 mm" cannot be.
 *
 * @param evaluate works a project out, its patterns in their order
 */
export function madeByText(
  text: string,
  world: World,
  evaluate: (project: Project) => readonly PatternOutcome[],
): MadeText {
  const read = readText(text, world)
  if (read.marks.length > 0) return { ...read, outcomes: [] }
  const withThem = (patterns: readonly Pattern[]): Project => ({
    ...world.project,
    parts: [...world.project.parts, ...read.parts],
    patterns: [...world.project.patterns, ...patterns],
  })
  const outcomesOf = (patterns: readonly Pattern[]): PatternOutcome[] =>
    evaluate(withThem(patterns)).slice(world.project.patterns.length)
  let patterns = read.patterns
  const marks: TextMark[] = []
  for (const { pattern: id, triple } of read.overSaid) {
    const at = patterns.findIndex((p) => p.id === id)
    const agreed = agreeing(patterns, at, triple, withThem, outcomesOf)
    if ('says' in agreed) marks.push({ ...read.ranges[at], says: agreed.says })
    else patterns = patterns.with(at, agreed.pattern)
  }
  if (marks.length > 0) return nothing(marks)
  const outcomes = outcomesOf(patterns)
  for (const [i, { problem }] of outcomes.entries()) if (problem) marks.push({ ...read.ranges[i], says: problem.says })
  if (marks.length > 0) return nothing(marks)
  return {
    parts: read.parts,
    patterns,
    marks,
    outcomes: outcomes.map(({ table, facts }) => ({ copies: table.presentCount(), facts })),
  }
}

const nothing = (marks: readonly TextMark[]): MadeText => ({ parts: [], patterns: [], marks, outcomes: [] })

/** A pattern with one of its numbers worked out so that it comes out as it is said; why none does. */
function agreeing(
  patterns: ReadText['patterns'],
  at: number,
  triple: string,
  withThem: (patterns: readonly Pattern[]) => Project,
  outcomesOf: (patterns: readonly Pattern[]) => PatternOutcome[],
): { readonly pattern: Pattern } | { readonly says: Sentence } {
  const pattern = patterns[at]
  const said = numbersOf(pattern, withThem(patterns)).filter((n) => n.triple === triple)
  const would: Segment[] = []
  for (const [i, field] of said.entries()) {
    const others = said.filter((_, j) => j !== i)
    const tried = produce(pattern, (draft: Pattern) => {
      for (const other of others) other.write(draft, other.read(pattern))
    })
    const outcome = outcomesOf(patterns.with(at, tried))[at]
    if (outcome.problem) continue
    const now = numbersOf(tried, withThem(patterns), outcome).find(
      (n) => n.triple === triple && n.label === field.label && n.state === 'worked',
    )
    if (!now || Number.isNaN(now.value)) continue
    if (Math.abs(now.value - field.read(pattern)) <= SAME * Math.max(1, Math.abs(now.value))) return { pattern: tried }
    const value: Segment = field.quantity === 'count' ? { count: now.value } : { length: now.value }
    would.push(would.length > 0 ? ', or ' : '', `the ${field.label.toLowerCase()} `, value)
  }
  return {
    says:
      would.length > 0
        ? ['These do not go together: by the others it would be ', ...would, '. Leave one of them out.']
        : ['These do not go together. Leave one of them out.'],
  }
}

function numbersOf(pattern: Pattern, project: Project, outcome?: PatternOutcome): BoundNumber<Pattern>[] {
  const place = { root: pattern, into: (p: Pattern) => p.layout }
  const around = { project, unit: project.unit, pattern, laid: outcome?.laid, knows: knowledge }
  return fieldsOf(bind(definitionOf(pattern.layout).sentence, place, around)).filter((f) => f.is === 'number')
}
