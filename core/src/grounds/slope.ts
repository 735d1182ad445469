import { z } from 'zod'
import { sentenceOf } from '../sentences/nodes'
import { finite, positive } from '../values/values'
import { someLength } from './checks'
import type { GroundDefinition } from './definition'
import { reliefSurface } from './relief'
import { centred } from './centred'

const schema = z.object({
  kind: z.literal('slope'),
  width: positive,
  depth: positive,
  /** From its front edge to its back edge. */
  rise: finite,
})
export type Slope = z.infer<typeof schema>
const say = sentenceOf<Slope>()

export const slope: GroundDefinition<Slope> = {
  schema,
  words: 'Slope',
  note: 'flat, rising to the back',
  summary: () => 'flat, rising to the back',
  sentence: [
    'It is a slope ',
    say.number('width', { label: 'Width', quantity: 'length', check: someLength('A width') }),
    ' wide and ',
    say.number('depth', { label: 'Depth', quantity: 'length', check: someLength('A depth') }),
    ' deep, rising ',
    say.number('rise', { label: 'Rise', quantity: 'length' }),
    ' from front to back.',
  ],
  begin: () => ({ kind: 'slope', width: 3, depth: 2, rise: 0.34 }),
  surface: ({ width, depth, rise }) =>
    reliefSurface({
      extent: centred(width, depth),
      bend: 0,
      height: (_, z) => rise * (0.5 - z / depth),
      slope: () => [0, -rise / depth],
    }),
}
