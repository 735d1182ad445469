import { plainReflection } from '../../values/reflection'
import type { LayoutDefinition } from '../definition'
import { type MirrorOutcome, placeMirror } from './place'
import { type Mirror, mirror as schema } from './schema'
import { mirrorSentence } from './sentence'

export const mirror: LayoutDefinition<Mirror, MirrorOutcome> = {
  schema,
  words: 'Mirror',
  note: 'the images of other patterns, live, right way round',
  sentence: mirrorSentence,
  summary: ({ sources, keep }, nameOf) =>
    `${keep === 'both' ? 'mirror of' : 'moves across'} ${sources.length === 1 ? nameOf(sources[0].id) : `${sources.length} things`}`,
  needs: 'pattern',
  isProposed: true,
  begin: ({ host = '' }) => ({
    kind: 'mirror',
    sources: [{ kind: 'pattern', id: host }],
    ...plainReflection('across'),
  }),
  place: placeMirror,
  deals: () => false,
  reflection: (layout) => layout,
  images: ({ sources, keep }) => ({ sources, away: keep === 'across' }),
  lost: 'its mirror no longer places them: they do not follow what they are images of',
}
