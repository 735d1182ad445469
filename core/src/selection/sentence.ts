import { aSeed, aShare, wholeFrom } from '../sentences/checks'
import { type Template, sentenceOf } from '../sentences/nodes'
import { type Pick, type PickState, type ShareOrder, pickStates } from './pick'

/** What is picked, as the sentence says it: every value is kept while another way of picking is tried. */
export interface PickWords {
  what: Exclude<Pick['kind'], 'line'> | 'row' | 'column' | 'layer'
  /** In the pattern that is read, or in all that are shown. */
  where: 'pattern' | 'everywhere'
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
}

export const pickWords: PickWords = {
  what: 'every',
  where: 'pattern',
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
}

/** @param numberOf the number by which a part is dealt */
export function pickOf(words: PickWords, numberOf: (part: string) => number): Pick {
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
    case 'part':
      return { kind: what, thing: numberOf(words.part) }
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
  'Pick ',
  say.choice('what', {
    label: 'Pick',
    options: [
      { value: 'all', words: 'all' },
      { value: 'every', words: 'one in every' },
      { value: 'range', words: 'numbers' },
      { value: 'row', words: 'row' },
      { value: 'column', words: 'column' },
      { value: 'layer', words: 'layer' },
      { value: 'share', words: 'a share of' },
      { value: 'name', words: 'named' },
      { value: 'part', words: 'copies of' },
      { value: 'state', words: 'what is' },
    ],
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
  say.when(is('row', 'column', 'layer'), [
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
  say.when(is('part'), [
    ' ',
    say.choice('part', {
      label: 'Part to pick',
      options: (_, { project }) => project.parts.map(({ id, name }) => ({ value: id, words: name })),
    }),
  ]),
  say.when(is('state'), [
    ' ',
    say.choice('state', { label: 'State', options: pickStates.map((value) => ({ value, words: value })) }),
  ]),
  ' in ',
  say.choice('where', {
    label: 'Where',
    options: (_, { pattern }) => [
      { value: 'pattern', words: pattern?.name ?? 'the pattern' },
      { value: 'everywhere', words: 'all patterns' },
    ],
  }),
]
