import { aSide, aSeed, aShare, wholeFrom } from '../sentences/checks'
import { type Template, sentenceOf } from '../sentences/nodes'
import type { Region } from './region'
import { type Condition, type Joint, joints } from './combined'
import { type Pick, type PickState, type ShareOrder, type ThingSort, pickStates, thingSorts } from './pick'

/** One condition, as the sentence says it: every value is kept while another way of picking is tried. */
export interface PickWords {
  /** How it joins what is said before it; of the first only whether it is turned round. */
  joint: Joint
  isFirst: boolean
  what: Exclude<Pick['kind'], 'line'> | 'row' | 'column' | 'layer' | 'ring'
  every: number
  from: number
  to: number
  number: number
  share: number
  seed: number
  first: ShareOrder
  state: PickState
  text: string
  part: string
  /** The id of a saved selection. */
  set: string
  sort: ThingSort
  color: string
  /** The id of a pattern, or the origin of the world. */
  near: string
  /** In metres. */
  within: number
  /** The outline that was drawn on the stage. */
  region?: Region
}

/** Where it is picked. */
export interface PickWhere {
  /** In the pattern that is read, in all that are shown, in those of a group or in another pattern, by its id. */
  where: 'pattern' | 'everywhere' | (string & {})
}

/** What stands for the origin of the world where something near is picked. */
export const ORIGIN = 'origin'

export const pickWords: PickWords = {
  joint: 'and',
  isFirst: true,
  what: 'every',
  every: 2,
  from: 1,
  to: 5,
  number: 1,
  share: 0.3,
  seed: 1,
  first: 'chance',
  state: 'touched up',
  text: 'part of a name',
  part: '',
  set: '',
  sort: 'solids',
  color: '#a8325e',
  near: ORIGIN,
  within: 0.5,
}

/** What a sentence of several conditions picks. */
export const conditionsOf = (clauses: readonly PickWords[], numberOf: (part: string) => number): Condition[] =>
  clauses.map((words) => ({ joint: words.joint, pick: pickOf(words, numberOf) }))

/** @param numberOf the number by which a part is dealt */
function pickOf(words: PickWords, numberOf: (part: string) => number): Pick {
  const { what, every, from, to, share, seed, first, state, text, number } = words
  switch (what) {
    case 'all':
      return { kind: what }
    case 'every':
      return { kind: what, every, from }
    case 'range':
      return { kind: what, from, to }
    case 'share':
      return { kind: what, share, seed, first }
    case 'state':
      return { kind: what, state }
    case 'name':
      return { kind: what, text }
    case 'sort':
      return { kind: what, sort: words.sort }
    case 'color':
      return { kind: what, color: words.color }
    case 'near':
      return { kind: what, of: words.near, within: words.within }
    case 'region':
      return { kind: what, region: words.region }
    case 'part':
      return { kind: what, thing: numberOf(words.part) }
    case 'shape':
      return { kind: what, thing: numberOf(words.part) }
    case 'set':
      return { kind: what, set: words.set }
    default:
      return { kind: 'line', which: what, number }
  }
}

const say = sentenceOf<PickWords>()
const is =
  (...kinds: PickWords['what'][]) =>
  ({ what }: PickWords): boolean =>
    kinds.includes(what)
const whole = wholeFrom(1)

/** Picks copies by what they are; how many it finds is told beside it. */
export const pickSentence: Template<PickWords> = [
  say.choice('joint', {
    label: 'Joined by',
    options: ({ isFirst }) =>
      isFirst
        ? [
            { value: 'and', words: 'Pick' },
            { value: 'and not', words: 'Pick all but' },
          ]
        : joints.map((value) => ({ value, words: value })),
  }),
  ' ',
  say.choice('what', {
    label: 'Pick',
    options: (_, { project }) => [
      { value: 'all', words: 'all' },
      { value: 'every', words: 'one in every' },
      { value: 'range', words: 'numbers' },
      { value: 'row', words: 'row' },
      { value: 'column', words: 'column' },
      { value: 'layer', words: 'layer' },
      { value: 'ring', words: 'ring' },
      { value: 'share', words: 'a share of' },
      { value: 'name', words: 'named' },
      { value: 'part', words: 'copies of' },
      { value: 'shape', words: 'what has the shape of' },
      { value: 'sort', words: 'copies that are' },
      { value: 'color', words: 'what has the colour' },
      { value: 'near', words: 'what stands within' },
      { value: 'region', words: 'what stands inside', note: 'an outline drawn on the stage', asks: 'region' },
      { value: 'state', words: 'what is' },
      ...(project.sets.length > 0 ? [{ value: 'set', words: 'the selection' }] : []),
    ],
    // The first one that there is, until another is chosen.
    write(words, to, { project }) {
      words.what = to as PickWords['what']
      if (to === 'set' && !project.sets.some(({ id }) => id === words.set)) words.set = project.sets[0]?.id ?? ''
    },
  }),
  say.when(is('every'), [
    ' ',
    say.number('every', { label: 'Every', quantity: 'count', check: whole, state: 'free' }),
    ' from number ',
    say.number('from', { label: 'From number', quantity: 'count', check: whole, state: 'free' }),
  ]),
  say.when(is('range'), [
    ' ',
    say.number('from', { label: 'From number', quantity: 'count', check: whole, state: 'free' }),
    ' to ',
    say.number('to', { label: 'To number', quantity: 'count', check: whole, state: 'free' }),
  ]),
  say.when(is('row', 'column', 'layer', 'ring'), [
    ' ',
    say.number('number', { label: 'Number', quantity: 'count', check: whole, state: 'free' }),
  ]),
  say.when(is('share'), [
    ' ',
    say.number('share', { label: 'Share', quantity: 'share', check: aShare, state: 'free' }),
    ', ',
    say.choice('first', {
      label: 'First come',
      options: [
        { value: 'chance', words: 'by chance' },
        { value: 'smallest', words: 'the smallest first' },
        { value: 'largest', words: 'the largest first' },
      ],
    }),
    ', seed ',
    say.number('seed', { label: 'Seed', quantity: 'count', check: aSeed, state: 'free' }),
  ]),
  say.when(is('name'), [
    ' ',
    say.text({
      label: 'Part of a name',
      read: ({ text }) => text,
      write: (words, to) => void (words.text = to),
    }),
  ]),
  say.when(is('set'), [
    ' ',
    say.choice('set', {
      label: 'Selection',
      options: (_, { project }) => project.sets.map(({ id, name }) => ({ value: id, words: name })),
    }),
  ]),
  say.when(is('part', 'shape'), [
    ' ',
    say.choice('part', {
      label: 'Part to pick',
      options: (_, { project }) => project.parts.map(({ id, name }) => ({ value: id, words: name })),
    }),
  ]),
  say.when(is('sort'), [
    ' ',
    say.choice('sort', { label: 'Sort', options: thingSorts.map((value) => ({ value, words: value })) }),
  ]),
  say.when(is('color'), [
    ' ',
    say.color({ label: 'Colour to pick', read: ({ color }) => color, write: (words, to) => void (words.color = to) }),
  ]),
  say.when(is('near'), [
    ' ',
    say.number('within', { label: 'Within', quantity: 'length', check: aSide('A distance'), state: 'free' }),
    ' of ',
    say.choice('near', {
      label: 'Near to',
      options: (_, { project, pattern }) => [
        { value: ORIGIN, words: 'the origin' },
        ...project.patterns.filter((p) => p !== pattern).map(({ id, name }) => ({ value: id, words: name })),
      ],
    }),
  ]),
  say.when(is('region'), [
    ' ',
    say.text({
      label: 'Outline',
      read: ({ region }) => (region ? `an outline of ${region.corners.length} corners` : 'an outline not drawn yet'),
      asks: 'region',
    }),
  ]),
  say.when(is('state'), [
    ' ',
    say.choice('state', { label: 'State', options: pickStates.map((value) => ({ value, words: value })) }),
  ]),
]

const sayWhere = sentenceOf<PickWhere>()
/** The end of it: in which patterns. */
export const whereSentence: Template<PickWhere> = [
  'in ',
  sayWhere.choice('where', {
    label: 'Where',
    options: (_, { pattern, project }) => [
      { value: 'pattern', words: pattern?.name ?? 'the pattern' },
      { value: 'everywhere', words: 'all patterns' },
      ...project.groups.map(({ id, name }) => ({ value: id, words: `the group ${name}` })),
      ...project.patterns.filter((p) => p !== pattern).map(({ id, name }) => ({ value: id, words: name })),
    ],
  }),
]
