import { LONGEST_MOTION, MOST_KEYS } from '../../limits'
import { formatQuantity } from '../../numbers/format'
import { wholeFrom } from '../../sentences/checks'
import { type Node, type Surroundings, type Template, sentenceOf } from '../../sentences/nodes'
import type { Sentence } from '../../words'
import { easingWords } from '../easingWords'
import type { Change, ChangeKey } from './schema'
import { startChange } from './start'

const say = sentenceOf<Change>()
const aTime = (n: number) =>
  n >= 0 && n <= LONGEST_MOTION ? undefined : (['Type a time from 0 to ', { time: LONGEST_MOTION }, '.'] as const)

const numbersOf = (around: Surroundings) => (around.pattern ? around.knows.numbersOf(around.pattern, around) : [])
const nameOf = ({ of, value }: Pick<Change, 'of' | 'value'>): string => (value ? `${of} ${value}` : '')

/** What the sentence that says the number would refuse is refused here. */
const aValue = (to: number, { of, value }: Change, around: Surroundings): Sentence | undefined =>
  numbersOf(around)
    .find((n) => n.of === of && n.label === value)
    ?.check(to)

/** What the number is as the pattern stands, where that is not what it goes to: then the last moment is not what Arrange shows. */
function otherwise({ of, value, keys }: Change, around: Surroundings): string | undefined {
  const number = numbersOf(around).find((n) => n.of === of && n.label === value)
  if (!number || !around.pattern) return undefined
  const now = number.read(around.pattern)
  const last = keys[keys.length - 1].value
  if (Math.abs(now - last) <= 1e-9 * Math.max(1, Math.abs(now))) return undefined
  return formatQuantity(now, number.quantity, around.unit)
}

/** The value of one key and its time; keys after the first are called by their numbers. */
function keyWords(i: number): Node<Change>[] {
  const number = i === 0 ? '' : ` ${i + 1}`
  return [
    say.number(({ keys }) => keys[i].value, {
      label: `To${number}`,
      undo: 'value',
      quantity: ({ quantity }) => quantity,
      check: aValue,
      write: ({ keys }, to) => void (keys[i].value = to),
    }),
    ' by ',
    say.number(({ keys }) => keys[i].at, {
      label: `By${number}`,
      undo: 'time',
      quantity: 'time',
      check: aTime,
      write: ({ keys }, to) => void (keys[i].at = to),
    }),
    ' ',
    say.within(({ keys }) => keys[i], easingWords<ChangeKey>(number)),
  ]
}

/** One key more, as long after the last as that after the one before, back to where it came from. */
function goOn({ from, keys }: Change): void {
  const last = keys[keys.length - 1]
  const before = keys[keys.length - 2] ?? from
  keys.push({ ...last, at: Math.min(2 * last.at - before.at, LONGEST_MOTION), value: before.value })
}

export const changeSentence: Template<Change> = [
  'Its ',
  say.choice(nameOf, {
    label: 'What changes',
    undo: 'what changes',
    options(change, around) {
      const all = numbersOf(around).map((n) => ({
        value: nameOf({ of: n.of, value: n.label }),
        words: n.words.slice(4),
      }))
      // What is not there any more is still said, so that another can be chosen.
      const isThere = all.some(({ value }) => value === nameOf(change))
      if (isThere || around.isText) return all
      return [
        { value: nameOf(change), words: change.value ? `${change.value.toLowerCase()} (gone)` : 'number' },
        ...all,
      ]
    },
    write(change, to, around) {
      const found = numbersOf(around).find((n) => nameOf({ of: n.of, value: n.label }) === to)
      if (found && around.pattern) startChange(change, found, around.pattern)
    },
  }),
  ' goes from ',
  say.number(({ from }) => from.value, {
    label: 'From',
    undo: 'value',
    quantity: ({ quantity }) => quantity,
    check: aValue,
    write: ({ from }, to) => void (from.value = to),
  }),
  ' at ',
  say.number(({ from }) => from.at, {
    label: 'At',
    undo: 'time',
    quantity: 'time',
    check: aTime,
    write: ({ from }, to) => void (from.at = to),
  }),
  ' to ',
  ...keyWords(0),
  ...Array.from({ length: MOST_KEYS - 1 }, (_, k) =>
    say.when(
      ({ keys }) => keys.length > k + 1,
      [', then to ', ...keyWords(k + 1)],
      (change) => (change.keys.length === k + 1 ? goOn(change) : false),
    ),
  ),
  say.when(
    (_, { isText }) => !isText,
    [
      ', and ',
      say.choice(() => 'stays', {
        label: 'And then',
        undo: 'keys',
        options: ({ keys }) => [
          { value: 'stays', words: 'stays there' },
          ...(keys.length < MOST_KEYS ? [{ value: 'on', words: 'goes on', note: 'one value more' }] : []),
          ...(keys.length > 1 ? [{ value: 'less', words: 'ends one value earlier' }] : []),
        ],
        write(change, to) {
          if (to === 'on') goOn(change)
          else if (to === 'less') change.keys.pop()
        },
      }),
    ],
  ),
  say.when(
    (change, around) => !around.isText && otherwise(change, around) !== undefined,
    [' (as it stands it is ', say.said((change, around) => otherwise(change, around) ?? ''), ')'],
  ),
  say.clause(
    ({ smooth }) => smooth === undefined,
    [
      ', smoothed over ',
      say.number(({ smooth = 0 }) => smooth, {
        label: 'Smoothed over',
        undo: 'smoothing',
        quantity: 'count',
        state: 'free',
        check: wholeFrom(0, 12),
        write(change, to) {
          if (to > 0) change.smooth = to
          else delete change.smooth
        },
      }),
      ' pictures to either side',
    ],
  ),
  '.',
]
