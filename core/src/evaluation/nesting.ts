import { Flag, InstanceTable } from '../instances'
import { type Quaternion, compose, rotate } from '../geometry/rotation'
import { composeSlots } from '../slots'
import { type Result, done, refused } from '../words'

/** What stands in the mirror image of a whole pattern or assembly. */
export interface Images {
  /** The copies inside as their mirror images across, each with its own answer for its shape. */
  mirrored(inner: InstanceTable): InstanceTable
  /** How grain and pictures lie on a copy inside one whose surface has a frame of its own. */
  surfaceUnder(outer: InstanceTable, k: number, inner: InstanceTable, shown: InstanceTable, j: number): number
}

/** A table whose copies are all parts, with the row of the pattern's own table that each came from. */
export interface Expanded {
  readonly table: InstanceTable
  readonly owner: Uint32Array
}

/**
 * Puts the copies of whole patterns in place of the places that repeat them: each inner copy's placement multiplied with
 * its outer one's. Places that hold a part pass through.
 *
 * A copy that is marked as a twin repeats the mirror image of its thing.
 *
 * @param innerOf the expanded table of a thing that is a pattern; undefined for a part
 * @returns a sentence when an unequal size above a turned copy would need a shear
 */
export function expand(
  outer: InstanceTable,
  innerOf: (thing: number) => Result<InstanceTable> | undefined,
  maximum: number,
  images?: Images,
): Result<Expanded> {
  let total = 0
  for (let k = 0; k < outer.count; k++) {
    const inner = innerOf(outer.thing[k])
    if (inner && !inner.ok) return inner
    total += inner ? inner.value.count : 1
    if (total > maximum)
      return refused(
        'More than ',
        { count: maximum },
        ' copies would stand in it. Lower a count in this pattern or in the one that it repeats.',
      )
  }
  const table = new InstanceTable()
  table.reset(total)
  const owner = new Uint32Array(total)
  let n = 0
  for (let k = 0; k < outer.count; k++) {
    const inner = innerOf(outer.thing[k])
    if (!inner) {
      table.putRow(outer, k, n)
      owner[n++] = k
      continue
    }
    if (!inner.ok) return inner
    const shown = images && outer.isTwin(k) ? images.mirrored(inner.value) : inner.value
    for (let j = 0; j < shown.count; j++) {
      if (!multiply(outer, k, shown, j, table, n)) {
        return refused(
          'A place with unequal sizes cannot repeat a pattern whose copies are turned: they would be sheared. Give it one size for all three axes.',
        )
      }
      if (images && outer.surface[k] !== 0) table.surface[n] = images.surfaceUnder(outer, k, inner.value, shown, j)
      owner[n++] = k
    }
  }
  return done({ table, owner })
}

/** Writes outer · inner; false when that is no move, turn and size any more. */
function multiply(
  outer: InstanceTable,
  k: number,
  inner: InstanceTable,
  j: number,
  to: InstanceTable,
  n: number,
): boolean {
  const [sx, sy, sz] = outer.scale.subarray(3 * k, 3 * k + 3)
  const q: Quaternion = outer.turnOf(k)
  const r: Quaternion = inner.turnOf(j)
  const size = sizeUnder([sx, sy, sz], r)
  if (!size) return false
  const at = rotate(q, [inner.position[3 * j] * sx, inner.position[3 * j + 1] * sy, inner.position[3 * j + 2] * sz])
  for (let i = 0; i < 3; i++) {
    to.position[3 * n + i] = outer.position[3 * k + i] + at[i]
    to.scale[3 * n + i] = size[i] * inner.scale[3 * j + i]
  }
  to.quaternion.set(compose(q, r), 4 * n)
  to.thing[n] = inner.thing[j]
  const [low, high] = composeSlots(outer.slotLow[k], outer.slotHigh[k], inner.slotLow[j], inner.slotHigh[j])
  to.slotLow[n] = low
  to.slotHigh[n] = high
  to.flags[n] = (inner.flags[j] & (Flag.empty | Flag.twin | Flag.leftOut)) | (outer.flags[k] & ~Flag.twin)
  to.surface[n] = inner.surface[j]
  return true
}

/** An outer size seen along a turned copy's own axes: possible when the size is even, or when the turn only swaps axes. */
function sizeUnder(s: readonly [number, number, number], r: Quaternion): readonly [number, number, number] | undefined {
  const most = Math.max(...s)
  if (s.every((n) => Math.abs(n - s[0]) <= 1e-12 * most)) return s
  const size = [0, 0, 0]
  for (const [i, axis] of (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).entries()) {
    const turned = rotate(r, [...axis])
    const along = turned.findIndex((n) => Math.abs(Math.abs(n) - 1) < 1e-9)
    if (along < 0) return undefined
    size[i] = s[along]
  }
  return [size[0], size[1], size[2]]
}
