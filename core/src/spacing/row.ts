/** Where the edges of a part lie along one direction, in metres from its pivot: `high − low` is its width there. */
export interface Extent {
  readonly low: number
  readonly high: number
}

/** What an extent is written into where many are asked one after another. */
export interface ExtentOut {
  low: number
  high: number
}

export const unmeasured = (): ExtentOut => ({ low: NaN, high: NaN })

export const widthOf = (outline: Extent): number => outline.high - outline.low

/**
 * The parts that stand in a row, first to last. Positions are worked out from how many of each kind stand before a
 * copy, so that no copy's place is the sum of many rounded steps.
 */
export interface Row {
  /** Outlines of the kinds of part that occur. */
  readonly kinds: readonly Extent[]
  /** After so many copies the kinds repeat from the first. */
  readonly period: number
  /** Which kind the copy of that index is. */
  kindAt(index: number): number
  /** The widths of all copies before the one of that index, together. */
  widthBefore(index: number): number
  /** The neighbouring pairs of kinds that occur among the first so many copies, each at least once. */
  pairs(count: number): Iterable<readonly [number, number]>
  /** The row of exactly so many copies, where its last one is of a kind of its own. */
  ofCount?(count: number): Row
}

/** Whether all parts of a row reach equally far: then its sums can be written as for one part. */
export const isEven = ({ kinds: [first, ...others] }: Row): boolean =>
  others.every((o) => o.low === first.low && o.high === first.high)

/**
 * A row dealt in turn from a list of outlines; a list of one is a row of equal parts.
 *
 * @example rowInTurn([{ low: -0.0595, high: 0.0595 }])
 */
export function rowInTurn(kinds: readonly Extent[]): Row {
  const turn = kinds.length
  const before = (kind: number, index: number): number => Math.floor(index / turn) + (index % turn > kind ? 1 : 0)
  return {
    kinds,
    period: turn,
    kindAt: (index) => index % turn,
    widthBefore: (index) => kinds.reduce((sum, kind, t) => sum + before(t, index) * widthOf(kind), 0),
    *pairs(count) {
      for (let k = 0; k < Math.min(count - 1, turn); k++) yield [k % turn, (k + 1) % turn]
    },
  }
}

/**
 * A row that follows no period: the kind of each copy is asked for once and remembered, with how many of each kind stand
 * before it.
 */
export function rowOf(kinds: readonly Extent[], kindAt: (index: number) => number): Row {
  const known: number[] = []
  // How many of each kind stand before each copy, kind by kind, copy after copy.
  const before: number[] = kinds.map(() => 0)
  const grow = (index: number): void => {
    while (known.length <= index) {
      const kind = kindAt(known.length)
      const from = known.length * kinds.length
      for (let t = 0; t < kinds.length; t++) before.push(before[from + t] + (t === kind ? 1 : 0))
      known.push(kind)
    }
  }
  return {
    kinds,
    period: Infinity,
    kindAt(index) {
      grow(index)
      return known[index]
    },
    widthBefore(index) {
      if (index > 0) grow(index - 1)
      return kinds.reduce((sum, kind, t) => sum + before[index * kinds.length + t] * widthOf(kind), 0)
    },
    *pairs(count) {
      if (count === Infinity) {
        for (let a = 0; a < kinds.length; a++) for (let b = 0; b < kinds.length; b++) yield [a, b]
        return
      }
      grow(count)
      const seen = new Set<number>()
      for (let k = 0; k + 1 < count; k++) {
        const key = known[k] * kinds.length + known[k + 1]
        if (!seen.has(key)) yield [known[k], known[k + 1]]
        seen.add(key)
      }
    },
  }
}

/**
 * The copies of a row as they stand, where that is known, otherwise as they are dealt. One beyond those that are known is taken to
 * stand like the last of them. Where all stand as they are dealt it is the row that was dealt, whose sums are products.
 */
export function rowAsTheyStand(dealt: Row, known: readonly Extent[]): Row {
  const alike = known.every((own, k) => {
    const kind = dealt.kinds[dealt.kindAt(k)]
    return own.low === kind.low && own.high === kind.high
  })
  return alike ? dealt : rowOfEach(known, () => known[known.length - 1])
}

/** A row of which the first and the last copy are of kinds of their own; one copy alone is a first one. */
export function rowBetweenEnds(first: Extent, middle: Extent, last: Extent): Row {
  const kinds = [first, middle, last]
  const before = (count: number, index: number): readonly number[] => {
    const lasts = count > 1 && index >= count ? 1 : 0
    return [Math.min(index, 1), Math.max(index - 1 - lasts, 0), lasts]
  }
  const of = (count: number): Row => ({
    kinds,
    // Any longer row takes more room than a shorter one, so counts may be searched one by one.
    period: Number.isFinite(count) ? Infinity : 1,
    kindAt: (index) => (index === 0 ? 0 : index === count - 1 ? 2 : 1),
    widthBefore: (index) => before(count, index).reduce((sum, n, t) => sum + n * widthOf(kinds[t]), 0),
    *pairs(among) {
      if (count === 2) return yield [0, 2]
      if (among < 2) return
      yield [0, 1]
      if (among > 3) yield [1, 1]
      if (among > 2) yield [1, 2]
    },
    ofCount: of,
  })
  return of(Infinity)
}

/**
 * A row in which every copy has an outline of its own: copies as they stand, sized and turned each for itself. Distances are
 * sums of all widths before, kept exact to rounding by compensated addition (Neumaier 1974).
 *
 * @param own the outlines of the copies that are known, first to last
 * @param beyond the outline of one after these, by its index
 */
function rowOfEach(own: readonly Extent[], beyond: (index: number) => Extent): Row {
  const kinds = [...own]
  const sums = [0]
  let lost = 0
  const grow = (index: number): void => {
    while (kinds.length <= index) kinds.push(beyond(kinds.length))
    for (let k = sums.length - 1, sum = sums[k] - lost; k < index; k++) {
      const width = widthOf(kinds[k])
      const next = sum + width
      lost += Math.abs(sum) >= Math.abs(width) ? sum - next + width : width - next + sum
      sum = next
      sums.push(sum + lost)
    }
  }
  return {
    kinds,
    period: Infinity,
    kindAt(index) {
      while (kinds.length <= index) kinds.push(beyond(kinds.length))
      return index
    },
    widthBefore(index) {
      grow(index)
      return sums[index]
    },
    *pairs(count) {
      const known = Math.max(own.length, 1)
      const all = count === Infinity ? known + 1 : count
      for (let k = 0; k + 1 < all; k++) yield [this.kindAt(k), this.kindAt(k + 1)]
    },
  }
}
