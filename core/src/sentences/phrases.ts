import type { Pattern } from '../model/pattern'
import type {
  ChoiceField,
  ColorField,
  ListField,
  Node,
  NumberField,
  ReferenceField,
  Template,
  TextField,
  When,
} from './nodes'

/** A field that can be read from words. */
export type Field =
  | NumberField<unknown>
  | ChoiceField<unknown>
  | ListField<unknown>
  | TextField<unknown>
  | ColorField<unknown>
  | ReferenceField<unknown>

/** What stands in a phrase, one after another, each with where its value lies in the root. */
export type Element<R> =
  | { readonly is: 'word'; readonly words: readonly string[]; readonly isLoose: boolean }
  | { readonly is: 'field'; readonly field: Field; into(root: R): unknown }
  | { readonly is: 'things' }
  | {
      readonly is: 'group'
      readonly when: When<unknown>
      into(root: R): unknown
      readonly elements: readonly Element<R>[]
    }

/** What a comma, a semicolon or a full stop parts from the rest of a sentence: it can be read by itself. */
export type Phrase<R> = readonly Element<R>[]

interface Group<R> {
  readonly when: When<unknown>
  into(root: R): unknown
}
interface Flat<R> {
  readonly element: Element<R>
  readonly groups: readonly Group<R>[]
}

/** A sentence cut into its phrases, those of its clauses among them. */
export function phrasesOf<R>(template: Template<unknown>, into: (root: R) => unknown): Phrase<R>[] {
  const phrases: Flat<R>[][] = [[]]
  const end = (): void => {
    if (phrases[phrases.length - 1].length > 0) phrases.push([])
  }
  const add = (element: Element<R>, groups: readonly Group<R>[]): void =>
    void phrases[phrases.length - 1].push({ element, groups })

  function words(text: string, groups: readonly Group<R>[]): void {
    for (const piece of text.split(/([,;:.])/)) {
      if (/[,;:.]/.test(piece)) end()
      for (const word of wordsIn(piece)) add({ is: 'word', words: [word], isLoose: false }, groups)
    }
  }
  function walk(nodes: Template<unknown>, value: (root: R) => unknown, groups: readonly Group<R>[]): void {
    for (const node of nodes as readonly Node<unknown>[]) {
      if (typeof node === 'string') words(node, groups)
      else if (node.is === 'joint') {
        for (const word of wordsIn(node.words)) add({ is: 'word', words: [word], isLoose: true }, groups)
      } else if (node.is === 'said') {
        if (node.also.length > 0) add({ is: 'word', words: node.also, isLoose: true }, groups)
      } else if (node.is === 'things') add({ is: 'things' }, groups)
      else if (node.is === 'when') walk(node.nodes, value, [...groups, { when: node, into: value }])
      else if (node.is === 'clause') {
        end()
        walk(node.nodes, value, groups)
        end()
      } else if (node.is === 'within') walk(node.nodes as Template<unknown>, (root) => node.into(value(root)), groups)
      else if (node.is === 'pattern')
        walk(node.nodes as Template<unknown>, (root) => root as unknown as Pattern, groups)
      else add({ is: 'field', field: node, into: value }, groups)
    }
  }
  walk(template, into, [])
  return phrases.filter((flat) => flat.length > 0).map((flat) => nested(flat, 0))
}

/** Elements of one group after another, as groups. */
function nested<R>(flat: readonly Flat<R>[], depth: number): Element<R>[] {
  const out: Element<R>[] = []
  for (let i = 0; i < flat.length;) {
    const group = flat[i].groups[depth]
    if (!group) {
      out.push(flat[i++].element)
      continue
    }
    let j = i
    while (j < flat.length && flat[j].groups[depth] === group) j++
    out.push({ is: 'group', when: group.when, into: group.into, elements: nested(flat.slice(i, j), depth + 1) })
    i = j
  }
  return out
}

/** The words of a text, in small letters. */
export const wordsIn = (text: string): string[] =>
  text.toLowerCase().match(/\p{L}[\p{L}\p{M}]*(?:[’'-]\p{L}[\p{L}\p{M}]*)*|\d+|[×→]/gu) ?? []
