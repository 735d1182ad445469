import type { Part } from '../model/part'
import { lookFor, newSolids } from '../parts/newParts'
import { colorSentence, solidKinds, solidSentence, solidWords } from '../parts/sentence'
import type { SolidKind } from '../solids/schema'
import { matchPhrase } from './match'
import { singular } from './nameBook'
import type { Template } from './nodes'
import { phrasesOf, wordsIn } from './phrases'
import type { Reading, State } from './reading'
import type { Token } from './tokens'

/** The first words of a solid that is described, and the token after them. */
export interface SolidAt {
  readonly kind: SolidKind
  readonly next: number
}

/** The kind of a solid that is described at a token: "a rounded box …", "boxes …". */
export function solidAt(at: number, tokens: readonly Token[]): SolidAt | undefined {
  const from = /^(a|an)$/i.test(tokens[at]?.text ?? '') ? at + 1 : at
  let best: SolidAt | undefined
  for (const kind of solidKinds) {
    const wanted = wordsIn(solidWords(kind)).slice(1)
    const fits = wanted.every((word, i) => {
      const said = tokens[from + i]?.text.toLowerCase() ?? ''
      return said === word || singular(said) === word
    })
    if (fits && (!best || from + wanted.length > best.next)) best = { kind, next: from + wanted.length }
  }
  return best
}

/** A solid as it begins, the n-th part of its project. */
export const begunSolid = (kind: SolidKind, id: string, name: string, n: number): Part => ({
  id,
  name,
  shape: structuredClone(newSolids[kind].solid),
  look: lookFor(n),
})

/** The part that a description makes of a solid, as far as its numbers go, and the token after them. */
export function described(begun: Part, { kind, next: at }: SolidAt, reading: Reading): { part: Part; next: number } {
  const phrases = phrasesOf<Part>([...solidSentence(kind), ...colorSentence] as Template<unknown>, (part) => part)
  // Its first words are there already.
  const rest = phrases.map((phrase, i) => (i > 0 ? phrase : phrase.slice(wordsIn(solidWords(kind)).length)))
  let state: State<Part> = { at, root: begun, score: 0, said: [], worked: [], made: [], unknown: [] }
  const used = new Set<number>()
  for (;;) {
    const ahead = { ...state, at: state.at === at ? at : pastSeparators(state.at, reading) }
    let best: { readonly i: number; readonly state: State<Part> } | undefined
    for (const [i, phrase] of rest.entries()) {
      const matched = used.has(i) ? undefined : matchPhrase(phrase, ahead, reading)
      if (matched?.ok && (!best || matched.state.score > best.state.score)) best = { i, state: matched.state }
    }
    if (!best) return { part: state.root, next: state.at }
    used.add(best.i)
    state = best.state
  }
}

function pastSeparators(at: number, { tokens }: Reading): number {
  let next = at
  while ([',', 'and', '.'].includes(tokens[next]?.text.toLowerCase() ?? '')) next++
  return next
}
