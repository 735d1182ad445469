/** What tells one list from an earlier state of it: a run that went, and what took its place. */
export interface Cut<T> {
  readonly from: number
  readonly gone: number
  readonly put: readonly T[]
}

/**
 * What was cut out of a list, and put in there: all between what stands at its beginning and at its end alike, told apart by identity. One that
 * goes from the middle of many is one, however many follow it.
 */
export function cutOut<T>(before: readonly T[], after: readonly T[]): Cut<T> {
  const shorter = Math.min(before.length, after.length)
  let from = 0
  while (from < shorter && Object.is(before[from], after[from])) from++
  let end = 0
  while (end < shorter - from && Object.is(before[before.length - 1 - end], after[after.length - 1 - end])) end++
  return { from, gone: before.length - from - end, put: after.slice(from, after.length - end) }
}
