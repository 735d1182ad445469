import { boxAround, sizeOfBox } from '../geometry/box'
import { PlaceIndex } from '../geometry/placeIndex'
import type { InstanceTable } from '../instances'

/** From each copy that is there to its nearest neighbour, from pivot to pivot, the closest first; none for one alone. */
export function nearestDistances(table: InstanceTable): Float64Array {
  const { position: p, count } = table
  const box = boxAround(p.subarray(0, 3 * count), (k) => table.isPresent(k))
  const there = table.presentCount()
  if (!box || there < 2) return new Float64Array(0)
  // About one copy a cube, as they mostly lie in a plane; looked for in cubes that grow until one is found.
  const [w, d] = sizeOfBox(box).sort((a, b) => b - a)
  const side = Math.max(Math.sqrt((w * Math.max(d, w / there)) / there), w / there, 1e-9)
  const places = new PlaceIndex(side, { expected: there })
  for (let k = 0; k < count; k++) if (table.isPresent(k)) places.add(p[3 * k], p[3 * k + 1], p[3 * k + 2])
  const out = new Float64Array(there)
  const apart = (n: number, m: number): number => {
    const [a, b] = [places.at(n), places.at(m)]
    return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
  }
  for (let n = 0; n < there; n++) {
    let found = -1
    for (let within = side; found < 0 && within < FAR * side; within *= 2)
      found = places.nearest(...places.at(n), within, n)
    if (found >= 0) out[n] = apart(n, found)
    // Who stands so far from all others is sooner compared with each of them.
    else
      out[n] = Array.from({ length: there }, (_, m) => (m === n ? Infinity : apart(n, m))).reduce((a, b) =>
        Math.min(a, b),
      )
  }
  return out.sort()
}

/** So many cubes' sides are looked round about a copy. */
const FAR = 16
