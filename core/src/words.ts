/**
 * What the program says in figures: facts, workings and refusals. A sentence keeps its values as values, so that the
 * edge can show them in the unit of the day and set them in the figures' own type.
 */
export type Tone = 'plain' | 'good' | 'caution' | 'wrong'

export type Segment =
  | string
  | { readonly length: number; readonly tone?: Tone }
  /** From the least to the most of what differs; shown as one where they read alike. */
  | { readonly lengths: Range; readonly tone?: Tone }
  | { readonly angle: number; readonly tone?: Tone }
  | { readonly count: number; readonly tone?: Tone }
  | { readonly factor: number; readonly tone?: Tone }
  | { readonly share: number; readonly tone?: Tone }
  /** In square metres, and copies to the square metre. */
  | { readonly area: number; readonly tone?: Tone }
  | { readonly density: number; readonly tone?: Tone }
  /** In seconds. */
  | { readonly time: number; readonly tone?: Tone }
  | { readonly words: string; readonly tone: Tone }

export type Sentence = readonly Segment[]

/** The least and the most of several values. */
export type Range = readonly [least: number, most: number]

/** One thing that follows from what was asked, with what it is about: "run", "gap", "leftover". */
export interface Fact {
  readonly about: string
  readonly says: Sentence
}
export type Facts = readonly Fact[]

export const fact = (about: string, ...says: Segment[]): Fact => ({ about, says })

/** Something that a person asked for and that cannot be: what happened, to which thing, and what to do. */
export interface Problem {
  readonly says: Sentence
}

export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem }

export const done = <T>(value: T): Result<T> => ({ ok: true, value })
export const refused = (...says: Segment[]): { ok: false; problem: Problem } => ({ ok: false, problem: { says } })

/** An English noun with its number: plural(1, 'copy', 'copies') is "copy". */
export const plural = (n: number, one: string, many: string): string => (n === 1 ? one : many)
