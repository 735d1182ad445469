import type { Sentence } from '../words'

/** What a number of a sentence may be: a sentence where it may not. */
type Check = (n: number) => Sentence | undefined

/** A whole number from a least one, up to a most one where that is said. */
export const wholeFrom =
  (least: number, most = Infinity): Check =>
  (n) =>
    Number.isInteger(n) && n >= least && n <= most
      ? undefined
      : ['Type a whole number from ', { count: least }, ...(most < Infinity ? [' to ', { count: most }] : []), '.']

/** 0 or more. */
export const notBelowZero =
  (what: string): Check =>
  (n) =>
    n >= 0 ? undefined : [`${what} is 0 or more.`]

export const aShare: Check = (n) => (n >= 0 && n <= 1 ? undefined : ['Type a share from 0 to 100 %.'])

/** A side of something: longer than 0. */
export const aSide =
  (what = 'A side'): Check =>
  (n) =>
    n > 0 ? undefined : [`${what} is longer than 0. Type a length such as `, { length: 0.3 }, '.']

export const aSeed: Check = (n) =>
  Number.isInteger(n) && n >= 0 && n <= 0xffffffff ? undefined : ['A seed is a whole number from 0.']
