import { z } from 'zod'
import { sentenceOf } from '../sentences/nodes'
import { finite, positive } from '../values/values'
import { centred } from './centred'
import { someLength } from './checks'
import type { GroundDefinition } from './definition'
import { reliefSurface } from './relief'

const schema = z.object({
  kind: z.literal('waves'),
  width: positive,
  depth: positive,
  /** From trough to crest, about height 0. */
  height: finite,
  /** From crest to crest. */
  length: positive,
  /** Which way they run, from across towards the front; radians. */
  way: finite,
  /** How far they have run, in waves. */
  phase: finite,
})
export type Waves = z.infer<typeof schema>
const say = sentenceOf<Waves>()

export const waves: GroundDefinition<Waves> = {
  schema,
  words: 'Waves',
  note: 'rising and falling evenly',
  summary: () => 'even waves',
  sentence: [
    'It has waves ',
    say.number('height', { label: 'Height', quantity: 'length' }),
    ' high, ',
    say.number('length', { label: 'Wave length', quantity: 'length', check: someLength('A wave') }),
    ' from crest to crest, over ',
    say.number('width', { label: 'Width', quantity: 'length', check: someLength('A width') }),
    ' by ',
    say.number('depth', { label: 'Depth', quantity: 'length', check: someLength('A depth') }),
    say.clause(
      ({ way, phase }) => way === 0 && phase === 0,
      [
        ', turned ',
        say.number('way', { label: 'Way', quantity: 'angle', state: 'free' }),
        ' and run on by ',
        say.number('phase', { label: 'Run on', quantity: 'share', state: 'free' }),
        ' of a wave',
      ],
    ),
    '.',
  ],
  begin: () => ({ kind: 'waves', width: 3, depth: 2, height: 0.12, length: 1, way: 0, phase: 0 }),
  surface({ width, depth, height, length, way, phase }) {
    const k = (2 * Math.PI) / length
    const [kx, kz] = [k * Math.cos(way), k * Math.sin(way)]
    const at = (x: number, z: number): number => kx * x + kz * z - 2 * Math.PI * phase
    return reliefSurface({
      extent: centred(width, depth),
      bend: Math.abs(height / 2) * k * k,
      height: (x, z) => (height / 2) * Math.sin(at(x, z)),
      slope(x, z) {
        const by = (height / 2) * Math.cos(at(x, z))
        return [kx * by, kz * by]
      },
    })
  },
}
