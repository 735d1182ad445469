import { z } from 'zod'
import { MeshBuilder } from '../geometry/mesh'
import { wholeFrom } from '../sentences/checks'
import { sentenceOf } from '../sentences/nodes'
import { finite, positive } from '../values/values'
import { centred } from './centred'
import { someLength } from './checks'
import type { GroundDefinition } from './definition'
import { type Surface, bothLevels } from './surface'

const schema = z.object({
  kind: z.literal('flight'),
  width: positive,
  /** Of one tread. */
  tread: positive,
  rise: finite,
  count: z.int().min(1).max(1000),
})
export type Flight = z.infer<typeof schema>
const say = sentenceOf<Flight>()

/** Level treads, each higher than the one in front of it; the first lies at height 0. */
export const flight: GroundDefinition<Flight> = {
  schema,
  words: 'Steps',
  note: 'level treads, one above the other',
  summary: ({ count }) => `${count} steps`,
  sentence: [
    'It has ',
    say.number('count', { label: 'Treads', quantity: 'count', check: wholeFrom(1, 1000) }),
    ' steps ',
    say.number('width', { label: 'Width', quantity: 'length', check: someLength('A width') }),
    ' wide and ',
    say.number('tread', { label: 'Tread', quantity: 'length', check: someLength('A tread') }),
    ' deep, each ',
    say.number('rise', { label: 'Rise', quantity: 'length' }),
    ' above the one in front of it.',
  ],
  begin: () => ({ kind: 'flight', width: 2, tread: 0.4, rise: 0.18, count: 5 }),
  surface: surfaceOf,
}

function surfaceOf({ width, tread, rise, count }: Flight): Surface {
  const extent = centred(width, tread * count)
  const front = extent.highZ
  /** Counted from the front; the edge between two belongs to the one behind it, which is over the other where steps rise. */
  const numberAt = (z: number): number => Math.min(Math.max(Math.floor((front - z) / tread), 0), count - 1)
  const corners = new Float64Array(9)
  let drawn: ReturnType<MeshBuilder['build']> | undefined
  return {
    extent,
    bend: 0,
    at(x, z, out) {
      if (x < extent.lowX || x > extent.highX || z < extent.lowZ || z > extent.highZ) return false
      out.set([rise * numberAt(z), 0, 1, 0])
      return true
    },
    triangles(over, visit) {
      const both = bothLevels(over, extent)
      if (!both) return
      for (let n = numberAt(both.highZ); n <= numberAt(both.lowZ); n++) {
        const [y, near, far] = [rise * n, front - n * tread, front - (n + 1) * tread]
        corners.set([extent.lowX, y, far, extent.lowX, y, near, extent.highX, y, far])
        visit(corners)
        corners.set([extent.highX, y, near, extent.highX, y, far, extent.lowX, y, near])
        visit(corners)
      }
    },
    mesh() {
      if (drawn) return drawn
      const builder = new MeshBuilder()
      const quad = (
        y0: number,
        z0: number,
        y1: number,
        z1: number,
        normal: readonly [number, number, number],
      ): void => {
        const at = [
          [extent.lowX, y0, z0],
          [extent.highX, y0, z0],
          [extent.highX, y1, z1],
          [extent.lowX, y1, z1],
        ].map(([x, y, z]) => builder.vertex(x, y, z, ...normal))
        builder.quad(at[0], at[1], at[2], at[3])
      }
      for (let n = 0; n < count; n++) {
        const [y, near, far] = [rise * n, front - n * tread, front - (n + 1) * tread]
        quad(y, near, y, far, [0, 1, 0])
        if (n + 1 < count) quad(y, far, y + rise, far, [0, 0, rise < 0 ? -1 : 1])
      }
      return (drawn = builder.build())
    },
  }
}
