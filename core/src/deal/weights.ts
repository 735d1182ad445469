import { type Randomness, hashName } from '../random'

/**
 * Picks one of several names for a copy, each as often as its weight says (weighted rendezvous hashing: Thaler & Ravishankar
 * 1998, weights after Schindelhauer & Schomaker 2005). Every name draws a score of its own for the copy, −weight ÷ ln(u), and
 * the highest wins, so a name that is added or whose weight grows takes copies and moves none between the others.
 *
 * @param weights one for each name; equal where they are left out
 */
export function pickByWeight(
  names: readonly string[],
  weights: readonly number[] | undefined,
  random: Randomness,
  slotLow: number,
  slotHigh: number,
): number {
  let best = 0
  let most = -Infinity
  for (let i = 0; i < names.length; i++) {
    const weight = weights ? weights[i] : 1
    if (!(weight > 0)) continue
    const score = -weight / Math.log(random.value(slotLow, slotHigh, hashName(names[i])) || Number.MIN_VALUE)
    if (score > most) {
      most = score
      best = i
    }
  }
  return best
}
