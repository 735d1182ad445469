import { inverse, rotate } from '../geometry/rotation'
import type { Box } from '../geometry/box'
import type { Vec3 } from '../geometry/vec'
import type { InstanceTable } from '../instances'
import { Reach } from './reach'
import type { Extent, ExtentOut } from './row'

/**
 * How far a thing reaches along a direction from its pivot (its support function); the direction need not be of unit length. The answer
 * is written into what is handed over for it, or else it is one of its own.
 */
export type Support = (direction: Readonly<Vec3>, into?: ExtentOut) => Extent

/**
 * The support of a whole pattern: that of all copies that are present, turned and sized as they are, about the pattern's origin.
 *
 * @param supportOf the support of each thing in the table
 */
export function supportOfTable(table: InstanceTable, supportOf: (thing: number) => Support): Support {
  const known = new Map<number, Support>()
  const of = (thing: number): Support => {
    const before = known.get(thing)
    if (before) return before
    const made = supportOf(thing)
    known.set(thing, made)
    return made
  }
  return (direction) => {
    let low = Infinity
    let high = -Infinity
    const { position: p } = table
    const reach = new Reach(table, direction, of)
    for (let k = 0; k < table.count; k++) {
      if (!table.isPresent(k)) continue
      const along = p[3 * k] * direction[0] + p[3 * k + 1] * direction[1] + p[3 * k + 2] * direction[2]
      reach.ask(k)
      low = Math.min(low, along + reach.low)
      high = Math.max(high, along + reach.high)
    }
    return low <= high ? { low, high } : { low: 0, high: 0 }
  }
}

/** How far one copy reaches from its pivot along a direction of its pattern's axes, in its own hand, turned and sized as it is. */
export function supportOfCopy(table: InstanceTable, k: number, support: Support, direction: Readonly<Vec3>): Extent {
  const [ahead, y, z] = rotate(inverse(table.turnOf(k)), direction)
  const x = table.isTwin(k) ? -ahead : ahead
  const { scale: s } = table
  return support([x * s[3 * k], y * s[3 * k + 1], z * s[3 * k + 2]])
}

/** The box about a thing, by its support along the three axes. */
export function boxOf(support: Support): Box {
  const x = support([1, 0, 0])
  const y = support([0, 1, 0])
  const z = support([0, 0, 1])
  return { low: [x.low, y.low, z.low], high: [x.high, y.high, z.high] }
}
