import type { Pattern } from '../model/pattern'
import {
  type ChoiceField,
  type Measured,
  type Option,
  type Reread,
  type Surroundings,
  sentenceOf,
} from '../sentences/nodes'
import type { Ends, Leftover, Measure, RoomEdges } from './spacing'

/** How the choices of a spacing are put into words. */

export const measureOptions: readonly (Option & { readonly value: Measure })[] = [
  { value: 'gap', words: 'gap', note: 'the clear distance between neighbours' },
  { value: 'pitch', words: 'pitch', note: 'from pivot to pivot, on centre' },
  { value: 'overall', words: 'overall', note: 'outside to outside of two neighbours' },
]

export const edgesOptions: readonly (Option & { readonly value: RoomEdges })[] = [
  { value: 'outsides', words: 'outside to outside', note: 'the room holds the whole copies' },
  { value: 'centres', words: 'between centres', note: 'the room runs from the first pivot to the last' },
]

export const endsOptions: readonly (Option & { readonly value: Ends })[] = [
  { value: 'both', words: 'a copy at both ends', note: 'n copies, n − 1 intervals' },
  { value: 'start', words: 'from the start', note: 'one interval stays free at the end' },
  { value: 'between', words: 'between the ends', note: 'an interval free at either end' },
  { value: 'half', words: 'half a step in', note: 'half an interval free at either end' },
]

export const leftoverOptions: readonly (Option & { readonly value: Leftover })[] = [
  { value: 'end', words: 'to the end' },
  { value: 'start', words: 'to the start' },
  { value: 'both', words: 'to both ends' },
  { value: 'widen', words: 'into the intervals', note: 'they widen evenly' },
  { value: 'tighten', words: 'into one copy more', note: 'no interval wider than asked' },
  { value: 'extra', words: 'to a copy at the far end', note: 'in a shorter bay of its own' },
]

const asItComes: Reread = (_, before, measure, converted) => (spacing) =>
  void Object.assign(spacing, { measure, spacing: converted ?? before.spacing })

/** The way in which a spacing is read: another one reads what there is, and asks for that. */
export function readAs<T extends Measured>(
  options: readonly Option[],
  {
    label = 'Measure',
    undo = 'spacing',
    key,
    converted,
  }: {
    readonly label?: string
    readonly undo?: ChoiceField<T>['undo']
    /** Tells this spacing from others of the pattern. */
    readonly key?: string
    converted(value: T, to: string, around: Surroundings): number | undefined
  },
): ChoiceField<T> {
  return sentenceOf<T>().choice((value) => value.measure, {
    label,
    undo,
    options,
    write: (value, to, around) => {
      const named = `${around.pattern?.id ?? ''} ${key ?? ''}`
      ;(around.reread ?? asItComes)(named, value, to, converted(value, to, around))(value)
    },
  })
}

const pattern = sentenceOf<Pattern>()
const outlinesOf = ({ layout }: Pattern): string => ('outlines' in layout && layout.outlines) || 'stand'

/** Whether it makes a difference between whose outlines the spacing is kept. */
function matters(value: Pattern, { project, knows }: Surroundings): boolean {
  const { layout } = value
  return (
    outlinesOf(value) === 'dealt' ||
    (knows.definitionOf(layout).goesByStanding?.(layout) !== undefined && knows.isShaped(value, project))
  )
}

/** Whose outlines a spacing is kept between; said where it makes a difference. */
export const whoseOutlines = sentenceOf<unknown>().ofPattern([
  pattern.where(matters, [
    ', measured ',
    pattern.choice(outlinesOf, {
      label: 'Outlines',
      undo: 'outlines',
      options: [
        { value: 'stand', words: 'as they stand', note: 'sized and turned by their steps and by hand' },
        { value: 'dealt', words: 'as dealt', note: 'in full size and unturned, whatever is done to them after' },
      ],
      write: ({ layout }, to) => {
        if (to === 'dealt') Object.assign(layout, { outlines: to })
        else if ('outlines' in layout) delete layout.outlines
      },
    }),
  ]),
])
