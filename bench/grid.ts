import { Evaluator } from '@hilera/core/evaluate'
import { InstanceTable } from '@hilera/core/instances'
import type { Pattern } from '@hilera/core/model/pattern'
import { casaNispero } from '@hilera/demo/casaNispero'
import { produce } from 'immer'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

const SIDE = 316

/** A grid of 316 by 316 beside writing the same bytes, and a change elsewhere, which must not work it out again. */
export async function grid(): Promise<void> {
  const demo = casaNispero()
  const tray = demo.patterns.find((p) => p.layout.kind === 'grid')!
  const large = (spacing: number): Pattern =>
    produce(tray, (draft) => {
      // The layout alone: what steps take is measured by themselves.
      draft.steps = []
      if (draft.layout.kind !== 'grid') return
      for (const axis of ['across', 'deep'] as const) Object.assign(draft.layout[axis], { count: SIDE, spacing })
    })
  const [a, b] = [0.034, 0.035].map((spacing) => ({ ...demo, patterns: [large(spacing), demo.patterns[0]] }))
  const elsewhere = [0.011, 0.012].map((spacing) =>
    produce(a, (draft) => void Object.assign(draft.patterns[1].layout, { spacing })),
  )
  const evaluator = new Evaluator()
  const other = new Evaluator()
  const bytes = new InstanceTable()
  let [turn, turnElsewhere] = [0, 0]
  const taken = rounds({
    evaluate: () => void evaluator.evaluate(turn++ % 2 ? a : b, new Map()),
    bytes: () => writeLoop(bytes, SIDE * SIDE),
    elsewhere: () => void other.evaluate(elsewhere[turnElsewhere++ % 2], new Map()),
  })
  table(`A grid of ${SIDE} × ${SIDE} (limit: 4 ×)`, [
    { what: 'one value changed', time: ms(taken.evaluate), '÷ same bytes': ratio(taken.evaluate / taken.bytes) },
    {
      what: 'a value of another pattern changed',
      time: ms(taken.elsewhere),
      '÷ same bytes': ratio(taken.elsewhere / taken.bytes),
    },
    { what: 'the same bytes', time: ms(taken.bytes), '÷ same bytes': '1 ×' },
  ])
}
