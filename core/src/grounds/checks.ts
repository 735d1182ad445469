import type { Sentence } from '../words'

/** Of a length that is more than nothing: "A width is more than 0: type a length such as 1 m." */
export const someLength =
  (name: string) =>
  (to: number): Sentence | undefined =>
    to > 0 ? undefined : [`${name} is more than 0: type a length such as `, { length: 1 }, '.']
