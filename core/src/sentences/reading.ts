import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { LengthUnit } from '../numbers/units'
import type { Sentence } from '../words'
import type { Surroundings } from './nodes'
import type { Token } from './tokens'

/** What is known while a text is read. */
export interface Reading {
  readonly text: string
  readonly tokens: readonly Token[]
  readonly unit: LengthUnit
  readonly around: Surroundings
  /** The surroundings of the patterns that are tried. */
  readonly known: WeakMap<object, Surroundings>
  /** Quantities that do not fit where they are said, and why. */
  readonly misfits: { readonly at: number; readonly says: Sentence }[]
  /** Patterns and parts by their names, for what is taken from them. */
  owner(name: { readonly at: number }): { readonly root: unknown; readonly next: number } | undefined
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

/** Where a phrase could not go on, and what it would have gone on with: found out only where it is told, as most phrases fail. */
export interface Stuck {
  readonly at: number
  wants(): readonly string[]
}

/** What is known around a pattern that is being read; the same object for the same pattern, as every word of every phrase asks for it. */
export function around<R>(root: R, reading: Reading): Surroundings {
  if (typeof root !== 'object' || root === null || !('layout' in root)) return reading.around
  const known = reading.known.get(root)
  if (known) return known
  const made = { ...reading.around, pattern: root as unknown as Pattern }
  reading.known.set(root, made)
  return made
}
