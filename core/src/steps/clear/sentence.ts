import { edgesChoice } from '../../clearing/edgesSentence'
import type { Pattern } from '../../model/pattern'
import { notBelowZero, wholeFrom } from '../../sentences/checks'
import { type Surroundings, type Template, sentenceOf, yesNo } from '../../sentences/nodes'
import { seedField } from '../../sentences/seedField'
import type { Clear } from './schema'

const say = sentenceOf<Clear>()
const ofPattern = sentenceOf<Pattern>()

const axisWords: Readonly<Record<string, string>> = {
  'true false true': 'over the ground',
  'true true true': 'in all directions',
  'true false false': 'across',
  'false true false': 'up and down',
  'false false true': 'deep',
  'true true false': 'across and up',
  'false true true': 'up and deep',
  'false false false': 'in no direction',
}

/** Whether its copies stand along a path that they could be pushed along. */
const hasTrack = ({ pattern, knows }: Surroundings): boolean =>
  pattern === undefined || knows.definitionOf(pattern.layout).track !== undefined
const goesAlong = ({ along }: Clear, around: Surroundings): boolean => along === 'path' && hasTrack(around)

/** Along what it pushes: along the path only where there is one. */
const movingOf = (clear: Clear, around: Surroundings): string =>
  goesAlong(clear, around) ? 'path' : `${clear.axes.across} ${clear.axes.up} ${clear.axes.deep}`

function setAxes(clear: Clear, to: string): void {
  if (to === 'path') return void (clear.along = 'path')
  const [across, up, deep] = to.split(' ').map((word) => word === 'true')
  delete clear.along
  clear.axes = { across, up, deep }
}

/** Patterns from which it can keep clear: those that do not keep clear of it. */
const others = ({ project, pattern }: Surroundings) =>
  project.patterns
    .filter(
      (p) => p.id !== pattern?.id && !p.steps.some((s) => s.kind === 'clear' && s.from.includes(pattern?.id ?? '')),
    )
    .map((p) => ({ value: p.id, words: '', name: p.name }))

export const clearSentence: Template<Clear> = [
  'Keep ',
  say.number('clearance', { label: 'Clearance', quantity: 'length', check: notBelowZero('A clearance') }),
  ' clear',
  say.ofPattern([ofPattern.clause(({ edges }) => edges === undefined, [' ', edgesChoice])]),
  say.clause(
    ({ from }) => from.length === 0,
    [
      ' of each other and of ',
      say.list({
        label: 'Kept clear of',
        more: 'Keep clear of',
        less: 'Do not keep clear of',
        least: 0,
        canChange: false,
        read: ({ from }) => from,
        write: (clear, to) => void (clear.from = [...to]),
        options: (_, around) => others(around),
      }),
    ],
  ),
  ' by ',
  say.choice('how', {
    label: 'Cleared by',
    options: [
      { value: 'push', words: 'pushing apart', note: 'only places change' },
      { value: 'shrink', words: 'shrinking', note: 'only sizes change' },
      { value: 'leaveOut', words: 'leaving out', note: 'some are not there' },
    ],
  }),
  say.when(
    ({ how }) => how === 'push',
    [
      ' ',
      say.choice(movingOf, {
        label: 'Moving',
        options: (_, around) => [
          ...Object.entries(axisWords).map(([value, words]) => ({
            value,
            words,
            ...(value.includes('true') ? {} : { isRead: true as const }),
          })),
          { value: 'path', words: 'along the path', ...(!hasTrack(around) && { isRead: true as const }) },
        ],
        write: setAxes,
      }),
      say.where(
        (clear, around) => !goesAlong(clear, around) || clear.inside,
        [
          say.clause(
            ({ inside }) => !inside,
            [
              ', ',
              say.choice('inside', {
                label: 'Staying',
                options: (_, { pattern, knows }) =>
                  yesNo(
                    pattern && knows.definitionOf(pattern.layout).area ? 'inside the outline' : 'inside their box',
                    'anywhere',
                  ),
                write: (clear, to) => void (clear.inside = to === 'true'),
              }),
            ],
          ),
        ],
      ),
      ', to within ',
      say.number('within', {
        label: 'Within',
        quantity: 'length',
        check: (n) =>
          n > 0 ? undefined : ['It stops at some distance above 0: type one such as ', { length: 0.0001 }, '.'],
      }),
      say.clause(
        ({ rounds }) => rounds === 200,
        [
          ', in up to ',
          say.number('rounds', { label: 'Rounds', quantity: 'count', state: 'free', check: wholeFrom(1, 10_000) }),
          ' rounds',
        ],
      ),
    ],
  ),
  say.when(
    ({ how }) => how === 'shrink',
    [
      ', down to ',
      say.number('floor', {
        label: 'Floor',
        quantity: 'share',
        check: (n) =>
          n > 0 && n <= 1 ? undefined : ['A copy keeps some of its size: type more than 0 %, up to 100 %.'],
      }),
      ' of their size at the least',
    ],
  ),
  say.when(
    ({ how }) => how === 'leaveOut',
    [
      '; those stay that ',
      say.choice('priority', {
        label: 'Who stays',
        options: [
          { value: 'order', words: 'come first' },
          { value: 'size', words: 'are the largest' },
          { value: 'chance', words: 'chance picks' },
        ],
      }),
      say.when(
        ({ priority }) => priority === 'chance',
        [
          ', ',
          ...seedField<Clear>(
            'Seed',
            (clear) => clear.seed,
            (clear, to) => void (clear.seed = to),
          ),
        ],
      ),
    ],
  ),
  '.',
]
