import { Evaluator, factsOf, thingsIn } from '@hilera/core/evaluate'
import { InstanceTable } from '@hilera/core/instances'
import { unrolled } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import { casaNispero } from '@hilera/demo/casaNispero'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

const COUNT = 100_000

/** Measuring the figures and the strip of a hundred thousand copies in a line, plain and turned by chance, beside writing their bytes. */
export function measure(): void {
  const demo = casaNispero()
  const [tins] = demo.patterns
  const vary = demo.patterns.flatMap((p) => p.steps).find((s) => s.kind === 'vary')!
  const layout = { ...tins.layout, hold: ['spacing', 'count'], count: COUNT } as Pattern['layout']
  const bytes = new InstanceTable()
  const rows = [[], [vary]].map((steps) => {
    const pattern: Pattern = { ...tins, layout, steps }
    const project: Project = { ...demo, patterns: [pattern] }
    const outcomes = new Evaluator().evaluate(project, new Map())
    const taken = rounds({
      told: () => {
        // As the worker tells them one after the other, of what has just been worked out.
        const fresh = outcomes.map((outcome) => ({ ...outcome }))
        factsOf(project, new Map(), fresh, pattern)
        unrolled(layout, fresh[0], thingsIn(project, new Map(), fresh))
      },
      bytes: () => writeLoop(bytes, COUNT),
    })
    return {
      copies: steps.length ? 'turned by chance' : 'plain',
      'facts and strip': ms(taken.told),
      '÷ same bytes': ratio(taken.told / taken.bytes),
    }
  })
  table(`Measuring ${COUNT} copies in a line (limit: 4 ×)`, rows)
}
