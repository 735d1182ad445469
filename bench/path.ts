import { Evaluator } from '@hilera/core/evaluate'
import { InstanceTable } from '@hilera/core/instances'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Vec3 } from '@hilera/core/values/values'
import { casaNispero } from '@hilera/demo/casaNispero'
import { produce } from 'immer'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

const COPIES = 100_000
const PIECES = 1000

/** 100 000 copies on a curve of 1 000 Bézier pieces beside writing the same bytes; and moving one of its points. */
export async function path(): Promise<void> {
  const demo = casaNispero()
  const leaf = demo.patterns.find((p) => p.layout.kind === 'path')!
  // A made-up wandering curve, smooth at its joints.
  const points = Array.from({ length: PIECES + 1 }, (_, i): Vec3 => [
    i,
    0.4 * Math.sin(i * 1.7),
    0.7 * Math.cos(i * 2.3),
  ])
  const curve: Path['curve'] = { kind: 'points', points, smooth: true, closed: false }
  const on = (count: number) => {
    const pattern = produce(leaf, (draft) => {
      const layout = draft.layout as Path
      Object.assign(layout, { curve, count, hold: 'count', facing: 'upright', ends: 'both' })
    })
    return { ...demo, patterns: [pattern] }
  }
  const [a, b] = [on(COPIES), on(COPIES - 1)]
  // Documents share what did not change, so the moved ones share all points but one.
  const two = on(2)
  const changed = (change: (points: Vec3[], i: number) => void) =>
    Array.from({ length: 400 }, (_, i) =>
      produce(two, (draft) => {
        const { curve: now } = draft.patterns[0].layout as Path
        if (now.kind === 'points') change(now.points, i)
      }),
    )
  const fresh = changed((list, i) => list.forEach((p, k) => (p[1] += 1e-6 * (i + 1) * ((k % 7) + 1))))
  const moved = changed((list, i) => void (list[500][1] += 1e-5 * (i + 1)))
  const evaluator = new Evaluator()
  const bytes = new InstanceTable()
  const turns = { evaluate: 0, all: 0, one: 0 }
  const taken = rounds({
    evaluate: () => void evaluator.evaluate(turns.evaluate++ % 2 ? a : b, new Map()),
    bytes: () => writeLoop(bytes, COPIES),
    all: () => void evaluator.evaluate(fresh[turns.all++ % fresh.length], new Map()),
    one: () => void evaluator.evaluate(moved[turns.one++ % moved.length], new Map()),
  })
  table(`${COPIES} copies on ${PIECES} Bézier pieces (limit: 10 ×)`, [
    { what: 'place them', time: ms(taken.evaluate), '÷ same bytes': ratio(taken.evaluate / taken.bytes) },
    { what: 'the same bytes', time: ms(taken.bytes), '÷ same bytes': '1 ×' },
    { what: 'measure the curve anew', time: ms(taken.all), '÷ same bytes': ratio(taken.all / taken.bytes) },
    { what: 'measure it after one point moved', time: ms(taken.one), '÷ same bytes': ratio(taken.one / taken.bytes) },
  ])
}
