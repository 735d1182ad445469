import type { Quantity } from '../numbers/units'
import { wholeFrom } from '../sentences/checks'
import { type Node, sentenceOf } from '../sentences/nodes'
import { seedField } from '../sentences/seedField'
import { startVariation } from '../steps/vary/start'
import { type Variation, type Varied, varied } from './variation'

const words: Record<Varied, string> = {
  size: 'their size',
  sizeAcross: 'their size across',
  sizeUp: 'their size upwards',
  sizeDeep: 'their size in depth',
  moveAcross: 'their place across',
  moveUp: 'their place upwards',
  moveDeep: 'their place in depth',
  turnAcross: 'their turn about across',
  turnUp: 'their turn about up',
  turnDeep: 'their turn about deep',
  tilt: 'their tilt from upright',
  turnAny: 'their turn, in any way at all',
  color: 'their colour',
}

const isSize = ({ what }: Variation): boolean => what.startsWith('size')
const isColor = ({ what }: Variation): boolean => what === 'color'
const isTilt = ({ what }: Variation): boolean => what === 'tilt'
/** A tilt from upright on, which is said by how far it goes. */
const isOpening = ({ what, low }: Variation): boolean => what === 'tilt' && low === 0
const hasRange = ({ what }: Variation): boolean => what !== 'turnAny' && what !== 'color'
const quantityOf = (variation: Variation): Quantity =>
  isSize(variation) ? 'share' : variation.what.startsWith('move') ? 'length' : 'angle'

function checkLow(n: number, variation: Variation) {
  if (isSize(variation) && !(n > 0)) return ['A size of 0 or less turns a copy inside out: type more than 0 %.']
  return n <= variation.high ? undefined : ['The low end is not above the high one. Type less, or raise that first.']
}
function checkHigh(n: number, variation: Variation) {
  if (isTilt(variation)) return n >= 0 && n <= Math.PI ? undefined : ['A cone opens from 0° to 180° from upright.']
  return n >= variation.low ? undefined : ['The high end is not below the low one. Type more, or lower that first.']
}

/**
 * What varies by chance, between what, how it is spread, and its seed: of a step, or of a part.
 *
 * @param driven whether something else than chance gives the values
 */
export function variationWords<V extends Variation>(driven: (value: V) => boolean): Node<V>[] {
  const say = sentenceOf<Variation>()
  const isDriven = driven as unknown as (value: Variation) => boolean
  const color = (key: 'from' | 'to', label: string) =>
    say.color({
      label,
      read: ({ colors }) => colors?.[key] ?? '#000000',
      write: ({ colors }, to) => {
        if (colors) colors[key] = to
      },
    })
  const nodes: Node<Variation>[] = [
    say.choice('what', {
      label: 'What varies',
      options: varied.map((value) => ({ value, words: words[value] })),
      write: (variation, what) => {
        delete variation.colors
        delete variation.steps
        Object.assign(variation, startVariation(what as Varied, variation.seed))
      },
    }),
    say.when(hasRange, [
      say.where(isOpening, [' by up to ']),
      say.where(
        (variation) => !isOpening(variation),
        [' between ', say.number('low', { label: 'Low', quantity: quantityOf, check: checkLow }), ' and '],
      ),
      say.number('high', { label: 'High', quantity: quantityOf, check: checkHigh }),
    ]),
    say.when(isColor, [
      ' between ',
      color('from', 'First colour'),
      ' and ',
      color('to', 'Second colour'),
      ' in ',
      say.number(({ colors }) => colors?.shades ?? 8, {
        label: 'Shades',
        quantity: 'count',
        check: wholeFrom(2, 64),
        write: ({ colors }, to) => {
          if (colors) colors.shades = to
        },
      }),
      ' shades',
    ]),
    say.where(
      (variation) => !isDriven(variation) && variation.what !== 'turnAny',
      [
        say.clause(
          ({ spread }) => spread === 'even',
          [
            ', ',
            say.choice('spread', {
              label: 'Spread',
              options: [
                { value: 'even', words: 'evenly spread', note: 'sizes evenly in ratio, tilts over the cone' },
                { value: 'bell', words: 'most in the middle', note: 'bell-shaped, cut at both ends' },
              ],
            }),
          ],
        ),
      ],
    ),
    say.where(
      (variation) => !isSize(variation) && !isColor(variation),
      [
        say.clause(
          ({ axes }) => axes === 'copy',
          [
            ', in ',
            say.choice('axes', {
              label: 'Axes',
              options: [
                { value: 'copy', words: 'each copy’s own axes' },
                { value: 'pattern', words: 'the pattern’s axes' },
                { value: 'world', words: 'the world’s axes' },
              ],
            }),
          ],
        ),
      ],
    ),
    // Which way a tilt goes, or what two of three chances of a turn are, is left to chance in any case.
    say.where(
      (variation) => !isDriven(variation) || ['tilt', 'turnAny'].includes(variation.what),
      [
        ', ',
        ...seedField<Variation>(
          'Seed',
          (v) => v.seed,
          (v, to) => void (v.seed = to),
        ),
      ],
    ),
    say.when(hasRange, [
      say.clause(
        ({ steps }) => steps === undefined,
        [
          ', in steps of ',
          say.number(({ steps }) => steps ?? 0, {
            label: 'Steps',
            quantity: quantityOf,
            state: 'free',
            check: (n) => (n >= 0 ? undefined : ['Type 0 for no steps, or more.']),
            write: (variation, n) => {
              if (n > 0) variation.steps = n
              else delete variation.steps
            },
          }),
          say.said(({ steps }) => (steps ? '' : ' (none)')),
        ],
      ),
    ]),
  ]
  return nodes as unknown as Node<V>[]
}
