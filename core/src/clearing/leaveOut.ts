import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { NearBodies } from './nearBodies'
import { TOUCHING } from './overlaps'

/**
 * Leaves out copies that are too near others: in the order given, a copy stays unless it is too near one that stays already.
 * So no copy that was left out could be put back.
 *
 * @param order all copies, those that matter most first
 * @param own how many of the first may be left out; those after them are of other patterns and stay, also where they stand in each other
 * @returns 1 for each copy that is left out
 */
export function leaveOut(
  bodies: Bodies,
  clearance: number,
  order: Uint32Array,
  own = bodies.count,
  gaps: Gaps = outlineGaps(bodies),
): Uint8Array {
  const { count } = bodies
  const asked = clearance - TOUCHING
  const starts = new Uint32Array(count + 1)
  const pairs: [number, number][] = []
  new NearBodies(bodies, clearance).pairs((i, j) => {
    if ((i >= own && j >= own) || gaps.areClear(i, j, asked)) return
    pairs.push([i, j])
    starts[i + 1]++
    starts[j + 1]++
  })
  for (let k = 0; k < count; k++) starts[k + 1] += starts[k]
  const next = starts.slice()
  const others = new Uint32Array(2 * pairs.length)
  for (const [i, j] of pairs) {
    others[next[i]++] = j
    others[next[j]++] = i
  }
  const stays = new Uint8Array(count)
  const out = new Uint8Array(count)
  for (const k of order) {
    if (!bodies.there[k]) continue
    stays[k] = 1
    if (k >= own) continue
    for (let n = starts[k]; n < starts[k + 1] && stays[k]; n++) if (stays[others[n]]) stays[k] = 0
    if (!stays[k]) out[k] = 1
  }
  return out
}
