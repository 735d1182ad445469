import { z } from 'zod'
import type { Gray } from '../pictures/brightness'
import { sentenceOf } from '../sentences/nodes'
import { fileRef } from '../values/marks'
import { finite, positive } from '../values/values'
import { centred } from './centred'
import { someLength } from './checks'
import type { GroundDefinition } from './definition'
import { gridSurface } from './gridSurface'

const schema = z.object({
  kind: z.literal('heights'),
  file: fileRef('picture'),
  fileName: z.string().max(200),
  /** From the middle of its first pixel to that of its last. */
  width: positive,
  depth: positive,
  /** Where it is black, and where it is white. */
  low: finite,
  high: finite,
})
export type Heights = z.infer<typeof schema>
const say = sentenceOf<Heights>()

/** A surface from a picture: the darker the lower. Between the middles of pixels it runs straight. */
export const heights: GroundDefinition<Heights> = {
  schema,
  words: 'Height picture',
  note: 'from a picture, the darker the lower',
  summary: ({ fileName }) => `heights of ${fileName}`,
  sentence: [
    'It has the heights of ',
    say.text({ label: 'Picture', read: ({ fileName }) => fileName, asks: 'heights' }),
    ', ',
    say.number('width', { label: 'Width', quantity: 'length', check: someLength('A width') }),
    ' wide and ',
    say.number('depth', { label: 'Depth', quantity: 'length', check: someLength('A depth') }),
    ' deep, from ',
    say.number('low', { label: 'Black', quantity: 'length' }),
    ' where it is black to ',
    say.number('high', { label: 'White', quantity: 'length' }),
    ' where it is white.',
  ],
  surface({ file, width, depth, low, high }, { pictureOf }) {
    const picture = pictureOf(file)
    return picture && gridSurface({ ...gridOf(picture, low, high), extent: centred(width, depth) })
  },
  rests: ({ file }, { pictureOf }) => [pictureOf(file)],
}

/** A picture of one row or column still has a surface: that row twice. */
function gridOf({ width, height, values, most }: Gray, low: number, high: number) {
  const [across, deep] = [Math.max(width, 2), Math.max(height, 2)]
  const grid = new Float64Array(across * deep)
  for (let j = 0; j < deep; j++)
    for (let i = 0; i < across; i++)
      grid[j * across + i] =
        low + ((high - low) * values[Math.min(j, height - 1) * width + Math.min(i, width - 1)]) / most
  return { across, deep, heights: grid }
}
