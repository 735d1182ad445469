import type { Pattern } from '../../model/pattern'
import { aShare, aSide, notBelowZero, wholeFrom } from '../../sentences/checks'
import { type Node, type Surroundings, type Template, along, sentenceOf } from '../../sentences/nodes'
import type { Driver, Reach, ReachFrom } from '../../values/variation'
import { variationWords } from '../../values/variationSentence'
import { type Axis, axes, wayOf } from '../../values/values'
import { startReach } from './startReach'
import type { Vary } from './schema'

const say = sentenceOf<Vary>()
type Picture = Extract<Driver, { kind: 'picture' }>

/** How many it reaches: a share of them, each by its own chance, or exactly so many. */
const whom: Node<Vary> = say.clause(
  ({ exactly, share }) => exactly === undefined && share === 1,
  [
    say.when(
      ({ exactly }) => exactly !== undefined,
      [
        'exactly ',
        say.number(({ exactly }) => exactly ?? 0, {
          label: 'Number of copies',
          quantity: 'count',
          check: wholeFrom(0),
          write: (vary, to) => void (vary.exactly = to),
        }),
      ],
      (vary) => void (vary.exactly ??= 1),
    ),
    say.when(
      ({ exactly }) => exactly === undefined,
      [say.number('share', { label: 'Share of copies', quantity: 'share', check: aShare })],
    ),
    ' of them, ',
    say.choice(({ exactly }) => (exactly === undefined ? 'share' : 'exactly'), {
      label: 'Which copies',
      options: [
        { value: 'share', words: 'each by its own chance' },
        { value: 'exactly', words: 'just so many', note: 'who they are then depends on who else is there' },
      ],
      write: (vary, to, { table }) => {
        if (to === 'share') delete vary.exactly
        else vary.exactly ??= Math.round((table?.count ?? 0) * vary.share)
      },
    }),
    ': ',
  ],
)

const picture = sentenceOf<Vary>()
const pictureOf = ({ by }: Vary): Picture | undefined => (by?.kind === 'picture' ? by : undefined)

/** What gives each copy its value: chance, the brightness of a picture, or the colours of what lies there. */
const driver: Node<Vary> = say.clause(
  ({ by }) => by === undefined,
  [
    ', ',
    say.choice(({ by }) => (!by ? 'chance' : by.kind === 'picture' ? 'picture' : `on ${by.pattern}`), {
      label: 'Given by',
      options: (_, { project, pattern }) => [
        { value: 'chance', words: 'by chance' },
        {
          value: 'picture',
          words: 'by the brightness of a picture',
          note: 'dark gives the low value, light the high one',
          asks: 'picture',
        },
        ...project.patterns
          .filter((p) => p.id !== pattern?.id)
          .map((p) => ({ value: `on ${p.id}`, words: 'by the colours on ', name: p.name })),
      ],
      write: (vary, to) => {
        if (to === 'chance') delete vary.by
        else if (to.startsWith('on ')) vary.by = { kind: 'colors', pattern: to.slice('on '.length) }
      },
    }),
    say.when(
      (vary) => pictureOf(vary) !== undefined,
      [
        ' ',
        say.text({ label: 'Picture', read: (vary) => pictureOf(vary)?.fileName ?? '', asks: 'picture' }),
        ', ',
        picture.choice((vary) => pictureOf(vary)?.plane ?? 'ground', {
          label: 'How the picture lies',
          options: [
            { value: 'ground', words: 'lying' },
            { value: 'upright', words: 'standing' },
          ],
          write: ({ by }, plane) => {
            if (by?.kind === 'picture') by.plane = plane as Picture['plane']
          },
        }),
        ', ',
        picture.number((vary) => pictureOf(vary)?.width ?? 0, {
          label: 'Picture width',
          quantity: 'length',
          check: aSide('A picture'),
          write: ({ by }, to) => {
            if (by?.kind === 'picture') by.width = to
          },
        }),
        ' wide, its middle at ',
        ...along<Vary>(['across', 'up or deep'], (vary) => pictureOf(vary)?.middle ?? [], {
          label: (axis) => `Picture ${axis}`,
          quantity: 'length',
        }),
      ],
    ),
  ],
)

/** How a variation can keep to another pattern, by what that is laid out on. */
function leadsBy({ layout }: Pattern, { knows }: Surroundings): string | undefined {
  const definition = knows.definitionOf(layout)
  if (definition.guide) return 'near the path of '
  return definition.area && 'in the outline of '
}
const reachOf = ({ reach }: Vary): string => {
  const from = reach?.from
  if (!from) return 'all'
  if (from.kind === 'pattern') return `of ${from.pattern}`
  return from.kind === 'outline' ? from.outline.kind : from.kind
}
const isFrom =
  (kind: ReachFrom['kind']) =>
  ({ reach }: Vary): boolean =>
    reach?.from.kind === kind
const isBox = ({ reach }: Vary): boolean => reach?.from.kind === 'outline' && reach.from.outline.kind !== 'polygon'
const reaches = ({ reach }: Vary): boolean => reach !== undefined

const distance = (key: 'full' | 'none', label: string) =>
  say.number(({ reach }) => reach?.[key] ?? 0, {
    label,
    quantity: 'length',
    check: notBelowZero('A distance'),
    write: ({ reach }, to) => {
      if (reach) reach[key] = to
    },
  })
const side = (key: 'width' | 'depth') =>
  say.number(
    ({ reach }) =>
      reach?.from.kind === 'outline' && reach.from.outline.kind !== 'polygon' ? reach.from.outline[key] : 0,
    {
      label: `Reach ${key}`,
      quantity: 'length',
      check: aSide(),
      write: ({ reach }, to) => {
        if (reach?.from.kind === 'outline' && reach.from.outline.kind !== 'polygon') reach.from.outline[key] = to
      },
    },
  )

/** An outline before its points are taken from where they are. */
const aTriangle: ReachFrom = {
  kind: 'outline',
  outline: {
    kind: 'polygon',
    points: [
      [0, 0],
      [1, 0],
      [0, 1],
    ],
  },
  middle: [0, 0],
}

/** Where it reaches, and how it fades with the distance from there. */
const reach: Node<Vary> = say.clause(
  ({ reach }) => reach === undefined,
  [
    ' ',
    say.choice(reachOf, {
      label: 'Where it reaches',
      options: (_, around) => [
        { value: 'all', words: 'everywhere' },
        { value: 'point', words: 'near a point' },
        { value: 'plane', words: 'near a plane' },
        { value: 'rectangle', words: 'in a rectangle' },
        { value: 'ellipse', words: 'in an ellipse' },
        { value: 'polygon', words: 'in an outline', isRead: true },
        ...around.project.patterns
          .filter(({ id }) => id !== around.pattern?.id)
          .map((other) => {
            const words = leadsBy(other, around)
            const option = { value: `of ${other.id}`, words: words ?? 'near ', name: other.name }
            return words === undefined ? { ...option, isRead: true as const } : option
          }),
      ],
      write: (vary, to, { table, unit }) => {
        if (to === 'all') delete vary.reach
        else if (to !== 'polygon') vary.reach = startReach(to, table, vary.reach, unit)
        else vary.reach = { from: aTriangle, full: 0, none: 0, easing: 'evenly' }
      },
    }),
    say.when(isFrom('point'), [
      ' at ',
      ...along<Vary>(axes, ({ reach: r }) => (r?.from.kind === 'point' ? r.from.point : []), {
        label: (axis) => `Point ${axis}`,
        quantity: 'length',
      }),
    ]),
    say.when(isFrom('plane'), [
      ' ',
      say.choice(({ reach: r }) => (r?.from.kind === 'plane' ? r.from.axis : 'across'), {
        label: 'Plane',
        options: axes.map((axis) => ({ value: axis, words: `square to ${axis}`, toward: wayOf[axis] })),
        write: ({ reach: r }, axis) => {
          if (r?.from.kind === 'plane') r.from.axis = axis as Axis
        },
      }),
      ' at ',
      say.number(({ reach: r }) => (r?.from.kind === 'plane' ? r.from.at : 0), {
        label: 'Plane at',
        quantity: 'length',
        state: 'free',
        write: ({ reach: r }, to) => {
          if (r?.from.kind === 'plane') r.from.at = to
        },
      }),
    ]),
    say.when(isBox, [
      ' ',
      side('width'),
      ' wide and ',
      side('depth'),
      ' deep, its middle at ',
      ...along<Vary>(['across', 'deep'], ({ reach: r }) => (r?.from.kind === 'outline' ? r.from.middle : []), {
        label: (axis) => `Middle ${axis}`,
        quantity: 'length',
      }),
    ]),
    say.when(
      (vary) => isFrom('outline')(vary) && !isBox(vary),
      [
        ' of ',
        say.reference({
          label: 'Points of the reach',
          says: ({ reach: r }) => [
            {
              count: r?.from.kind === 'outline' && r.from.outline.kind === 'polygon' ? r.from.outline.points.length : 0,
            },
            ' points',
          ],
          take: (vary, from) => {
            if (from.reach) vary.reach = from.reach
          },
        }),
      ],
    ),
    say.when(reaches, [
      ': all of it up to ',
      distance('full', 'Full up to'),
      ' away, none from ',
      distance('none', 'None from'),
      say.where(
        ({ reach: r }) => r?.full !== r?.none,
        [
          ', fading ',
          say.choice(({ reach: r }) => r?.easing ?? 'evenly', {
            label: 'Fading',
            options: [
              { value: 'evenly', words: 'evenly' },
              { value: 'slowFirst', words: 'slowly far off' },
              { value: 'slowLast', words: 'slowly nearby' },
              { value: 'slowBoth', words: 'slowly at both ends' },
            ],
            write: ({ reach: r }, easing) => {
              if (r) r.easing = easing as Reach['easing']
            },
          }),
        ],
      ),
    ]),
  ],
)

export const varySentence: Template<Vary> = [
  'Vary ',
  whom,
  ...variationWords<Vary>(({ by }) => by !== undefined),
  driver,
  say.clause(
    ({ strength }) => strength === 1,
    [
      ', at ',
      say.number('strength', { label: 'Strength', quantity: 'share', state: 'free', check: aShare }),
      ' of its strength',
    ],
  ),
  reach,
  '.',
]
