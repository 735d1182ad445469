import { isDraft } from 'immer'
import { dealSentence } from '../deal/sentence'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import { placeSentence } from '../model/sentence'
import type { Quantity } from '../numbers/units'
import type { Seed } from '../random'
import { inPhases, stepDefinitionOf } from '../steps/index'
import type { Sentence } from '../words'
import { bind, fieldsOf } from './bind'
import type { Surroundings, Template } from './nodes'

/** A number that a pattern's sentences say, found again by the sentence that says it and by how it is called there. */
export interface PatternNumber {
  /** `layout`, `deal`, `place`, or the id of a step. */
  readonly of: string
  readonly label: string
  /** "the size of step 2". */
  readonly words: string
  readonly quantity: Quantity
  read(pattern: Pattern): number
  /** Changes the pattern in place: what was worked out is held by it. Counts become whole. */
  write(pattern: Pattern, to: number): void
  /** Why a value cannot be taken. */
  check(to: number): Sentence | undefined
  /** Of a seed alone: also lets it lie between two, as it may in a document that is worked out for a moment and not kept. */
  writeSeed?(pattern: Pattern, to: Seed): void
}

/**
 * Every number that the sentences of a pattern say, their quiet clauses among them, in the order in which the pattern is worked out.
 */
export function patternNumbers(pattern: Pattern, around: Surroundings): PatternNumber[] {
  const said = <T>(of: string, after: string, template: Template<T>, into: (p: Pattern) => T): PatternNumber[] =>
    fieldsOf(bind(template, { root: pattern, into }, { ...around, pattern })).flatMap((field) => {
      if (field.is !== 'number') return []
      const whole = (to: number): number => (field.quantity === 'count' ? Math.round(to) : to)
      return {
        of,
        label: field.label,
        words: `the ${field.label[0].toLowerCase()}${field.label.slice(1)}${after}`,
        quantity: field.quantity,
        read: field.read,
        write: (p, to) => field.write(p, whole(to)),
        check: (to) => field.check(whole(to)),
        ...(field.isSeed && { writeSeed: (p: Pattern, to: Seed) => field.write(p, to as number) }),
      }
    })
  const { layout, steps } = pattern
  const { sentence, deals } = definitionOf(layout)
  return [
    ...said('layout', '', sentence, (p) => p.layout),
    ...((deals?.(layout) ?? true) ? said('deal', ' of the deal', dealSentence, (p) => p) : []),
    ...inPhases(steps).flatMap((step, i) =>
      said(step.id, ` of step ${i + 1}`, stepDefinitionOf(step).sentence, (p) =>
        p === pattern ? step : p.steps.find((s) => s.id === step.id)!,
      ),
    ),
    ...said('place', ' of its place', placeSentence, (p) => p),
  ]
}

/**
 * `patternNumbers` that remembers what it last said: anew only where something is another that the numbers are said from, which a
 * pattern's motion and name are not. While a text is read every phrase that may begin a change asks for them; that was
 * half of the time of reading.
 */
export function rememberedNumbers(): typeof patternNumbers {
  let by: readonly unknown[] = []
  let last: PatternNumber[] = []
  return (pattern, around) => {
    // What is being written is itself, and another at every step.
    if (isDraft(pattern)) return patternNumbers(pattern, around)
    const { layout, deal, steps, place, seed, touchUps } = pattern
    const from = [layout, deal, steps, place, seed, touchUps, around.project, around.unit, around.isText]
    if (!from.every((f, i) => f === by[i])) {
      by = from
      last = patternNumbers(pattern, around)
    }
    return last
  }
}
