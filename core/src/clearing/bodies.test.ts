import fc from 'fast-check'
import { expect, it } from 'vitest'
import { Flag, InstanceTable } from '../instances'
import type { Solid } from '../solids/schema'
import { fromTurns } from '../geometry/rotation'
import { Bodies } from './bodies'
import { convexOfSolid } from './convex'

const solids: readonly Solid[] = [
  { kind: 'box', width: 0.3, height: 0.2, depth: 0.1 },
  { kind: 'roundedBox', width: 0.3, height: 0.2, depth: 0.1, radius: 0.02 },
  { kind: 'cylinder', width: 0.2, height: 0.3 },
  { kind: 'cone', width: 0.2, top: 0.05, height: 0.3 },
  { kind: 'sphere', width: 0.2 },
  { kind: 'torus', width: 0.4, thickness: 0.1 },
]
const angle = fc.double({ min: -180, max: 180, noNaN: true })
const size = fc.double({ min: 0.2, max: 3, noNaN: true })

it('the box about a body is as far as it reaches each way along the axes', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...solids),
      fc.tuple(angle, angle, angle),
      fc.tuple(size, size, size),
      fc.boolean(),
      (solid, turns, sizes, isTwin) => {
        const table = new InstanceTable()
        table.neutral(1)
        table.setMove(0, [1, -2, 3])
        table.setTurn(0, fromTurns(turns))
        table.setSize(0, sizes)
        if (isTwin) table.flags[0] |= Flag.twin
        const bodies = new Bodies(table, () => convexOfSolid(solid))
        const [box, reached] = [new Float64Array(6), new Float64Array(3)]
        bodies.box(0, box, 0)
        for (const axis of [0, 1, 2])
          for (const way of [-1, 1]) {
            const direction = [0, 1, 2].map((a) => (a === axis ? way : 0))
            bodies.support(0, direction[0], direction[1], direction[2], reached, 0)
            expect(box[way < 0 ? axis : 3 + axis]).toBeCloseTo(reached[axis], 12)
          }
      },
    ),
  )
})
