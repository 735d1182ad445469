import type { Part } from '../model/part'
import { aShare, aSide } from '../sentences/checks'
import { type Template, sentenceOf, yesNo } from '../sentences/nodes'
import { colorField } from './sentence'

const say = sentenceOf<Part>()
const isLight = ({ shape }: Part): boolean => shape.kind === 'light'

const share = (key: 'roughness' | 'metal' | 'glow', label: string) =>
  say.number(({ look }) => look[key] ?? 0, {
    label,
    undo: key,
    quantity: 'share',
    state: 'free',
    check: aShare,
    write: ({ look }, to) => {
      if (key === 'glow' && to === 0) delete look.glow
      else look[key] = to
    },
  })

/** How a part looks, on the stage and in the file. */
export const lookSentence: Template<Part> = [
  'Its colour is ',
  colorField,
  say.when(
    (part) => !isLight(part),
    [
      ', ',
      share('roughness', 'Roughness'),
      ' rough, ',
      share('metal', 'Metal'),
      ' metal, glowing ',
      share('glow', 'Glow'),
      '. It is ',
      say.choice(({ look }) => String(look.faceted ?? false), {
        label: 'Shading',
        undo: 'shading',
        options: yesNo('faceted', 'smooth'),
        write: ({ look }, to) => {
          if (to === 'true') look.faceted = true
          else delete look.faceted
        },
      }),
      ', ',
      say.choice(({ look }) => String(look.shadow !== false), {
        label: 'Shadow',
        undo: 'shadow',
        options: yesNo('casts a shadow', 'casts no shadow'),
        write: ({ look }, to) => {
          if (to === 'false') look.shadow = false
          else delete look.shadow
        },
      }),
      ', and has ',
      say.choice(({ look }) => String(look.grain !== undefined), {
        label: 'Grain',
        undo: 'grain',
        options: yesNo('a grain', 'no grain'),
        write: ({ look }, to) => {
          if (to === 'true') look.grain = { turn: Math.PI / 2, width: 0.01 }
          else delete look.grain
        },
      }),
      say.when(
        ({ look }) => look.grain !== undefined,
        [
          ' turned ',
          say.number(({ look }) => look.grain?.turn ?? 0, {
            label: 'Grain angle',
            undo: 'grain',
            quantity: 'angle',
            state: 'free',
            write: ({ look }, to) => {
              if (look.grain) look.grain.turn = to
            },
          }),
          ' from across, in stripes of ',
          say.number(({ look }) => look.grain?.width ?? 0, {
            label: 'Grain width',
            undo: 'grain',
            quantity: 'length',
            state: 'free',
            check: aSide('A stripe'),
            write: ({ look }, to) => {
              if (look.grain) look.grain.width = to
            },
          }),
        ],
      ),
    ],
  ),
  '.',
]
