/** So often it is asked, where nothing else is said. */
const MOST_TRIES = 260

/** How far from the chord it is looked, as a share: both ends come nearer so. */
const CUT = 0.1

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
  /** So nearly the place of a leap over 0 is enough. */
  readonly narrow?: number
}

/**
 * Where a rising function comes to 0: stepped away from a guess until its sign changes, then narrowed by interpolating, cutting short
 * and projecting (ITP; Oliveira and Takahashi, ACM Transactions on Mathematical Software 47, 2020): a few tries where it runs smoothly,
 * and where it leaps over 0 one more than halving takes. There the place just behind the leap is given.
 *
 * Tried and dropped: false position with halved weights (Illinois), which asks half as often again and three times as often at leaps;
 * weights of Anderson and Björck, four times as often at leaps.
 *
 * @returns undefined where it never comes to 0
 */
export function rising(
  f: (at: number) => number,
  { guess, least = -Infinity, most = Infinity, within = 0, narrow = 0, tries = MOST_TRIES }: Search,
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
  const whole = high - low
  const nearest = Math.max(narrow, 1e-15 * Math.max(Math.abs(low), Math.abs(high))) / 2
  // What halving would leave after the next try, and one try more.
  let halved = nearest * 2 ** (Math.ceil(Math.log2(whole / (2 * nearest))) + 1)
  for (; left > 0 && high - low > 2 * nearest; left--, halved /= 2) {
    const half = (low + high) / 2
    const chord = (high * below - low * above) / (below - above)
    const side = Math.sign(half - chord)
    const short = (CUT * (high - low) ** 2) / whole
    const cut = short <= Math.abs(half - chord) ? chord + side * short : half
    const far = Math.max(halved - (high - low) / 2, 0)
    const middle = Math.abs(cut - half) <= far ? cut : half - side * far
    if (!(middle > low && middle < high)) break
    const value = f(middle)
    if (Math.abs(value) <= within) return middle
    if (value < 0) [low, below] = [middle, value]
    else [high, above] = [middle, value]
  }
  return high
}
