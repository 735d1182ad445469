import { dealSentence } from '../deal/sentence'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import { otherSentence, placeSentence } from '../model/sentence'
import { movementDefinitionOf } from '../motion/index'
import { byTouchUps, stepDefinitionOf } from '../steps/index'
import { chancesOf } from './chances'
import { quoted } from './names'
import type { Surroundings, Template } from './nodes'
import { sentenceAsText } from './text'

/** A sentence of a pattern, and where its value lies in it. */
export interface PatternSentence {
  readonly template: Template<never>
  into(pattern: Pattern): unknown
}

/** All sentences of a pattern, in the order in which they are read. */
export function sentencesOf(pattern: Pattern): PatternSentence[] {
  const definition = definitionOf(pattern.layout)
  const deals = definition.deals?.(pattern.layout) ?? true
  const { before, after } = byTouchUps(pattern.steps)
  const of = (template: Template<never>, into: PatternSentence['into']): PatternSentence => ({ template, into })
  return [
    of(definition.sentence as Template<never>, (p) => p.layout),
    ...(deals ? [of(dealSentence as Template<never>, (p) => p)] : []),
    ...[...before, ...after].map((step) => {
      const at = pattern.steps.indexOf(step)
      return of(stepDefinitionOf(step).sentence as Template<never>, (p) => p.steps[at])
    }),
    ...(pattern.motion ?? []).map((movement, at) =>
      of(movementDefinitionOf(movement).sentence as Template<never>, (p) => p.motion?.[at]),
    ),
    of(placeSentence as Template<never>, (p) => p),
    of(otherSentence as Template<never>, (p) => p),
  ]
}

/**
 * A pattern as text, a sentence a line. Seeds are those of each thing; one for all is said by itself.
 *
 * @param around what it came out as, where that is known: values that are worked out stand in brackets
 */
export function patternAsText(pattern: Pattern, around: Surroundings): string {
  const root: Pattern = { ...pattern, seed: undefined }
  const lines = sentencesOf(pattern).map(({ template, into }, i, all) => {
    const own = i === all.length - 1 ? pattern : root
    return sentenceAsText(template as Template<unknown>, { root: own, into }, { ...around, pattern }, pattern.name)
  })
  const chances = chancesOf(pattern)
  if (chances !== undefined) lines.push(`Chances drawn as ${quoted(chances, true)}.`)
  return lines.filter(Boolean).join('\n')
}
