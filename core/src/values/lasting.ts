import type { z } from 'zod'

/** The fields of a value that the next one of its kind begins with, where it has them. */
export const lastingOf = <T extends object>(value: T, fields: readonly (keyof T)[]): Partial<T> =>
  Object.fromEntries(fields.flatMap((key) => (value[key] === undefined ? [] : [[key, value[key]]]))) as Partial<T>

/**
 * A fresh value with what lasts of the last one of its kind.
 *
 * @param last what was kept of that one, from wherever it was kept: what does not fit any more is passed by
 * @returns the fresh one itself where nothing of it comes out otherwise
 *
 * @example beginLike(thin.schema, ['every'], { kind: 'thin', id: 'a', every: 2, from: 1 }, { every: 3 }) // every 3rd
 */
export function beginLike<T extends object>(
  schema: z.ZodType<T>,
  fields: readonly (keyof T)[],
  fresh: T,
  last: unknown,
): T {
  if (typeof last !== 'object' || last === null) return fresh
  const read = schema.safeParse({ ...fresh, ...lastingOf(last as T, fields) })
  return read.success && JSON.stringify(read.data) !== JSON.stringify(schema.parse(fresh)) ? read.data : fresh
}
