import { reflectionWords } from '../../mirror/sentence'
import { type Surroundings, type Template, sentenceOf } from '../../sentences/nodes'
import type { MirrorSource } from '../../values/reflection'
import type { Mirror } from './schema'

const say = sentenceOf<Mirror>()
const keyOf = ({ kind, id }: MirrorSource): string => `${kind} ${id}`
function sourceOf(key: string): MirrorSource {
  const [kind, id] = key.split(' ')
  return { kind: kind as MirrorSource['kind'], id }
}

const sources = ({ project, pattern }: Surroundings) => [
  ...project.patterns
    .filter((p) => p.id !== pattern?.id)
    .map((p) => ({ value: `pattern ${p.id}`, words: '', name: p.name })),
  ...project.groups.map((g) => ({ value: `group ${g.id}`, words: 'the group ', name: g.name })),
  ...project.sets.map((s) => ({ value: `set ${s.id}`, words: 'the selection ', name: s.name })),
]

export const mirrorSentence: Template<Mirror> = [
  'Mirror ',
  say.list({
    label: 'Mirrored',
    more: 'One more that is mirrored',
    less: 'Do not mirror',
    undo: 'sources',
    least: 1,
    canChange: true,
    read: (mirror) => mirror.sources.map(keyOf),
    write: (mirror, keys) => void (mirror.sources = keys.map(sourceOf)),
    options: (_, around) => sources(around),
  }),
  ' across ',
  ...reflectionWords<Mirror>('the middle of what is mirrored'),
]
