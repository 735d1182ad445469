import { dealSentence } from '../deal/sentence'
import { type LayoutKind, definitionOf, layoutKinds } from '../layouts/index'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import { otherSentence, placeSentence } from '../model/sentence'
import { movementDefinitionOf, movementKinds, usualClock } from '../motion/index'
import { type StepKind, stepDefinitionOf, stepKinds } from '../steps/index'
import { matchPhrase } from './match'
import type { Template } from './nodes'
import { type Phrase, phrasesOf } from './phrases'
import type { Reading, State, Stuck } from './reading'

/** What a new layout is fitted to where nothing is known of its thing. */
const SOMETHING = { width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' } as const
/** So many words that would do are kept at the most. */
const MOST_WANTS = 60

/** What is being said: a layout, a deal, a step, a place. */
export interface Item {
  readonly template: Template<never>
  into(pattern: Pattern): unknown
  /** Which of its phrases was read last; −1 at its beginning. */
  readonly last: number
  readonly used: ReadonlySet<number>
}
export interface Candidate {
  readonly item: Item
  readonly phrase: number
  readonly root: Pattern
  readonly isNew?: boolean
}

const itself: Item['into'] = (pattern) => pattern
const layoutInto = (pattern: Pattern): unknown => pattern.layout
export const isLayoutItem = ({ item }: Candidate): boolean => item.into === layoutInto
const intos: Item['into'][] = []
const motionIntos: Item['into'][] = []
const motionInto = (at: number): Item['into'] => (motionIntos[at] ??= (pattern) => pattern.motion?.[at])
const stepInto = (at: number): Item['into'] => (intos[at] ??= (pattern) => pattern.steps[at])

/** Sentences cut into phrases, each for each place where its value can lie. */
const cut = new WeakMap<object, Map<Item['into'], Phrase<Pattern>[]>>()
function phrasesFor(template: Template<never>, into: Item['into']): Phrase<Pattern>[] {
  let known = cut.get(template)
  if (!known) cut.set(template, (known = new Map<Item['into'], Phrase<Pattern>[]>()))
  let phrases = known.get(into)
  if (!phrases) known.set(into, (phrases = phrasesOf<Pattern>(template as Template<unknown>, into)))
  return phrases
}

export const beginLayout = (kind: LayoutKind): Pattern['layout'] =>
  definitionOf({ kind }).begin({ ...SOMETHING, host: '', ground: '' })
const beginStep = (kind: StepKind, newId: (kind: string) => string): Pattern['steps'][number] =>
  stepDefinitionOf({ kind }).begin(newId('step'))

const fresh = (template: Template<never>, into: Item['into'], root: Pattern): Candidate => ({
  item: { template, into, last: -1, used: new Set() },
  phrase: 0,
  root,
  isNew: true,
})

/**
 * What may be said next: the phrases of the sentence that goes on, and the beginnings of all others.
 *
 * @param item the sentence that goes on
 * @param another a pattern of which nothing is said, for a second layout; absent before the first
 */
export function candidates(
  pattern: Pattern,
  item: Item | undefined,
  another: Pattern | undefined,
  newId: (kind: string) => string,
): Candidate[] {
  const goingOn = item
    ? phrasesFor(item.template, item.into).flatMap((_, phrase): Candidate[] =>
        item.used.has(phrase) ? [] : [{ item, phrase, root: pattern }],
      )
    : []
  const openings = layoutKinds.map((kind) => {
    const layout = beginLayout(kind)
    return fresh(definitionOf({ kind }).sentence as Template<never>, layoutInto, { ...(another ?? pattern), layout })
  })
  const first = [...goingOn, ...openings, fresh(dealSentence as Template<never>, itself, pattern)]
  if (!another) return first
  return [
    ...first,
    ...stepKinds.map((kind) => {
      const at = pattern.steps.length
      const steps = [...pattern.steps, beginStep(kind, newId)]
      return fresh(stepDefinitionOf({ kind }).sentence as Template<never>, stepInto(at), { ...pattern, steps })
    }),
    ...movementKinds.map((kind) => {
      const before = pattern.motion ?? []
      const begun = movementDefinitionOf({ kind }).begin(newId('movement'), 1, usualClock.length)
      const sentence = movementDefinitionOf({ kind }).sentence as Template<never>
      return fresh(sentence, motionInto(before.length), { ...pattern, motion: [...before, begun] })
    }),
    fresh(placeSentence as Template<never>, itself, pattern),
    ...phrasesFor(otherSentence as Template<never>, itself).map((_, phrase) => ({
      ...fresh(otherSentence as Template<never>, itself, pattern),
      phrase,
    })),
  ]
}

/** The candidate that says most; of those that say as much the one that goes on where the last ended. */
export function bestOf(
  all: readonly Candidate[],
  at: number,
  made: readonly Part[],
  reading: Reading,
): { candidate: Candidate; state: State<Pattern> } | { stuck: Stuck } {
  let best: { candidate: Candidate; state: State<Pattern>; back: number } | undefined
  let stuck: { at: number; wants: Stuck['wants'][] } = { at, wants: [] }
  for (const candidate of all) {
    const { item, phrase, root } = candidate
    const phrases = phrasesFor(item.template, item.into)
    const matched = matchPhrase(
      phrases[phrase],
      { at, root, score: 0, said: [], worked: [], made, unknown: [] },
      reading,
    )
    if (!matched.ok) {
      if (matched.at > stuck.at) stuck = { at: matched.at, wants: [matched.wants] }
      else if (matched.at === stuck.at) stuck.wants.push(matched.wants)
      continue
    }
    const back = candidate.isNew ? 2 : phrase > item.last ? 0 : 1
    const { state } = matched
    if (
      !best ||
      state.score > best.state.score + 1e-9 ||
      (Math.abs(state.score - best.state.score) < 1e-9 && back < best.back)
    )
      best = { candidate, state, back }
  }
  if (best) return best
  const { at: where, wants } = stuck
  return { stuck: { at: where, wants: () => wants.flatMap((w) => w()).slice(0, MOST_WANTS) } }
}
