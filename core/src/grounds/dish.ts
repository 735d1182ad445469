import { z } from 'zod'
import { sentenceOf } from '../sentences/nodes'
import { finite, positive } from '../values/values'
import { centred } from './centred'
import { someLength } from './checks'
import type { GroundDefinition } from './definition'
import { reliefSurface } from './relief'

const schema = z.object({
  kind: z.literal('dish'),
  width: positive,
  /** How much higher its rim is than its middle; a mound where it is below 0. */
  rim: finite,
})
export type Dish = z.infer<typeof schema>
const say = sentenceOf<Dish>()

/** A round paraboloid: height = rim · (2 r / width)². */
export const dish: GroundDefinition<Dish> = {
  schema,
  words: 'Dish',
  note: 'round and hollow, or a mound',
  summary: ({ rim }) => (rim < 0 ? 'mound' : 'dish'),
  sentence: [
    'It is a round dish ',
    say.number('width', { label: 'Width', quantity: 'length', check: someLength('A width') }),
    ' wide, its rim ',
    say.number('rim', { label: 'Rim', quantity: 'length' }),
    ' above its middle.',
  ],
  begin: () => ({ kind: 'dish', width: 2, rim: 0.2 }),
  surface({ width, rim }) {
    const a = (4 * rim) / (width * width)
    return reliefSurface({
      extent: centred(width, width),
      bend: Math.abs(2 * a),
      height: (x, z) => a * (x * x + z * z),
      slope: (x, z) => [2 * a * x, 2 * a * z],
      holds: (x, z) => x * x + z * z <= (width * width) / 4,
    })
  },
}
