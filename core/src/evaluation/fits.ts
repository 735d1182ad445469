import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import { rotate } from '../geometry/rotation'

/**
 * Fits parts that came in by a swap to the places of what they took over: each copy of such a part is moved in its own axes,
 * by a move that its size scales, and sized.
 */
export function applyFits(
  table: InstanceTable,
  { fits = {} }: Pick<Pattern, 'fits'>,
  thingOf: (id: string) => number | undefined,
): void {
  const { position: p, quaternion: q, scale: s } = table
  for (const [id, { move, size }] of Object.entries(fits)) {
    const thing = thingOf(id)
    if (thing === undefined) continue
    for (let k = 0; k < table.count; k++) {
      if (table.thing[k] !== thing) continue
      if (move) {
        const own = rotate(
          [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]],
          [move[0] * s[3 * k], move[1] * s[3 * k + 1], move[2] * s[3 * k + 2]],
        )
        for (let i = 0; i < 3; i++) p[3 * k + i] += own[i]
      }
      if (size) for (let i = 0; i < 3; i++) s[3 * k + i] *= size[i]
    }
  }
}
