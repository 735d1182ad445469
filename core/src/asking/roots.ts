/** So many places are looked at while two ends draw together: more than it takes to reach neighbouring doubles. */
const MOST_STEPS = 120

/** One place where a function is 0. */
export interface Root {
  readonly at: number
  /** What is left of the function there. */
  readonly left: number
}

/**
 * The zeros of a function of one number between places where it was looked at: each pair of neighbours with unlike signs holds
 * one, which is closed in on by false position that halves the weight of an end that stays (Illinois; Dowell and Jarratt 1971), and
 * by halving where that is slow. A jump over 0 is no zero.
 *
 * @param value the function; NaN where it has no value
 * @param places where it is looked at, rising
 * @param near what is as good as 0
 */
export function rootsBetween(value: (at: number) => number, places: readonly number[], near: number): Root[] {
  const found: Root[] = []
  let before: Root | undefined
  for (const at of places) {
    const left = value(at)
    if (Number.isNaN(left)) {
      before = undefined
      continue
    }
    if (left === 0) found.push({ at, left })
    else if (before && before.left !== 0 && Math.sign(before.left) !== Math.sign(left)) {
      const root = closeIn(value, before, { at, left })
      if (Math.abs(root.left) <= near) found.push(root)
    }
    before = { at, left }
  }
  return found
}

/** The zero between two places with unlike signs, to neighbouring doubles. */
function closeIn(value: (at: number) => number, from: Root, to: Root): Root {
  let [a, b] = [from, to]
  let [weightA, weightB] = [1, 1]
  let best = Math.abs(a.left) < Math.abs(b.left) ? a : b
  for (let n = 0; n < MOST_STEPS; n++) {
    const [fa, fb] = [a.left * weightA, b.left * weightB]
    const slow = n % 3 === 2
    const at = slow ? (a.at + b.at) / 2 : (a.at * fb - b.at * fa) / (fb - fa)
    const inside = at > Math.min(a.at, b.at) && at < Math.max(a.at, b.at) ? at : (a.at + b.at) / 2
    if (inside === a.at || inside === b.at) break
    const left = value(inside)
    if (Number.isNaN(left)) break
    const next = { at: inside, left }
    if (Math.abs(left) < Math.abs(best.left)) best = next
    if (left === 0) return next
    if (Math.sign(left) === Math.sign(a.left)) {
      a = next
      weightA = 1
      weightB /= 2
    } else {
      b = next
      weightB = 1
      weightA /= 2
    }
  }
  return best
}
