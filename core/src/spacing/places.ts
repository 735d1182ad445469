import type { SpacingAnswer } from './solve'

/**
 * Where all copies of an answer stand, in metres from the start of its room. A period later every distance has grown by the
 * same length, so each is a product of whole periods and not a running sum.
 */
export function placesOf({ count, at, lastBay, ruler, spacing }: SpacingAnswer): Float64Array {
  const places = new Float64Array(count)
  const { period } = ruler.row
  const even = lastBay ? count - 1 : count
  const offsets = Float64Array.from({ length: Math.min(period, even) }, (_, k) => at(k))
  const cycle = Number.isFinite(period) && even > period ? ruler.pivot(period, spacing) : 0
  for (let k = 0, j = 0, periods = 0; k < even; k++) {
    places[k] = offsets[j] + periods * cycle
    if (++j === period) {
      j = 0
      periods++
    }
  }
  if (lastBay) places[count - 1] = at(count - 1)
  return places
}
