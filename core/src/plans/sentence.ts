import { placeWords } from '../grounds/placeSentence'
import { someLength } from '../grounds/checks'
import { type Template, sentenceOf } from '../sentences/nodes'
import type { Plan } from './plan'

const say = sentenceOf<Plan>()

/** How a plan lies and how large it is; its width, its height and the length of a pixel are one value read three ways. */
export const planSentence: Template<Plan> = [
  'It ',
  say.choice('lies', {
    label: 'Lies',
    options: [
      { value: 'ground', words: 'lies on the ground' },
      { value: 'front', words: 'stands, seen from the front' },
      { value: 'side', words: 'stands, seen from the side' },
    ],
  }),
  ', ',
  say.number(({ perPixel, pixels }) => perPixel * pixels[0], {
    label: 'Width',
    quantity: 'length',
    check: someLength('A width'),
    write: (plan, to) => void (plan.perPixel = to / plan.pixels[0]),
  }),
  ' wide and ',
  say.number(({ perPixel, pixels }) => perPixel * pixels[1], {
    label: 'Height',
    quantity: 'length',
    check: someLength('A height'),
    write: (plan, to) => void (plan.perPixel = to / plan.pixels[1]),
  }),
  ' high, ',
  say.number('perPixel', { label: 'Pixel', quantity: 'length', check: someLength('A pixel') }),
  ' to the pixel. It shows at ',
  say.number('strength', {
    label: 'Strength',
    quantity: 'share',
    check: (to) => (to >= 0 && to <= 1 ? undefined : ['It shows at 0 % to 100 %.']),
  }),
  '. ',
  ...placeWords<Plan>('Its middle is'),
]
