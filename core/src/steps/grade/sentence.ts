import type { Quantity } from '../../numbers/units'
import { type Template, along, sentenceOf } from '../../sentences/nodes'
import type { Graded } from '../../values/graded'
import { axes, wayOf } from '../../values/values'
import type { Grade } from './schema'

const say = sentenceOf<Grade>()
const sortOf = (what: string): 'size' | 'move' | 'turn' => what.slice(0, 4) as 'size'
const quantityOf = ({ what }: Grade): Quantity =>
  (({ size: 'share', move: 'length', turn: 'angle' }) as const)[sortOf(what)]
const sizeOk = (n: number, grade: Grade) =>
  sortOf(grade.what) !== 'size' || n > 0
    ? undefined
    : (['A size is more than 0: type 100 % for the part’s own.'] as const)

const whatOptions: readonly { value: Graded; words: string }[] = [
  { value: 'size', words: 'Size them' },
  { value: 'sizeAcross', words: 'Size them across' },
  { value: 'sizeUp', words: 'Size them up' },
  { value: 'sizeDeep', words: 'Size them deep' },
  { value: 'moveAcross', words: 'Move them across' },
  { value: 'moveUp', words: 'Move them up' },
  { value: 'moveDeep', words: 'Move them deep' },
  { value: 'turnAcross', words: 'Turn them about across' },
  { value: 'turnUp', words: 'Turn them about up' },
  { value: 'turnDeep', words: 'Turn them about deep' },
]

/** Values of one kind mean nothing in another. */
function setWhat(grade: Grade, what: string): void {
  const before = sortOf(grade.what)
  grade.what = what as Graded
  if (before === sortOf(what)) return
  const fresh = { size: [1, 0.5, 0.05], move: [0, 0.1, 0.01], turn: [0, Math.PI / 4, Math.PI / 36] }[sortOf(what)]
  ;[grade.first, grade.last, grade.amount] = fresh
  if (grade.by === 'factor' && sortOf(what) !== 'size') grade.by = 'ends'
}

export const gradeSentence: Template<Grade> = [
  say.choice('what', { label: 'What is graded', options: whatOptions, write: setWhat }),
  ' ',
  say.choice('by', {
    label: 'Graded by',
    options: ({ what }) => [
      { value: 'all', words: 'all at', note: 'one value for all of them' },
      { value: 'ends', words: 'from', note: 'a first value to a last one' },
      { value: 'amount', words: 'by', note: 'so much more with each step' },
      {
        value: 'factor',
        words: 'times',
        note: 'a factor with each step',
        ...(sortOf(what) !== 'size' && { isRead: true as const }),
      },
    ],
  }),
  say.when(({ by }) => by === 'all', [' ', say.number('first', { label: 'All', quantity: quantityOf, check: sizeOk })]),
  say.when(
    ({ by }) => by === 'ends',
    [
      ' ',
      say.number('first', { label: 'First', quantity: quantityOf, check: sizeOk }),
      ' at the first to ',
      say.number('last', { label: 'Last', quantity: quantityOf, check: sizeOk }),
      ' at the last',
      say.clause(
        ({ easing }) => easing === 'evenly',
        [
          ', ',
          say.choice('easing', {
            label: 'Easing',
            options: [
              { value: 'evenly', words: 'evenly' },
              { value: 'slowFirst', words: 'slowly at first' },
              { value: 'slowLast', words: 'slowly at last' },
              { value: 'slowBoth', words: 'slowly at both ends' },
            ],
          }),
        ],
      ),
    ],
  ),
  say.when(
    ({ by }) => by === 'amount',
    [' ', say.number('amount', { label: 'Amount', quantity: quantityOf }), ' more with each step'],
  ),
  say.when(
    ({ by }) => by === 'factor',
    [' ', say.number('factor', { label: 'Factor', quantity: 'factor', check: sizeOk }), ' with each step'],
  ),
  say.where(
    ({ by }) => by !== 'all',
    [
      say.clause(
        ({ over }) => over.kind === 'order',
        [
          ', ',
          say.choice(({ over }) => (over.kind === 'along' ? over.axis : over.kind), {
            label: 'Graded over',
            options: [
              { value: 'order', words: 'in their order' },
              ...axes.map((axis) => ({ value: axis, words: `along ${axis}`, toward: wayOf[axis] })),
              { value: 'distance', words: 'by the distance from a point' },
            ],
            write: (grade, to) => {
              const axis = axes.find((a) => a === to)
              if (axis) grade.over = { kind: 'along', axis }
              else if (to === 'order') grade.over = { kind: to }
              else if (grade.over.kind !== 'distance') grade.over = { kind: 'distance', from: [0, 0, 0] }
            },
          }),
          say.when(
            ({ over }) => over.kind === 'distance',
            [
              ' at ',
              ...along<Grade>(['across', 'up', 'deep'], ({ over }) => (over.kind === 'distance' ? over.from : []), {
                label: (axis) => `Point ${axis}`,
                quantity: 'length',
              }),
            ],
          ),
        ],
      ),
    ],
  ),
  '.',
]
