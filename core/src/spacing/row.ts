/** Where the edges of a part lie along one direction, in metres from its pivot: `high − low` is its width there. */
export interface Outline {
  readonly low: number
  readonly high: number
}

export const widthOf = (outline: Outline): number => outline.high - outline.low

/**
 * The parts that stand in a row, first to last. Positions are worked out from how many of each kind stand before a
 * copy, so that no copy's place is the sum of many rounded steps.
 */
export interface Row {
  /** Outlines of the kinds of part that occur. */
  readonly kinds: readonly Outline[]
  /** After so many copies the kinds repeat from the first. */
  readonly period: number
  /** Which kind the copy of that index is. */
  kindAt(index: number): number
  /** How many copies of a kind stand before the copy of that index. */
  before(kind: number, index: number): number
  /** The neighbouring pairs of kinds that occur among the first so many copies, each at least once. */
  pairs(count: number): Iterable<readonly [number, number]>
}

/** Whether all parts of a row reach equally far: then its sums can be written as for one part. */
export const isEven = ({ kinds: [first, ...others] }: Row): boolean =>
  others.every((o) => o.low === first.low && o.high === first.high)

/**
 * A row dealt in turn from a list of outlines; a list of one is a row of equal parts.
 *
 * @example rowInTurn([{ low: -0.0595, high: 0.0595 }])
 */
export function rowInTurn(kinds: readonly Outline[]): Row {
  const turn = kinds.length
  return {
    kinds,
    period: turn,
    kindAt: (index) => index % turn,
    before: (kind, index) => Math.floor(index / turn) + (index % turn > kind ? 1 : 0),
    *pairs(count) {
      for (let k = 0; k < Math.min(count - 1, turn); k++) yield [k % turn, (k + 1) % turn]
    },
  }
}
