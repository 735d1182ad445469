import { type Template, sentenceOf } from '../sentences/nodes'
import type { Space } from './space'
import { pathsIn } from './pathCourse'
import { goesRound } from './spaceOnCourse'

const say = sentenceOf<Space>()
const names = ['across', 'up', 'deep'] as const
const isEven = ({ held }: Space): boolean => held === 'even'

/** Gives picked things one pitch or one gap: of these, the whole, and nothing at all one is held. */
export const spaceSentence = (worked: Partial<Space>): Template<Space> => [
  say.choice(({ held }) => (held === 'even' ? 'even' : 'space'), {
    label: 'How',
    options: [
      { value: 'space', words: 'Space them', note: 'so far apart, or so much in all' },
      { value: 'even', words: 'Even them out', note: 'between the outermost two' },
    ],
    write: (how, to) => void (how.held = to === 'even' ? 'even' : 'distance'),
  }),
  ' along ',
  say.choice(({ along, path = '' }) => (along === 'path' ? path : typeof along === 'number' ? names[along] : along), {
    label: 'Along',
    options: ({ along, path = '' }, { project }) => {
      const paths = pathsIn(project).map(({ id, name }) => ({ value: id, words: 'the path of ', name }))
      const isGone = along === 'path' && !paths.some(({ value }) => value === path)
      return [
        ...names.map((name) => ({ value: name, words: name })),
        { value: 'ends', words: 'the line through the ends' },
        { value: 'round', words: 'the circle that fits them' },
        ...paths,
        // What is not there any more is still said, so that another can be chosen.
        ...(isGone ? [{ value: path, words: 'a path that is gone' }] : []),
      ]
    },
    write(how, to) {
      const axis = names.findIndex((name) => name === to)
      how.along = axis >= 0 ? (axis as 0 | 1 | 2) : to === 'ends' || to === 'round' ? to : 'path'
      if (how.along === 'path') how.path = to
    },
  }),
  say.when((how) => isEven(how) && how.along !== 'round', [' between the outermost two, by ']),
  say.when(
    (how) => isEven(how) && how.along === 'round',
    [
      ', ',
      say.choice('between', {
        label: 'How far round',
        options: [
          { value: 'false', words: 'all the way round', note: 'as far from the last to the first as between all' },
          { value: 'true', words: 'between the outermost two' },
        ],
        write: (how, to) => void (how.between = to === 'true'),
      }),
      ', by ',
    ],
  ),
  say.when(
    (how) => !isEven(how),
    [
      ', ',
      say.number('distance', {
        label: 'Distance',
        quantity: 'length',
        state: ({ held }) => (held === 'distance' ? 'held' : 'worked'),
        shown: ({ held, distance }) => (held === 'distance' ? distance : worked.distance),
        write(how, to) {
          how.held = 'distance'
          how.distance = to
        },
      }),
      ' ',
    ],
  ),
  say.choice('by', {
    label: 'Measured as',
    options: [
      { value: 'gap', words: 'gap', note: 'free between their outlines' },
      { value: 'pitch', words: 'pitch', note: 'from pivot to pivot' },
    ],
  }),
  say.when(
    (how) => !isEven(how) || goesRound(how),
    [
      ', so that ',
      say.choice('stays', {
        label: 'Which stays',
        options: [
          { value: 'marked', words: 'the marked one' },
          { value: 'first', words: 'the first' },
          { value: 'middle', words: 'the middle one' },
          { value: 'last', words: 'the last' },
        ],
      }),
      ' stays',
    ],
  ),
  say.when(
    (how) => !isEven(how),
    [
      ', in ',
      say.number('overall', {
        label: 'In all',
        quantity: 'length',
        state: ({ held }) => (held === 'overall' ? 'held' : 'worked'),
        shown: ({ held, overall }) => (held === 'overall' ? overall : worked.overall),
        check: (to) => (to > 0 ? undefined : ['The whole is longer than 0.']),
        write(how, to) {
          how.held = 'overall'
          how.overall = to
        },
      }),
    ],
  ),
  say.clause(
    ({ overlaps }) => !overlaps,
    [
      '; they ',
      say.choice('overlaps', {
        label: 'Overlaps',
        options: [
          { value: 'false', words: 'may not overlap' },
          { value: 'true', words: 'may overlap' },
        ],
        write: (how, to) => void (how.overlaps = to === 'true'),
      }),
    ],
  ),
  '.',
]
