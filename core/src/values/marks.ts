import { z } from 'zod'

/** What an id names. A thing is a part or a pattern: both can be dealt. */
export const refKinds = ['part', 'pattern', 'thing', 'group', 'set', 'ground', 'view', 'file'] as const
export type RefKind = (typeof refKinds)[number]

/**
 * What one who names a pattern takes from it: where its copies stand, so that it must be worked out first; or only the guide
 * or the outline that it is laid out on, which the document tells; or nothing: it is only mentioned, and the mention goes with it.
 */
export type Takes = 'copies' | 'guide' | 'aside'

/** What is said of a field of the schema, beside its form. */
export type Mark =
  | { readonly says: 'ref'; readonly to: RefKind; readonly takes: Takes; readonly what?: string }
  /** The id of its own of a thing in a list. */
  | { readonly says: 'own' }
  /** The id of a thing that may be gone: chances are drawn under it. It names nothing. */
  | { readonly says: 'former' }
  /** A number that fixes what is left to chance. */
  | { readonly says: 'seed' }
  /** What stands in its place where something that it names is gone. */
  | { readonly says: 'otherwise'; readonly value: unknown }
  /** A length, or several; of which power it goes by: 1 for a length, −2 for so many a square metre. */
  | { readonly says: 'length'; readonly power: number }
  /** What it is where all lengths are so many times as long; its form does not tell which of its numbers are lengths. */
  | { readonly says: 'sized'; readonly by: (value: never, factor: number) => unknown }
  /** How it goes on without ids that are gone; undefined where it cannot. */
  | { readonly says: 'without'; readonly drop: (value: never, gone: (id: string) => boolean) => unknown }

const marks = z.registry<Mark>()

export const markOf = (schema: z.core.$ZodType): Mark | undefined => marks.get(schema)

const ID = /^[a-z0-9-]{1,40}$/
const SHA256 = /^[0-9a-f]{64}$/

/** An id that names something: a part, a pattern, either (a thing), a group, a saved selection, a ground. */
export const ref = (to: Exclude<RefKind, 'file'>, takes: Takes = 'copies') =>
  z.string().regex(ID).register(marks, { says: 'ref', to, takes })

/** A file that lies beside the document, by its SHA-256; `what` it is, for sentences: "the mesh of Cup". */
export const fileRef = (what: 'mesh' | 'picture') =>
  z.string().regex(SHA256).register(marks, { says: 'ref', to: 'file', takes: 'guide', what })

/** The id by which others name this. */
export const ownId = () => z.string().regex(ID).register(marks, { says: 'own' })

/** An id under which chances are drawn, whether or not anything carries it any more. */
export const formerId = () => z.string().regex(ID).register(marks, { says: 'former' })

export const seed = () => z.int().min(0).max(0xffffffff).register(marks, { says: 'seed' })

/** A number, or a list of numbers, that is a length in metres: where a pattern is sized, it goes along. */
export const inMetres = <T extends z.ZodType>(schema: T, power = 1): T => {
  // A form that others use as well is not marked itself.
  const own = schema.clone() as T
  marks.add(own, { says: 'length', power })
  return own
}

/** A value that says itself what it is where all lengths are so many times as long. */
export const sizesBy = <T extends z.ZodType>(schema: T, by: (value: z.infer<T>, factor: number) => z.infer<T>): T => {
  marks.add(schema, { says: 'sized', by: by as (value: never, factor: number) => unknown })
  return schema
}

/** A value that gives way to another where something that it names is gone. */
export const orElse = <T extends z.ZodType>(schema: T, value: z.infer<T>): T => {
  marks.add(schema, { says: 'otherwise', value })
  return schema
}

/** A value that says itself how it goes on without ids that are gone. */
export const dropsBy = <T extends z.ZodType>(
  schema: T,
  drop: (value: z.infer<T>, gone: (id: string) => boolean) => z.infer<T> | undefined,
): T => {
  marks.add(schema, { says: 'without', drop: drop as (value: never, gone: (id: string) => boolean) => unknown })
  return schema
}
