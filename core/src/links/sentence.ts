import { type Template, sentenceOf } from '../sentences/nodes'
import { type Carried, type SwapOptions, swapDefaults } from './swap'

/** What a swap reaches: the picked copies, one pattern, or every use of the part. */
export type SwapReach = 'copies' | 'pattern' | 'everywhere'

/** A swap as its sentence says it. */
export interface SwapWish extends SwapOptions {
  readonly reach: SwapReach
  /** The part that is replaced; the copies' own where they are chosen. */
  readonly from: string
  readonly to: string
  /** What the new part takes over from the one that it replaces, as a part of its own. */
  readonly carry: Carried | 'nothing'
  /** Whether copies with names of their own keep them. */
  readonly keepNames: boolean
  /** How many copies are picked. */
  readonly picked: number
}

/** What is chosen of a swap beside what is swapped for what; kept for the next one. */
export type SwapChoices = Pick<SwapWish, 'keep' | 'size' | 'carry' | 'keepNames'>

/** As they begin. */
export const swapChoices: SwapChoices = { ...swapDefaults, carry: 'nothing', keepNames: true }

const say = sentenceOf<SwapWish>()

/** Gives copies another part. */
export const swapSentence: Template<SwapWish> = [
  'Swap ',
  say.choice('reach', {
    label: 'What is swapped',
    options: ({ picked }, { pattern }) => [
      { value: 'copies', words: picked === 1 ? 'the picked copy' : `the ${picked} picked copies` },
      { value: 'pattern', words: `all of it in ${pattern?.name ?? 'the pattern'}` },
      { value: 'everywhere', words: 'all of it, everywhere' },
    ],
  }),
  say.when(
    ({ reach }) => reach !== 'copies',
    [
      ', where it is ',
      say.choice('from', {
        label: 'Part that is replaced',
        options: (_, { project }) => project.parts.map(({ id, name }) => ({ value: id, words: name })),
      }),
    ],
  ),
  ', for ',
  say.choice('to', {
    label: 'Part that comes in',
    options: (_, { project }) => project.parts.map(({ id, name }) => ({ value: id, words: name })),
  }),
  '. Keep ',
  say.choice('keep', {
    label: 'What is kept',
    options: [
      { value: 'pivot', words: 'its pivot' },
      { value: 'base', words: 'the middle of its base' },
      { value: 'centre', words: 'its centre' },
    ],
  }),
  ' in place, with ',
  say.choice('size', {
    label: 'Size',
    options: [
      { value: 'part', words: 'the new part’s own size' },
      { value: 'fit', words: 'fitted inside the place', note: 'one factor' },
      { value: 'stretch', words: 'stretched to the place', note: 'a factor along each axis' },
    ],
  }),
  ' and ',
  say.choice('carry', {
    label: 'Look',
    options: [
      { value: 'nothing', words: 'the new part’s look' },
      { value: 'look', words: 'the look of what was there', note: 'as a part of its own' },
      {
        value: 'shading',
        words: 'its look, smooth or faceted as what was there',
        note: 'as a part of its own',
      },
    ],
  }),
  '; copies with names of their own ',
  say.choice('keepNames', {
    label: 'Names',
    options: [
      { value: 'true', words: 'keep theirs' },
      { value: 'false', words: 'take the new part’s, numbered' },
    ],
    write: (wish, to) => void ((wish as { keepNames: boolean }).keepNames = to === 'true'),
  }),
  '.',
]
