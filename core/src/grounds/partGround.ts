import { z } from 'zod'
import { sentenceOf } from '../sentences/nodes'
import { ref } from '../values/marks'
import type { GroundDefinition } from './definition'

const schema = z.object({ kind: z.literal('part'), part: ref('part') })
export type PartGround = z.infer<typeof schema>
const say = sentenceOf<PartGround>()

/** The surface of a part: one made from numbers, or a mesh that was read. */
export const partGround: GroundDefinition<PartGround> = {
  schema,
  words: 'Part as ground',
  note: 'the surface of a part, as of a mesh that came in',
  summary: ({ part }, nameOf) => `mesh, ${nameOf(part)}`,
  sentence: [
    'It has the surface of ',
    say.choice('part', {
      label: 'Part',
      options: (_, { project }) => project.parts.map(({ id, name }) => ({ value: id, words: '', name })),
      write: (ground, to) => void (ground.part = to),
    }),
    '.',
  ],
  surface: ({ part }, { partSurface }) => partSurface(part),
  rests: ({ part }, { partRests }) => partRests(part),
}
