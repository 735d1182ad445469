import { produce } from 'immer'
import type { Pattern } from '../model/pattern'
import { matchField } from './fields'
import { singular } from './nameBook'
import type { When } from './nodes'
import type { Element, Phrase } from './phrases'
import { type Reading, type State, type Stuck, around } from './reading'
import { SMALL } from './small'
import { wantsOf } from './wants'

type Matched<R> = { readonly ok: true; readonly state: State<R> } | ({ readonly ok: false } & Stuck)
/** Reads one phrase from a token on. What is not needed may be left out; what is read twice counts as it is read last. */
export function matchPhrase<R>(phrase: Phrase<R>, state: State<R>, reading: Reading): Matched<R> {
  const matched = matchAll(phrase, state, reading)
  return matched.ok && matched.state.score <= state.score
    ? { ok: false, at: state.at, wants: () => wantsOf(phrase, state.root, reading) }
    : matched
}

function matchAll<R>(elements: readonly Element<R>[], from: State<R>, reading: Reading): Matched<R> {
  let state = from
  for (const element of elements) {
    const matched = matchElement(element, state, reading)
    if (!matched.ok) {
      // What was left out just before could have stood there too.
      const { maybe } = state
      return maybe?.at === matched.at ? { ...matched, wants: () => [...maybe.wants(), ...matched.wants()] } : matched
    }
    state = matched.state
  }
  return { ok: true, state }
}

function matchElement<R>(element: Element<R>, state: State<R>, reading: Reading): Matched<R> {
  switch (element.is) {
    case 'word':
      return matchWord(element.words, element.isLoose, state, reading)
    case 'things': {
      const at = past(state.at, reading)
      const found = reading.thing(at, state.made)
      if (!found)
        return {
          ok: true,
          state: { ...state, maybe: { at, wants: () => ['the name of a part', 'a box 100 mm wide'] } },
        }
      const root = produce(state.root, (draft) => {
        ;(draft as unknown as Pattern).deal = { kind: 'inTurn', parts: [...found.ids] }
      })
      return { ok: true, state: { ...state, root, at: found.next, made: found.made, score: state.score + 2 } }
    }
    case 'field': {
      const at = past(state.at, reading)
      const next = matchField(element.field, element.into, { ...state, at }, reading)
      if (next) return { ok: true, state: next }
      // A number is what a phrase is about, unless it can be worked out; a choice has one that is meant where none is said.
      const { field } = element
      const wants = () => wantsOf([element], state.root, reading)
      return field.is === 'choice' || field.is === 'text' || (field.is === 'number' && field.triple)
        ? {
            ok: true,
            state: {
              ...state,
              score: state.score - 0.2,
              maybe: { at, wants },
            },
          }
        : { ok: false, at, wants }
    }
    case 'group':
      return matchGroup(element, state, reading)
  }
}

function matchGroup<R>(
  { when, into, elements }: Extract<Element<R>, { is: 'group' }>,
  state: State<R>,
  reading: Reading,
): Matched<R> {
  const holds = when.holds(into(state.root), around(state.root, reading))
  if (holds && !when.isLoose) return matchAll(elements, state, reading)
  if (!holds && !when.isLoose && !when.grow) return { ok: true, state }
  // What need not be said: it is read where all of it is there.
  const root = holds ? state.root : grown(when, into, state.root, reading)
  const matched = root === undefined ? undefined : matchAll(elements, { ...state, root }, reading)
  return matched?.ok && matched.state.score > state.score + 0.9 ? matched : { ok: true, state }
}

/** The root made so that a group holds of it; undefined where it cannot. */
function grown<R>({ grow }: When<unknown>, into: (root: R) => unknown, root: R, reading: Reading): R | undefined {
  if (!grow) return root
  let can = true
  const next = produce(root, (draft) => {
    can = grow(into(draft as R), reading.around) !== false
  })
  return can ? next : undefined
}
/** Where something may stand: past commas and small words that say nothing. */
function past(at: number, { tokens }: Reading): number {
  let next = at
  while (tokens[next]?.text === ',') next++
  return next
}

function matchWord<R>(words: readonly string[], isLoose: boolean, state: State<R>, { tokens }: Reading): Matched<R> {
  const isSmall = isLoose || words.every((word) => SMALL.has(word))
  for (let skipped = 0; skipped < 4; skipped++) {
    const token = tokens[state.at + skipped]
    if (!token) break
    const text = token.text.toLowerCase()
    if (words.some((word) => word === text || (word.length > 2 && singular(word) === singular(text))))
      return {
        ok: true,
        state: { ...state, at: state.at + skipped + 1, score: state.score + (isSmall ? 0.3 : 1) - 0.1 * skipped },
      }
    if (!SMALL.has(text) && text !== ',') break
  }
  return isSmall ? { ok: true, state } : { ok: false, at: state.at, wants: () => [words[0]] }
}
