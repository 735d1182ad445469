import { produce } from 'immer'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Sentence } from '../words'
import { parseQuantity } from '../numbers/parse'
import { type LengthUnit, type Quantity, unitNamed } from '../numbers/units'
import { NameBook, singular } from './nameBook'
import { unquoted } from './names'
import type { ChoiceField, ListField, NumberField, Option, ReferenceField, Surroundings, When } from './nodes'
import { type Element, type Field, type Phrase, wordsIn } from './phrases'
import type { Token } from './tokens'

/** Words that are forgiven where they are left out, and where they are said without need. */
const SMALL = new Set('a an the of in at to with and on it its is are them their they that as what goes'.split(' '))
/** Units that are also words. */
const GOES_ON = new Set(['in', 'turn', 'turns', 'per', 'm'])
/** A quantity is told by so many tokens at the most. */
const MOST_TOKENS = 24

/** What is known while a text is read. */
export interface Reading {
  readonly text: string
  readonly tokens: readonly Token[]
  readonly unit: LengthUnit
  readonly around: Surroundings
  /** Quantities that do not fit where they are said, and why. */
  readonly misfits: { readonly at: number; readonly says: Sentence }[]
  /** Patterns and parts by their names, for what is taken from them. */
  owner(name: { text: string; tokens: readonly Token[]; at: number }): { root: unknown; next: number } | undefined
  /** A thing by name or by its description: "12 tins", "a box 100 mm wide". */
  thing(
    at: number,
    made: readonly Part[],
  ): { readonly ids: readonly string[]; readonly next: number; readonly made: readonly Part[] } | undefined
}

/** What has been read of a phrase so far. */
export interface State<R> {
  readonly at: number
  readonly root: R
  readonly score: number
  /** Numbers that were said, and those that were said to be worked out: "line Count". */
  readonly said: readonly string[]
  readonly worked: readonly string[]
  /** Parts that were described. */
  readonly made: readonly Part[]
  /** Names, by their tokens, that nothing carries from which something could be taken. */
  readonly unknown: readonly { readonly from: number; readonly to: number }[]
  /** Words that could have stood at a token, where none of them did. */
  readonly maybe?: Stuck
}

/** Where a phrase could not go on, and what it would have gone on with. */
export interface Stuck {
  readonly at: number
  readonly wants: readonly string[]
}

type Matched<R> = { readonly ok: true; readonly state: State<R> } | ({ readonly ok: false } & Stuck)

/** Reads one phrase from a token on. What is not needed may be left out; what is read twice counts as it is read last. */
export function matchPhrase<R>(phrase: Phrase<R>, state: State<R>, reading: Reading): Matched<R> {
  const matched = matchAll(phrase, state, reading)
  return matched.ok && matched.state.score <= state.score
    ? { ok: false, at: state.at, wants: wantsOf(phrase, state.root, reading) }
    : matched
}

function matchAll<R>(elements: readonly Element<R>[], from: State<R>, reading: Reading): Matched<R> {
  let state = from
  for (const element of elements) {
    const matched = matchElement(element, state, reading)
    if (!matched.ok) {
      // What was left out just before could have stood there too.
      const { maybe } = state
      return maybe?.at === matched.at ? { ...matched, wants: [...maybe.wants, ...matched.wants] } : matched
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
        return { ok: true, state: { ...state, maybe: { at, wants: ['the name of a part', 'a box 100 mm wide'] } } }
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
      return field.is === 'choice' || field.is === 'text' || (field.is === 'number' && field.triple)
        ? {
            ok: true,
            state: {
              ...state,
              score: state.score - 0.2,
              maybe: { at, wants: wantsOf([element], state.root, reading) },
            },
          }
        : { ok: false, at, wants: wantsOf([element], state.root, reading) }
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

const around = <R>(root: R, reading: Reading): Surroundings =>
  typeof root === 'object' && root !== null && 'layout' in root
    ? { ...reading.around, pattern: root as unknown as Pattern }
    : reading.around

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
  return isSmall ? { ok: true, state } : { ok: false, at: state.at, wants: [words[0]] }
}

/** Past small words before a value. */
function* starts(at: number, { tokens }: Reading): Generator<number> {
  yield at
  for (let i = at; i < at + 3 && tokens[i] && SMALL.has(tokens[i].text.toLowerCase()); i++) yield i + 1
}

function matchField<R>(
  field: Field,
  into: (root: R) => unknown,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  for (const at of starts(state.at, reading)) {
    const next = fieldAt(field, into, { ...state, at }, reading)
    if (next) return { ...next, score: next.score - 0.1 * (at - state.at) }
  }
  return undefined
}

function fieldAt<R>(field: Field, into: (root: R) => unknown, state: State<R>, reading: Reading): State<R> | undefined {
  const write = (edit: (value: unknown) => void): R =>
    produce(state.root, (draft) => {
      edit(into(draft as R))
    })
  const { tokens } = reading
  const token = tokens[state.at]
  if (!token) return undefined
  switch (field.is) {
    case 'number':
      return numberAt(field, into, write, state, reading)
    case 'choice': {
      const found = optionAt(field, into(state.root), state, reading)
      const known = around(state.root, reading)
      if (!found && field.isTaken && token.is === 'quoted')
        return { ...state, at: state.at + 1, score: state.score + 0.5 }
      return (
        found && {
          ...state,
          at: found.next,
          score: state.score + found.score,
          root: write((value) => field.write(value, found.value, known)),
        }
      )
    }
    case 'list': {
      const found = listAt(field, into(state.root), state, reading)
      return (
        found && {
          ...state,
          at: found.next,
          made: found.made,
          score: state.score + 2 * found.values.length,
          root: write((value) => field.write(value, found.values)),
        }
      )
    }
    case 'text':
      if (token.is !== 'quoted') return undefined
      return {
        ...state,
        at: state.at + 1,
        score: state.score + 1,
        root: write((value) => field.write?.(value, unquoted(token.text))),
      }
    case 'color':
      return token.is === 'color'
        ? {
            ...state,
            at: state.at + 1,
            score: state.score + 2,
            root: write((v) => field.write(v, token.text.toLowerCase())),
          }
        : undefined
    case 'reference':
      return referenceAt(field, into, write, state, reading)
  }
}

function numberAt<R>(
  field: NumberField<unknown>,
  into: (root: R) => unknown,
  write: (edit: (value: unknown) => void) => R,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  const name = `${field.triple ?? ''} ${field.label}`
  const remark = workedOut(state.at, reading)
  if (remark !== undefined) {
    const root = write((v) => field.letGo?.(v))
    return { ...state, at: remark, root, score: state.score + 1, worked: [...state.worked, name] }
  }
  const found = quantityAt(state.at, field.quantity(into(state.root)), reading)
  if (!found) return undefined
  return {
    ...state,
    at: found.next,
    score: state.score + 2,
    said: [...state.said, name],
    root: write((v) => field.write(v, found.value)),
  }
}

/** A value in brackets, or "as many as fit", is said to be worked out; the token after it. */
function workedOut(at: number, { tokens }: Reading): number | undefined {
  if (['as', 'many', 'as', 'fit'].every((word, i) => tokens[at + i]?.text.toLowerCase() === word)) return at + 4
  if (tokens[at]?.text !== '(') return undefined
  let end = at + 1
  while (end < tokens.length && end < at + MOST_TOKENS && tokens[end].text !== ')') end++
  if (tokens[end]?.text !== ')' || !tokens.slice(at + 1, end).every(isOfRemark)) return undefined
  const after = tokens[end + 1]
  // A sum may begin with a bracket: (2 + 3) × 12 mm.
  const goesOn = after && (isOperator(after) || (after.is === 'word' && isUnit(after) && !SMALL.has(after.text)))
  return goesOn ? undefined : end + 1
}
const isOperator = ({ text }: Token): boolean => /^[+\-−–*×·/÷]$/.test(text)
const isUnit = ({ text }: Token): boolean =>
  unitNamed(text, 'length') !== undefined || unitNamed(text, 'angle') !== undefined
const isOfQuantity = (token: Token): boolean =>
  token.is === 'number' ||
  (token.is === 'word' ? isUnit(token) || token.text === 'per' : /^[+\-−–*×·/÷()'"′″’”°%²]$/.test(token.text))

/** What stands in brackets of a value that was worked out: a quantity, or that it was. */
const isOfRemark = (token: Token): boolean => isOfQuantity(token) || /^(worked|out|≈|,)$/.test(token.text)

/** The longest quantity that stands at a token. */
export function quantityAt(
  at: number,
  quantity: Quantity,
  { text, tokens, unit, misfits }: Pick<Reading, 'text' | 'tokens' | 'unit' | 'misfits'>,
): { readonly value: number; readonly next: number } | undefined {
  let most = at
  while (most < tokens.length && most < at + MOST_TOKENS && isOfQuantity(tokens[most])) most++
  for (let end = most; end > at; end--) {
    const said = text.slice(tokens[at].at, tokens[end - 1].end)
    // A plain number is no density: it is the count.
    if (quantity === 'density' && !/\/|per/.test(said)) return undefined
    const read = parseQuantity(said, quantity, unit)
    if (read.ok) return { value: read.value, next: end }
    if (end === most) misfits.push({ at, says: read.problem.says })
    // A unit that does not fit is not left behind; only a word that goes on with the sentence is.
    if (!GOES_ON.has(tokens[end - 1].text.toLowerCase())) return undefined
  }
  return undefined
}

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

/** Options whose words are the same, and that only their names tell apart. */
function byTheirWords(options: readonly Option[]): Option[][] {
  const found = new Map<string, Option[]>()
  for (const option of options) {
    const key = `${option.words} ${option.hasSlot ?? ''}`
    const alike = found.get(key)
    if (alike && option.name !== undefined) alike.push(option)
    else found.set(option.name === undefined ? `${key} ${option.value}` : key, [option])
  }
  return [...found.values()]
}

/** The option that says most of what stands at a token. */
function optionAt<R>(
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

function listAt<R>(
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

/** So much of something, "as in" the one that has it. */
function referenceAt<R>(
  field: ReferenceField<unknown>,
  into: (root: R) => unknown,
  write: (edit: (value: unknown) => void) => R,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  const { text, tokens } = reading
  if (tokens[state.at]?.is !== 'number') return undefined
  for (let i = state.at + 1; i < state.at + 8 && tokens[i]; i++) {
    if (tokens[i].text.toLowerCase() !== 'as' || tokens[i + 1]?.text.toLowerCase() !== 'in') continue
    const from = reading.owner({ text, tokens, at: i + 2 })
    const source = from && into(from.root as R)
    if (from && kindOf(source) === kindOf(into(state.root)))
      return { ...state, at: from.next, score: state.score + 3, root: write((value) => field.take(value, source)) }
    let end = i + 2
    while (tokens[end] && !/^[.,;]$/.test(tokens[end].text)) end++
    return { ...state, at: end, score: state.score + 3, unknown: [...state.unknown, { from: i, to: end }] }
  }
  return undefined
}

const kindOf = (value: unknown): unknown => (value as { kind?: unknown } | undefined)?.kind

/** What a phrase would begin with. */
export function wantsOf<R>(elements: readonly Element<R>[], root: R, reading: Reading): string[] {
  for (const element of elements) {
    if (element.is === 'word') {
      if (!element.isLoose && !element.words.every((w) => SMALL.has(w))) return [element.words[0]]
    } else if (element.is === 'things') continue
    else if (element.is === 'group') {
      const { when, into } = element
      if (when.isLoose || when.holds(into(root), around(root, reading))) {
        const inside = wantsOf(element.elements, root, reading)
        if (inside.length > 0) return inside
      }
    } else if (element.field.is === 'choice') {
      const known = around(root, reading)
      return element.field
        .options(element.into(root), known)
        .filter((o) => !o.isRead)
        .slice(0, 12)
        .map((o) => `${o.words}${o.name ?? ''}`)
    } else if (element.field.is === 'number') return [numberWords[element.field.quantity(element.into(root))]]
    else if (element.field.is === 'list') return ['a name']
    else if (element.field.is === 'reference') return ['“… as in” the name of the pattern that has it']
  }
  return []
}
const numberWords: Record<Quantity, string> = {
  length: 'a length',
  angle: 'an angle',
  share: 'a share in %',
  count: 'a whole number',
  factor: 'a number',
  density: 'a density',
}
