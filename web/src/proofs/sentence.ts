import { wholeFrom } from '@hilera/core/sentences/checks'
import { type Node, type Template, sentenceOf } from '@hilera/core/sentences/nodes'
import type { Channel } from './channels'

/** One number that is varied, from one value to another; a seed goes on by steps. */
export interface Varied {
  key: string
  from: number
  by: number
  to: number
}

/** What the sheet shows: how many variants of which pattern, and what changes from one to the next. */
export interface ProofWish {
  count: number
  /** The one that is read where none is named. */
  patternId: string | undefined
  first: Varied
  /** A second number, varied from row to row while the first one is from column to column. */
  second: Varied | undefined
  order: 'overlaps' | 'given'
}

const sheets = [9, 16, 25] as const

const say = sentenceOf<ProofWish>()

/** From one value to another, or for a seed so many steps. */
function range(channel: Channel, of: (wish: ProofWish) => Varied, rows: string): Node<ProofWish>[] {
  const number = (
    key: 'from' | 'by' | 'to',
    label: string,
    more: Pick<Channel, 'quantity' | 'check'>,
  ): Node<ProofWish> =>
    say.number((wish) => of(wish)[key], {
      label: `${label}${rows}`,
      quantity: more.quantity,
      ...(more.check && { check: more.check }),
      write: (wish, to) => void (of(wish)[key] = to),
    })
  const seeds = { quantity: 'count', check: wholeFrom(0, 0xffffffff) } as const
  const own = channel.seed ? seeds : channel
  return [
    number('from', 'From', own),
    ...(channel.seed
      ? [' by ', number('by', 'By', { quantity: 'count', check: wholeFrom(1, 1_000_000) })]
      : [' to ', number('to', 'To', channel)]),
  ]
}

/**
 * The sentence over a sheet of proofs.
 *
 * @param known the pattern that is shown, all patterns, the numbers that it has, and those that are varied
 * @param setSecond begins to vary a second number, or ends it
 */
export function proofSentence(known: {
  readonly patternId: string
  readonly channels: readonly Channel[]
  readonly channel: Channel
  readonly across: Channel | undefined
  setSecond(wish: ProofWish, key: string | undefined): void
}): Template<ProofWish> {
  const { channels, channel, across, patternId, setSecond } = known
  const words = channels.map((c) => ({ value: c.key, words: c.words }))
  return [
    'Show ',
    say.choice(({ count }) => String(count), {
      label: 'How many',
      options: sheets.map((n) => ({ value: String(n), words: String(n) })),
      write: (wish, to) => void (wish.count = Number(to)),
    }),
    ' of ',
    say.choice(() => patternId, {
      label: 'Pattern',
      options: (_, { project }) => project.patterns.map((p) => ({ value: p.id, words: p.name })),
      write(wish, to) {
        wish.patternId = to
        wish.first.key = ''
        wish.second = undefined
      },
    }),
    ', changing ',
    say.choice(() => channel.key, {
      label: 'What changes',
      options: words,
      write: (wish, to) => void (wish.first.key = to),
    }),
    ' from ',
    ...range(channel, ({ first }) => first, ''),
    ', and ',
    say.choice(() => across?.key ?? '', {
      label: 'What else changes',
      options: [{ value: '', words: 'nothing else' }, ...words.filter(({ value }) => value !== channel.key)],
      write: (wish, to) => setSecond(wish, to || undefined),
    }),
    ...(across ? [' from row to row, from ', ...range(across, ({ second }) => second!, ', in rows')] : []),
    ...(across
      ? []
      : [
          ', ',
          say.choice('order', {
            label: 'Order',
            options: [
              { value: 'overlaps', words: 'fewest overlaps first' },
              { value: 'given', words: 'in order' },
            ],
          }),
        ]),
    '.',
  ]
}
