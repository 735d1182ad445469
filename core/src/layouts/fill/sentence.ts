import { areaOf } from '../../scatter/area'
import { aSide, notBelowZero } from '../../sentences/checks'
import { type Surroundings, type Template, sentenceOf, things } from '../../sentences/nodes'
import { seedField } from '../../sentences/seedField'
import { plural } from '../../words'
import type { OutlineShape } from '../../values/outline'
import type { Fill } from './schema'

const say = sentenceOf<Fill>()
const isPolygon = ({ outline }: Fill): boolean => outline.kind === 'polygon'

/** An outline as points to move: a rectangle by its corners, an ellipse by twelve. */
function cornersOf(outline: OutlineShape): [number, number][] {
  if (outline.kind === 'polygon') return outline.points.map(([x, z]) => [x, z])
  const { width: w, depth: d } = outline
  if (outline.kind === 'rectangle')
    return [
      [-w / 2, -d / 2],
      [w / 2, -d / 2],
      [w / 2, d / 2],
      [-w / 2, d / 2],
    ]
  return Array.from({ length: 12 }, (_, i) => [
    (w / 2) * Math.cos((i * Math.PI) / 6),
    (d / 2) * Math.sin((i * Math.PI) / 6),
  ])
}

function setOutline(fill: Fill, kind: string): void {
  const { low, high } = areaOf(fill.outline)
  if (kind === 'polygon') fill.outline = { kind, points: cornersOf(fill.outline) }
  else fill.outline = { kind: kind as 'rectangle', width: high[0] - low[0], depth: high[1] - low[1] }
}

/** Patterns with a curve or an outline that a fill can keep off; others only where a text names them. */
const guidesBeside = ({ project, pattern, knows }: Surroundings) =>
  project.patterns
    .filter((p) => p.id !== pattern?.id)
    .map((p) => {
      const isGuide = knows.definitionOf(p.layout).distance !== undefined
      return { value: p.id, words: '', name: p.name, ...(!isGuide && { isRead: true as const }) }
    })

const side = (key: 'width' | 'depth', label: string) =>
  say.number(({ outline }) => (outline.kind === 'polygon' ? 0 : outline[key]), {
    label,
    undo: 'outline',
    quantity: 'length',
    check: aSide(),
    write: ({ outline }, to) => {
      if (outline.kind !== 'polygon') outline[key] = to
    },
  })

export const fillSentence: Template<Fill> = [
  'Fill ',
  say.choice(({ outline }) => outline.kind, {
    label: 'Outline',
    undo: 'outline',
    options: [
      { value: 'rectangle', words: 'a rectangle' },
      { value: 'ellipse', words: 'an ellipse' },
      { value: 'polygon', words: 'an outline', note: 'its points are dragged on the stage or typed below' },
    ],
    write: setOutline,
  }),
  say.when(
    (fill) => !isPolygon(fill),
    [' ', side('width', 'Width of the outline'), ' wide, ', side('depth', 'Depth of the outline'), ' deep'],
  ),
  say.when(isPolygon, [
    ' of ',
    say.reference({
      label: 'Points of the outline',
      says: ({ outline }) => {
        const { points = [], more = [] } = outline.kind === 'polygon' ? outline : {}
        const rest =
          more.length > 0
            ? [' and ', { count: more.length }, plural(more.length, ' more outline', ' more outlines')]
            : []
        return [{ count: points.length }, ' points', ...rest]
      },
      take: (fill, from) => void (fill.outline = from.outline),
    }),
  ]),
  ', with ',
  say.when(
    ({ by }) => by === 'density',
    [say.number('density', { label: 'Density', undo: 'density', quantity: 'density' })],
    (fill) => void (fill.by = 'density'),
  ),
  say.when(({ by }) => by === 'count', [say.number('count', { label: 'Count', undo: 'count', quantity: 'count' })]),
  ' ',
  things,
  say.choice('by', {
    label: 'Amount',
    undo: 'amount',
    options: [
      { value: 'count', words: 'copies' },
      { value: 'density', words: 'copies to the area' },
    ],
    write: (fill, by, { laid }) => {
      if (laid?.kind === 'fill' && by !== fill.by)
        Object.assign(fill, by === 'density' ? { density: laid.wanted / laid.area } : { count: laid.wanted })
      fill.by = by as Fill['by']
    },
  }),
  ', ',
  say.choice('how', {
    label: 'Spread',
    undo: 'spread',
    options: [
      { value: 'random', words: 'at random' },
      { value: 'even', words: 'evenly spread', note: 'at random, with a least distance between pivots' },
      { value: 'sunflower', words: 'as a sunflower', note: 'each with the same area to itself' },
      { value: 'square', words: 'in rows', note: 'at a distance, square' },
      { value: 'hexagonal', words: 'in shifted rows', note: 'each half a step on, all as far apart' },
      { value: 'bands', words: 'in bands', note: 'along the edge, each as far further in' },
    ],
  }),
  say.where(
    ({ how }) => how === 'even',
    [
      ' at least ',
      say.number('least', { label: 'Least distance', undo: 'least distance', quantity: 'length' }),
      ' apart',
    ],
  ),
  say.where(
    ({ how }) => how === 'square' || how === 'hexagonal' || how === 'bands',
    [
      ' ',
      say.number('least', { label: 'Least distance', undo: 'distance', quantity: 'length' }),
      ' from one to the next',
    ],
  ),
  say.where(
    ({ how }) => how === 'random' || how === 'even',
    [
      ', ',
      ...seedField<Fill>(
        'Seed',
        (fill) => fill.seed,
        (fill, to) => void (fill.seed = to),
        'seed',
      ),
    ],
  ),
  say.clause(
    ({ weights }) => weights === undefined,
    [
      ', more where ',
      say.text({ label: 'Picture', read: ({ weights }) => weights?.fileName ?? 'a picture', asks: 'picture' }),
      ' is ',
      say.choice(({ weights }) => (weights === undefined ? 'nowhere' : weights.light ? 'light' : 'dark'), {
        label: 'More where it is',
        undo: 'picture',
        options: ({ weights }) =>
          weights === undefined
            ? [{ value: 'nowhere', words: 'dark or light', note: 'choose the picture first' }]
            : [
                { value: 'dark', words: 'dark' },
                { value: 'light', words: 'light' },
                { value: 'none', words: 'the same everywhere', note: 'without the picture' },
              ],
        write: (fill, to) => {
          if (to === 'none') delete fill.weights
          else if (fill.weights && to === 'light') fill.weights.light = true
          else if (fill.weights && to === 'dark') delete fill.weights.light
        },
      }),
    ],
  ),
  say.clause(
    ({ margin, edge }) => margin === 0 && edge === undefined,
    [
      ', ',
      say.number('margin', {
        label: 'Margin',
        undo: 'margin',
        quantity: 'length',
        state: 'free',
        check: notBelowZero('A margin'),
      }),
      ' in from the edge, ',
      say.choice(({ edge }) => edge ?? 'copies', {
        label: 'Kept inside',
        undo: 'edge',
        options: [
          { value: 'copies', words: 'whole copies' },
          { value: 'pivots', words: 'by their pivots', note: 'copies may stand out by half their width' },
        ],
        write: (fill, kept) => {
          if (kept === 'pivots') fill.edge = kept
          else delete fill.edge
        },
      }),
    ],
  ),
  say.clause(
    ({ off }) => off === undefined,
    [
      ', keeping off ',
      say.list({
        label: 'Kept off',
        undo: 'what is kept off',
        more: 'Keep off',
        less: 'Do not keep off',
        least: 0,
        canChange: false,
        read: ({ off }) => off?.guides ?? [],
        write: (fill, guides) => {
          if (guides.length === 0) delete fill.off
          else fill.off = { guides: [...guides], distance: fill.off?.distance ?? 0 }
        },
        options: (_, around) => guidesBeside(around),
      }),
      say.when(
        ({ off }) => off !== undefined,
        [
          ' by ',
          say.number(({ off }) => off?.distance ?? 0, {
            label: 'Kept off by',
            undo: 'what is kept off',
            quantity: 'length',
            state: 'free',
            check: notBelowZero('A distance'),
            write: ({ off }, to) => {
              if (off) off.distance = to
            },
          }),
        ],
      ),
    ],
  ),
  '.',
]
