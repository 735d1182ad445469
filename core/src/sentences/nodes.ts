import type { InstanceTable } from '../instances'
import type { LayoutDefinition } from '../layouts/definition'
import type { LaidOut, Layout } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Timed } from '../motion/timing'
import type { LengthUnit, Quantity } from '../numbers/units'
import type { Vec3 } from '../values/values'
import type { Sentence } from '../words'
import type { PatternNumber } from './patternNumbers'

/**
 * A sentence is a template over a value: words, fields that read and write it, and clauses. From the one template come the
 * editor, the plain text, what is read back from such text, and what Proofs can vary. Every `write` changes its value in place.
 */
export type Node<T> =
  | string
  | Joint
  | Said<T>
  | NumberField<T>
  | ChoiceField<T>
  | ListField<T>
  | TextField<T>
  | ColorField<T>
  | ReferenceField<T>
  | When<T>
  | Clause<T>
  | Within<T>
  | OfPattern
  | Things

export type Template<T> = readonly Node<T>[]

/** What a sentence may ask about layouts, and about the other sentences. */
export interface Knowledge {
  definitionOf(layout: Layout): LayoutDefinition<Layout, LaidOut>
  /** Whether anything may size, turn or change the copies of a pattern once they are laid out. */
  isShaped(pattern: Pattern, project: Project): boolean
  /** Every number that the sentences of a pattern say. */
  numbersOf(pattern: Pattern, around: Surroundings): readonly PatternNumber[]
}

/** What a sentence may know beside its value. */
export interface Surroundings {
  readonly knows: Knowledge
  readonly project: Project
  readonly unit: LengthUnit
  readonly pattern?: Pattern | undefined
  /** What its layout came out as, and its copies. */
  readonly laid?: LaidOut | undefined
  readonly table?: InstanceTable | undefined
  /** A text is written or read: what is said counts as it is said, and nothing is carried over from what was. */
  readonly isText?: true
  /** The fonts that there are. */
  readonly fonts?: readonly string[] | undefined
  /** The picked copy, where one is picked. */
  readonly slot?: string | undefined
  /** How the times of a movement came out, where it is one. */
  readonly timed?: Timed | undefined
  /** Reads a spacing in another measure; it goes by what it was asked before. */
  readonly reread?: Reread | undefined
}

/** What a pattern came out as, as far as its sentences tell of it. */
export interface CameOut {
  readonly id: string
  readonly laid?: LaidOut
  readonly table: InstanceTable
}

/** What is read in one of several ways. */
export interface Measured {
  measure: string
  spacing: number
}
export type Reread = (
  key: string,
  before: Readonly<Measured>,
  measure: string,
  converted: number | undefined,
) => (spacing: Measured) => void

/** Words that do not part a sentence where a comma would: between the numbers of one place. */
export interface Joint {
  readonly is: 'joint'
  readonly words: string
}

/** Words that go by the value: "row" or "rows". `also` are all that they can be, for reading. */
export interface Said<T> {
  readonly is: 'said'
  readonly also: readonly string[]
  words(value: T, around: Surroundings): string
}

/** Held by the person, worked out from what is held, or neither. */
export type State = 'held' | 'worked' | 'free'

interface Field<T> {
  /** How it is called by a screen reader, and found by it. */
  readonly label: string
  /** What undo calls a change of it, by the value before; what it belongs to where it is absent. */
  readonly undo?: string | ((value: T, to: string | number) => string)
}

/** A number with its quantity; a plain one where it may be scrubbed and varied without more. */
export interface NumberField<T> extends Field<T> {
  readonly is: 'number'
  quantity(value: T): Quantity
  read(value: T): number
  write(value: T, to: number): void
  state(value: T): State
  /** What is shown where it is worked out. */
  shown?(value: T, around: Surroundings): number | undefined
  check?(to: number, value: T, around: Surroundings): Sentence | undefined
  /** One of those of which all but one are held, by the name of them all. */
  readonly triple?: string
  /** It is said to be worked out: another one is held for it. */
  letGo?(value: T): void
  /** A seed: one for the whole pattern may take its place. */
  readonly isSeed?: true
}

export interface Option {
  readonly value: string
  readonly words: string
  /** The name of a thing that ends it: "in the outline of" Tray. */
  readonly name?: string
  /** Read only: a slot in quotation marks stands between its words and its name, and ends its value. */
  readonly hasSlot?: true
  readonly note?: string
  /** The way it goes, in the pattern's own axes: shown on the stage while it is considered. */
  readonly toward?: Readonly<Vec3>
  /** It takes more than a word: a place on the stage, a file. The interface asks, and does what comes of it. */
  readonly asks?: string
  /** Only read, no longer to be picked. */
  readonly isRead?: true
}

/** One of a few words. */
export interface ChoiceField<T> extends Field<T> {
  readonly is: 'choice'
  /** It comes with what is taken from elsewhere: what is read of it says nothing. */
  readonly isTaken?: true
  read(value: T, around: Surroundings): string
  write(value: T, to: string, around: Surroundings): void
  options(value: T, around: Surroundings): readonly Option[]
}

/** Things one after another, to which more are added by name. */
export interface ListField<T> extends Field<T> {
  readonly is: 'list'
  /** The label of the way to add one, and what taking one away is called before its name. */
  readonly more: string
  readonly less: string
  /** How few there are at the least. */
  readonly least: number
  /** Whether those that are there can be changed for others. */
  readonly canChange: boolean
  /** The interface has a component of its own for it. */
  readonly asks?: string
  read(value: T): readonly string[]
  write(value: T, to: readonly string[]): void
  options(value: T, around: Surroundings): readonly Option[]
}

/** A few words of the person's own, said in quotation marks. */
export interface TextField<T> extends Field<T> {
  readonly is: 'text'
  read(value: T): string
  /** Absent where the interface changes it in another way, named by `asks`. */
  write?(value: T, to: string): void
  readonly asks?: string
  /** It is typed first, and what was typed is asked for. */
  readonly isTyped?: true
}

export interface ColorField<T> extends Field<T> {
  readonly is: 'color'
  read(value: T): string
  write(value: T, to: string): void
}

/**
 * What no words can say (a drawn curve, spots, an outline): how much of it there is, and in a text the pattern that has it. Read
 * back, it is taken from the pattern of that name.
 */
export interface ReferenceField<T> extends Field<T> {
  readonly is: 'reference'
  /** "6 points". */
  says(value: T): Sentence
  take(value: T, from: T): void
}

/** Said only while something holds of the value. */
export interface When<T> {
  readonly is: 'when'
  holds(value: T, around: Surroundings): boolean
  /** Whether it can be read also where it would not be said. */
  readonly isLoose: boolean
  /** The interface shows it in another way: it is said in texts alone. */
  readonly inText?: true
  /** Makes it hold, where a text that says it does so; false where it cannot. */
  grow?(value: T, from: Surroundings): void | false
  readonly nodes: Template<T>
}

/** Not said, or said in soft ink, while it is neutral. */
export interface Clause<T> {
  readonly is: 'clause'
  neutral(value: T): boolean
  readonly nodes: Template<T>
}

/** Of something inside the value. */
export interface Within<T> {
  readonly is: 'within'
  into(value: T): unknown
  readonly nodes: Template<never>
}

/** Of the pattern to which a layout or a step belongs. */
export interface OfPattern {
  readonly is: 'pattern'
  readonly nodes: Template<Pattern>
}

/** Read only: what is placed, by name or described, as people say it between the count and the layout. */
export interface Things {
  readonly is: 'things'
}

type NumberSpec<T> = Omit<NumberField<T>, 'is' | 'read' | 'write' | 'quantity' | 'state'> & {
  readonly quantity: Quantity | ((value: T) => Quantity)
  readonly state?: State | ((value: T) => State)
  write?(value: T, to: number): void
}
type ChoiceSpec<T> = Omit<ChoiceField<T>, 'is' | 'read' | 'write' | 'options'> & {
  readonly options: readonly Option[] | ((value: T, around: Surroundings) => readonly Option[])
  write?(value: T, to: string, around: Surroundings): void
}
type NumberKey<T> = { [K in keyof T]-?: T[K] extends number | undefined ? K : never }[keyof T]
type WordKey<T> = { [K in keyof T]-?: T[K] extends string | boolean | undefined ? K : never }[keyof T]

const always =
  <A>(given: A | ((value: never) => A)) =>
  (value: unknown): A =>
    typeof given === 'function' ? (given as (value: unknown) => A)(value) : given

/** Words that part nothing. */
export const joint = (words: string): Joint => ({ is: 'joint', words })

/** What is placed, by name or described. */
export const things: Things = { is: 'things' }

/**
 * The builders of a sentence over values of one type.
 *
 * @example
 *   const say = sentenceOf<Thin>()
 *   export const sentence = ['Keep one in every ', say.number('every', { label: 'Every', quantity: 'count' }), '.']
 */
export const sentenceOf = <T>() => ({
  /** A number that stands in the value under a key, or is read and written otherwise. */
  number: (from: NumberKey<T> | ((value: T) => number), spec: NumberSpec<T>): NumberField<T> => ({
    write: (value, to) => void ((value as Record<PropertyKey, unknown>)[from as PropertyKey] = to),
    ...spec,
    is: 'number',
    read: typeof from === 'function' ? from : (value) => value[from] as number,
    quantity: always(spec.quantity),
    state: always<State>(spec.state ?? 'held'),
  }),
  choice: (from: WordKey<T> | ((value: T, around: Surroundings) => string), spec: ChoiceSpec<T>): ChoiceField<T> => ({
    write: (value, to) => void ((value as Record<PropertyKey, unknown>)[from as PropertyKey] = to),
    ...spec,
    is: 'choice',
    read: typeof from === 'function' ? from : (value) => String(value[from]),
    options: typeof spec.options === 'function' ? spec.options : always(spec.options),
  }),
  list: (spec: Omit<ListField<T>, 'is'>): ListField<T> => ({ is: 'list', ...spec }),
  text: (spec: Omit<TextField<T>, 'is'>): TextField<T> => ({ is: 'text', ...spec }),
  color: (spec: Omit<ColorField<T>, 'is'>): ColorField<T> => ({ is: 'color', ...spec }),
  reference: (spec: Omit<ReferenceField<T>, 'is'>): ReferenceField<T> => ({ is: 'reference', ...spec }),
  said: (words: Said<T>['words'], ...also: string[]): Said<T> => ({ is: 'said', words, also }),
  /** Of values of a certain form: it can be read only where they have it, or where `grow` gives it to them. */
  when: (holds: When<T>['holds'], nodes: Template<T>, grow?: When<T>['grow']): When<T> => ({
    is: 'when',
    holds,
    nodes,
    isLoose: false,
    ...(grow && { grow }),
  }),
  /** Said where it makes a difference, read anywhere. */
  where: (holds: When<T>['holds'], nodes: Template<T>): When<T> => ({ is: 'when', holds, nodes, isLoose: true }),
  /** Never said; read, since people may say it so. */
  alsoRead: (nodes: Template<T>): When<T> => ({ is: 'when', holds: () => false, nodes, isLoose: true }),
  /** As `when`, and only in texts: the interface shows it in another way. */
  inText: (holds: When<T>['holds'], nodes: Template<T>): When<T> => ({
    is: 'when',
    holds,
    nodes,
    isLoose: false,
    inText: true,
    grow: () => undefined,
  }),
  clause: (neutral: Clause<T>['neutral'], nodes: Template<T>): Clause<T> => ({ is: 'clause', neutral, nodes }),
  within: <U>(into: (value: T) => U, nodes: Template<U>): Within<T> => ({
    is: 'within',
    into,
    nodes: nodes as Template<never>,
  }),
  ofPattern: (nodes: Template<Pattern>): OfPattern => ({ is: 'pattern', nodes }),
})

/** A choice between two, held as true or false. */
export const yesNo = (yes: string, no: string): readonly Option[] => [
  { value: 'false', words: no },
  { value: 'true', words: yes },
]

/** The three numbers of a place, or those of them that are named, each with its axis. */
export function along<T>(
  axes: readonly string[],
  list: (value: T) => readonly number[],
  spec: Pick<NumberField<T>, 'check' | 'undo'> & {
    readonly label: (axis: string) => string
    readonly quantity: Quantity
    readonly state?: State
    readonly words?: (axis: string) => string
    /** Where the list does not stand in the value as it is read. */
    write?(value: T, index: number, to: number): void
  },
): Node<T>[] {
  const say = sentenceOf<T>()
  const {
    label,
    words = (axis) => axis,
    write = (value, i, to) => void ((list(value) as number[])[i] = to),
    ...more
  } = spec
  // One that is not said stays as it is.
  return axes.map((axis, i) =>
    say.where(
      () => true,
      [
        ...(i > 0 ? [joint(i === axes.length - 1 && axes.length > 2 ? ' and ' : ', ')] : []),
        say.number((value) => list(value)[i], {
          state: 'free',
          ...more,
          label: label(axis),
          write: (value, to) => write(value, i, to),
        }),
        ` ${words(axis)}`,
      ],
    ),
  )
}
