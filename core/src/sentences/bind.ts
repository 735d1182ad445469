import type { Pattern } from '../model/pattern'
import type { Quantity } from '../numbers/units'
import type { Sentence } from '../words'
import type { Node, NumberField, Option, State, Surroundings, Template } from './nodes'

interface BoundField {
  /** The same wherever the same field is shown again. */
  readonly key: string
  readonly label: string
  /** What undo calls a change to a value; absent where it is that of the whole sentence. */
  undo(to: string | number): string | undefined
}

/** A number where it stands: `write` changes the root, in place. */
export interface BoundNumber<R> extends BoundField {
  readonly is: 'number'
  readonly quantity: Quantity
  readonly state: State
  /** As it is said: what is held, or what was worked out. */
  readonly value: number
  readonly triple?: string
  readonly isSeed: boolean
  read(root: R): number
  write(root: R, to: number): void
  /** Lets it be worked out. */
  letGo?(root: R): void
  check(to: number): Sentence | undefined
}
export interface BoundChoice<R> extends BoundField {
  readonly is: 'choice'
  readonly value: string
  readonly options: readonly Option[]
  /** Whether a seed is one for all. */
  readonly isOfSeed?: true
  write(root: R, to: string): void
}
export interface BoundList<R> extends BoundField {
  readonly is: 'list'
  readonly more: string
  readonly less: string
  readonly least: number
  readonly canChange: boolean
  readonly asks?: string
  readonly values: readonly string[]
  readonly options: readonly Option[]
  write(root: R, to: readonly string[]): void
}
export interface BoundText<R> extends BoundField {
  readonly is: 'text'
  readonly value: string
  readonly asks?: string
  readonly isTyped: boolean
  write?(root: R, to: string): void
}
export interface BoundColor<R> extends BoundField {
  readonly is: 'color'
  readonly value: string
  write(root: R, to: string): void
}
export interface BoundReference<R> extends BoundField {
  readonly is: 'reference'
  readonly says: Sentence
  /** Takes what it stands for from another root. */
  take(root: R, from: R): void
}
/** A sentence with its values: what is said of it now. */
export type Item<R> =
  | { readonly is: 'words'; readonly key: string; readonly words: string }
  | { readonly is: 'clause'; readonly key: string; readonly neutral: boolean; readonly items: readonly Item<R>[] }
  | BoundNumber<R>
  | BoundChoice<R>
  | BoundList<R>
  | BoundText<R>
  | BoundColor<R>
  | BoundReference<R>

/** Where a template's value lies in what is edited: a layout in its pattern, a step in its pattern, a part itself. */
export interface Place<R, T> {
  readonly root: R
  into(root: R): T
}

const isPattern = (root: unknown): root is Pattern => typeof root === 'object' && root !== null && 'layout' in root

/**
 * What a sentence says of a value, in order, each field tied to where it stands. Clauses that are neutral are there, marked; what
 * does not hold of the value is not.
 */
export function bind<R, T>(template: Template<T>, place: Place<R, T>, around: Surroundings, key = ''): Item<R>[] {
  return template.flatMap((node, i) => bindNode(node, place, around, `${key}${i}`))
}

function bindNode<R, T>(node: Node<T>, place: Place<R, T>, around: Surroundings, key: string): Item<R>[] {
  if (typeof node === 'string') return [{ is: 'words', key, words: node }]
  const { root, into } = place
  const value = into(root)
  switch (node.is) {
    case 'joint':
      return [{ is: 'words', key, words: node.words }]
    case 'said':
      return [{ is: 'words', key, words: node.words(value, around) }]
    case 'things':
      return []
    case 'when':
      if (node.inText && !around.isText) return []
      return node.holds(value, around) ? bind(node.nodes, place, around, `${key}.`) : []
    case 'clause':
      return [{ is: 'clause', key, neutral: node.neutral(value), items: bind(node.nodes, place, around, `${key}.`) }]
    case 'within':
      return bind(node.nodes as Template<unknown>, { root, into: (r: R) => node.into(into(r)) }, around, `${key}.`)
    case 'pattern':
      return isPattern(root)
        ? bind(node.nodes, { root, into: (r: R) => r as unknown as Pattern }, around, `${key}.`)
        : []
    case 'number':
      return bindNumber(node, place, around, key)
    default:
      return [bindField(node, place, around, key)]
  }
}

const undoOf =
  <T>({ undo }: { readonly undo?: string | ((value: T, to: string | number) => string) }, value: T) =>
  (to: string | number): string | undefined =>
    typeof undo === 'function' ? undo(value, to) : undo

type Fields<T> = Extract<Node<T>, { readonly is: 'choice' | 'list' | 'text' | 'color' | 'reference' }>

function bindField<R, T>(node: Fields<T>, { root, into }: Place<R, T>, around: Surroundings, key: string): Item<R> {
  const value = into(root)
  const field = { key, label: node.label, undo: undoOf(node, value) }
  switch (node.is) {
    case 'choice':
      return {
        ...field,
        is: 'choice',
        value: node.read(value, around),
        options: node.options(value, around),
        write: (r, to) => node.write(into(r), to, around),
      }
    case 'list': {
      const { is, more, less, least, canChange, asks } = node
      return {
        ...field,
        ...{ is, more, less, least, canChange },
        ...(asks && { asks }),
        values: node.read(value),
        options: node.options(value, around),
        write: (r: R, to: readonly string[]) => node.write(into(r), to),
      }
    }
    case 'text': {
      const { write, asks, isTyped = false } = node
      return {
        ...field,
        is: 'text',
        value: node.read(value),
        isTyped,
        ...(asks && { asks }),
        ...(write && { write: (r: R, to: string) => write(into(r), to) }),
      }
    }
    case 'color':
      return { ...field, is: 'color', value: node.read(value), write: (r, to) => node.write(into(r), to) }
    case 'reference':
      return { ...field, is: 'reference', says: node.says(value), take: (r, from) => node.take(into(r), into(from)) }
  }
}

/** A number; a seed in whose place one for the whole pattern stands is that one. */
function bindNumber<R, T>(
  node: NumberField<T>,
  { root, into }: Place<R, T>,
  around: Surroundings,
  key: string,
): Item<R>[] {
  const value = into(root)
  const state = node.state(value)
  const worked = state === 'worked' ? node.shown?.(value, around) : undefined
  const own: BoundNumber<R> = {
    is: 'number',
    key,
    label: node.label,
    undo: undoOf(node, value),
    quantity: node.quantity(value),
    state,
    value: worked === undefined || Number.isNaN(worked) ? node.read(value) : worked,
    ...(node.triple && { triple: node.triple }),
    isSeed: node.isSeed ?? false,
    read: (r) => node.read(into(r)),
    write: (r, to) => node.write(into(r), to),
    ...(node.letGo && { letGo: (r: R) => node.letGo!(into(r)) }),
    check: (to) => node.check?.(to, value, around),
  }
  return node.isSeed && isPattern(root) ? bindSeed(own, root) : [own]
}

function bindSeed<R>(own: BoundNumber<R>, { seed }: Pattern): Item<R>[] {
  const patternOf = (r: R): Pattern => r as unknown as Pattern
  const shared: BoundNumber<R> =
    seed === undefined
      ? own
      : {
          ...own,
          value: seed,
          read: (r) => patternOf(r).seed ?? own.read(r),
          write: (r, to) => void (patternOf(r).seed = to),
        }
  return [
    shared,
    { is: 'words', key: `${own.key} `, words: ' ' },
    {
      is: 'choice',
      key: `${own.key} whose`,
      label: `Whose ${own.label.toLowerCase()}`,
      undo: () => 'seed',
      isOfSeed: true,
      value: seed === undefined ? 'own' : 'all',
      options: [
        { value: 'own', words: 'of its own' },
        { value: 'all', words: 'for all', note: 'one for everything in the pattern that is left to chance' },
      ],
      write: (r, whose) => {
        if (whose === 'all') patternOf(r).seed = own.read(r)
        else delete patternOf(r).seed
      },
    },
  ]
}

/** The fields of a sentence, those of its clauses among them, in order. */
export const fieldsOf = <R>(items: readonly Item<R>[]): Exclude<Item<R>, { is: 'words' | 'clause' }>[] =>
  items.flatMap((item) => (item.is === 'clause' ? fieldsOf(item.items) : item.is === 'words' ? [] : [item]))
