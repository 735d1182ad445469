/** The least of numbers; Infinity of none. Of a crowd they cannot be spread into one call: beyond some hundred thousand the stack overflows. */
export function least(all: Iterable<number>): number {
  let found = Infinity
  for (const n of all) found = Math.min(found, n)
  return found
}

/** The greatest of numbers, however many; −Infinity of none. */
export function greatest(all: Iterable<number>): number {
  let found = -Infinity
  for (const n of all) found = Math.max(found, n)
  return found
}
