import type { Part } from '../model/part'
import { NameBook, singular } from './nameBook'
import { unquoted } from './names'
import type { ChoiceField, ListField, Option } from './nodes'
import { wordsIn } from './phrases'
import { type Reading, type State, around } from './reading'
import { SMALL } from './small'

const words = new Map<string, readonly string[]>()
const wordsOf = (text: string): readonly string[] => {
  const known = words.get(text)
  if (known) return known
  const found = wordsIn(text)
  words.set(text, found)
  return found
}

interface FoundOption {
  readonly value: string
  readonly next: number
  readonly score: number
}

const grouped = new WeakMap<readonly Option[], Option[][]>()
/** Options whose words are the same, and that only their names tell apart. */
function byTheirWords(options: readonly Option[]): Option[][] {
  const known = grouped.get(options)
  if (known) return known
  const found = new Map<string, Option[]>()
  for (const option of options) {
    const key = `${option.words} ${option.hasSlot ?? ''}`
    const alike = found.get(key)
    if (alike && option.name !== undefined) alike.push(option)
    else found.set(option.name === undefined ? `${key} ${option.value}` : key, [option])
  }
  const all = [...found.values()]
  grouped.set(options, all)
  return all
}

/** The option that says most of what stands at a token. */
export function optionAt<R>(
  field: ChoiceField<unknown>,
  value: unknown,
  state: State<R>,
  reading: Reading,
): FoundOption | undefined {
  let best: FoundOption | undefined
  const options = field.options(value, around(state.root, reading))
  for (const alike of byTheirWords(options)) {
    const [option] = alike
    const found =
      option.name === undefined && !option.hasSlot
        ? saidWords(wordsOf(option.words), state.at, reading)
        : saidName(alike, state.at, reading)
    if (found && (!best || found.score > best.score)) best = { value: option.value, ...found }
  }
  return best
}

/** Words that have to be said, small ones left out as they like. */
function saidWords(wanted: readonly string[], at: number, { tokens }: Reading): Omit<FoundOption, 'value'> | undefined {
  const isAllSmall = wanted.every((word) => SMALL.has(word))
  let next = at
  let score = 0
  for (const word of wanted) {
    const isSmall = SMALL.has(word) && !isAllSmall
    while (tokens[next]?.text === ',' && next > at) next++
    const text = tokens[next]?.text.toLowerCase()
    if (text === word || (text !== undefined && word.length > 2 && singular(text) === singular(word))) {
      next++
      score += isSmall ? 0.3 : 1
    } else if (!isSmall) return undefined
  }
  return next > at ? { next, score } : undefined
}

/** Words, then a name: of those whose words are the same. */
function saidName(alike: readonly Option[], at: number, reading: Reading): FoundOption | undefined {
  const { text, tokens } = reading
  let next = at
  for (const word of wordsOf(alike[0].words)) {
    if (tokens[next]?.text.toLowerCase() === word) next++
    else if (!SMALL.has(word)) return undefined
  }
  let slot: string | undefined
  if (alike[0].hasSlot) {
    if (tokens[next]?.is !== 'quoted') return undefined
    slot = unquoted(tokens[next++].text)
    if (tokens[next]?.text.toLowerCase() === 'of') next++
  }
  const ending = slot === undefined ? '' : ` ${slot}`
  if (alike[0].name === undefined) return { value: `${alike[0].value}${ending}`, next, score: 2 }
  const book = new NameBook(alike.map(({ name = '', value }) => ({ name, value })))
  const found = book.at(text, tokens, next)
  return found && { value: `${found.value}${ending}`, next: found.next, score: 2 }
}

export function listAt<R>(
  field: ListField<unknown>,
  value: unknown,
  state: State<R>,
  reading: Reading,
): { values: string[]; next: number; made: readonly Part[] } | undefined {
  const known = around(state.root, reading)
  const byWords = byTheirWords(field.options(value, known))
  const values: string[] = []
  let { at, made } = state
  for (;;) {
    let found: { values: readonly string[]; next: number } | undefined
    for (const alike of byWords) {
      const one = saidName(alike, at, reading)
      if (one && (!found || one.next > found.next)) found = { values: [one.value], next: one.next }
    }
    if (!found && field.asks === 'deal') {
      const thing = reading.thing(at, made)
      if (thing) {
        found = { values: thing.ids, next: thing.next }
        made = thing.made
      }
    }
    if (!found) break
    values.push(...found.values)
    at = found.next
    const comma = at
    while (reading.tokens[at] && [',', 'and'].includes(reading.tokens[at].text.toLowerCase())) at++
    if (at === comma) break
    // A comma after the last of them belongs to what follows.
    const more =
      byWords.some((alike) => saidName(alike, at, reading)) || (field.asks === 'deal' && reading.thing(at, made))
    if (!more) {
      at = comma
      break
    }
  }
  return values.length > 0 ? { values, next: at, made } : undefined
}
