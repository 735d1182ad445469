/** So often it is asked, where nothing else is said. */
const MOST_TRIES = 260

export interface Search {
  readonly guess: number
  /** No place below this is looked at; it is given back itself where the function is not below 0 there. */
  readonly least?: number
  /** And none above this. */
  readonly most?: number
  /** So often it is asked at the most; where that is not enough, the place is as near as is known. */
  readonly tries?: number
  /** So near to 0 is 0. */
  readonly within?: number
}

/**
 * Where a rising function comes to 0: stepped away from a guess until its sign changes, then narrowed by the rule of false
 * position with halved weights (Illinois; Dowell and Jarratt 1971), by halves where that is slow. Where it leaps over 0 the
 * place just behind the leap is given.
 *
 * @returns undefined where it never comes to 0
 */
export function rising(
  f: (at: number) => number,
  { guess, least = -Infinity, most = Infinity, within = 0, tries = MOST_TRIES }: Search,
): number | undefined {
  let [low, high] = [Math.max(guess, least), Math.max(guess, least)]
  let left = tries
  let below = f(low)
  if (Math.abs(below) <= within) return low
  let above = below
  // Lengths grow about as fast as what they are to make up for.
  let by = 1.5 * Math.abs(below)
  if (below < 0) {
    for (; above < 0; by *= 2) {
      if (--left === 0 || high === most) return undefined
      ;[low, below] = [high, above]
      high = Math.min(low + by, most)
      above = f(high)
    }
    if (above <= within) return high
  } else {
    for (; below > 0; by *= 2) {
      if (low === least) return least
      if (--left === 0) return undefined
      ;[high, above] = [low, below]
      low = Math.max(high - by, least)
      below = f(low)
    }
  }
  if (!Number.isFinite(below) || !Number.isFinite(above)) return undefined
  let side = 0
  for (let i = 0; i < left; i++) {
    let middle = i % 4 === 3 ? (low + high) / 2 : high - (above * (high - low)) / (above - below)
    if (!(middle > low && middle < high)) middle = (low + high) / 2
    if (middle === low || middle === high) break
    const value = f(middle)
    if (Math.abs(value) <= within) return middle
    if (value < 0) {
      if (side === -1) above /= 2
      ;[low, below, side] = [middle, value, -1]
    } else {
      if (side === 1) below /= 2
      ;[high, above, side] = [middle, value, 1]
    }
    if (high - low <= 1e-15 * Math.max(Math.abs(low), Math.abs(high))) break
  }
  return high
}
