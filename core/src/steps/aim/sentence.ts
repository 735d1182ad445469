import { type Surroundings, type Template, along, sentenceOf, yesNo } from '../../sentences/nodes'
import { sides } from '../../values/values'
import type { Aim } from './schema'

const say = sentenceOf<Aim>()
const atOf = ({ at }: Aim): string => (at.kind === 'copy' ? `copy ${at.slot}` : at.kind)

/** The picked copy, or the first. */
const someCopy = ({ slot, table }: Surroundings): string => slot ?? (table && table.count > 0 ? table.keyOf(0) : '0')

export const aimSentence: Template<Aim> = [
  'Face ',
  say.choice(atOf, {
    label: 'Aimed at',
    options: ({ at }, { slot }) => [
      { value: 'centre', words: 'the centre', note: 'of these copies' },
      { value: 'along', words: 'along', note: 'each the next one' },
      { value: 'point', words: 'a point' },
      { value: 'copy', words: 'copy ', hasSlot: true, isRead: true },
      at.kind === 'copy'
        ? { value: `copy ${at.slot}`, words: `copy “${at.slot}”` }
        : {
            value: 'copy',
            words: 'a copy',
            note: slot === undefined ? 'the first; pick one to face that' : 'the picked one',
          },
    ],
    write: (aim, to, around) => {
      const [kind, slot] = to.split(' ')
      if (kind === 'point' && aim.at.kind !== 'point') aim.at = { kind, point: [0, 0, 0.5] }
      else if (kind === 'copy') aim.at = { kind, slot: slot ?? someCopy(around) }
      else if (kind === 'centre' || kind === 'along') aim.at = { kind }
    },
  }),
  say.when(
    ({ at }) => at.kind === 'point',
    [
      ' at ',
      ...along<Aim>(['across', 'up', 'deep'], ({ at }) => (at.kind === 'point' ? at.point : []), {
        label: (axis) => `Point ${axis}`,
        quantity: 'length',
      }),
    ],
  ),
  ' with their ',
  say.choice('side', { label: 'Side', options: sides.map((value) => ({ value, words: value })) }),
  ', ',
  say.choice('upright', {
    label: 'Upright',
    options: yesNo('staying upright', 'tilting freely'),
    write: (aim, to) => void (aim.upright = to === 'true'),
  }),
  '.',
]
