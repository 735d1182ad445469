import { wholeFrom } from '../sentences/checks'
import { type Node, type NumberField, type Template, along, sentenceOf } from '../sentences/nodes'
import type { Quantity } from '../numbers/units'
import type { Curve } from '../values/curve'
import { type CurveChoice, choiceOf, startCurve } from './begin'

/** Something that has a curve. */
export interface HasCurve {
  curve: Curve
}

const say = sentenceOf<HasCurve>()

const options: readonly { value: CurveChoice; words: string; note?: string; asks?: string }[] = [
  { value: 'straight', words: 'points, straight' },
  { value: 'smooth', words: 'points, smoothly' },
  { value: 'hand', words: 'points with handles' },
  { value: 'arc', words: 'a circle or an arc' },
  { value: 'ellipse', words: 'an ellipse' },
  { value: 'polygon', words: 'a polygon' },
  { value: 'helix', words: 'a helix', note: 'conical too' },
  { value: 'spiral', words: 'a spiral' },
  { value: 'catenary', words: 'a hanging chain' },
  { value: 'drawing', words: 'a drawing', note: 'the outlines of an SVG file', asks: 'drawing' },
  { value: 'edges', words: 'the edges of a part', asks: 'edges' },
  { value: 'text', words: 'lettering', note: 'the outlines of a text', asks: 'lettering' },
]

const whichOf = (curve: Curve): string =>
  (curve.kind === 'bezier' && curve.from.kind === 'edges' && curve.from.which?.as) || 'all'

const moreThanNothing = (n: number) => (n > 0 ? undefined : (['This is more than 0. Type a larger number.'] as const))

/** A number that stands in a kind of curve under a key. */
const number = (
  key: string,
  label: string,
  quantity: Quantity,
  check?: NumberField<HasCurve>['check'],
): Node<HasCurve> =>
  say.number(({ curve }) => Number((curve as unknown as Record<string, unknown>)[key]), {
    label,
    undo: 'curve',
    quantity,
    ...(check && { check }),
    write: (holder, to) => void Object.assign(holder.curve, { [key]: to }),
  })
const positive = (key: string, label: string, quantity: Quantity): Node<HasCurve> =>
  number(key, label, quantity, moreThanNothing)
const of = (kind: Curve['kind'], nodes: Template<HasCurve>): Node<HasCurve> =>
  say.when(({ curve }) => curve.kind === kind, nodes)

const spiralEach = say.number(({ curve }) => (curve.kind === 'spiral' ? curve.each : 0), {
  label: 'Growth of a turn',
  undo: 'curve',
  quantity: ({ curve }) => (curve.kind === 'spiral' && curve.growth === 'times' ? 'factor' : 'length'),
  write: ({ curve }, to) => {
    if (curve.kind === 'spiral') curve.each = to
  },
})

/** What no words can say of it: points, handles, a drawing, the outlines of letters. */
const drawn = say.reference({
  label: 'Points of the curve',
  says: ({ curve }) => {
    if (curve.kind === 'points') return [{ count: curve.points.length }, ' of them']
    const n = curve.kind === 'bezier' ? curve.runs.reduce((sum, { pieces }) => sum + pieces.length, 0) : 0
    return [{ count: n }, n === 1 ? ' piece' : ' pieces']
  },
  take: (holder, from) => void (holder.curve = from.curve),
})

/** A curve: its kind, its numbers, its drawing or its lettering. */
export const curveSentence: Template<HasCurve> = [
  say.choice(({ curve }) => choiceOf(curve), {
    label: 'Curve',
    undo: 'curve',
    options,
    write: (holder, to) => {
      if (to === choiceOf(holder.curve)) return
      // What comes from elsewhere has nothing before it is taken from there.
      if (to === 'drawing') holder.curve = { kind: 'bezier', runs: [], from: { kind: to, fileName: '' } }
      else if (to === 'edges') holder.curve = { kind: 'bezier', runs: [], from: { kind: to, part: '' } }
      else if (to === 'text')
        holder.curve = { kind: 'bezier', runs: [], from: { kind: to, text: '', font: '', size: 1 } }
      else holder.curve = startCurve(to as 'arc', holder.curve)
    },
  }),
  of('arc', [
    ' ',
    positive('radius', 'Radius', 'length'),
    ' in radius, ',
    number('angle', 'Angle', 'angle'),
    ' round from ',
    number('start', 'Start angle', 'angle'),
  ]),
  of('ellipse', [' ', positive('width', 'Width', 'length'), ' wide, ', positive('depth', 'Depth', 'length'), ' deep']),
  of('polygon', [
    ' ',
    number('sides', 'Sides', 'count', wholeFrom(3, 1000)),
    ' sides, its corners ',
    positive('radius', 'Radius', 'length'),
    ' from the middle',
  ]),
  of('helix', [
    ' ',
    positive('radius', 'Radius', 'length'),
    ' in radius below, ',
    positive('endRadius', 'Radius above', 'length'),
    ' above, ',
    number('height', 'Height', 'length'),
    ' high, ',
    positive('turns', 'Turns', 'factor'),
    ' turns',
  ]),
  of('spiral', [
    ' ',
    positive('radius', 'Radius', 'length'),
    ' in radius within, ',
    positive('turns', 'Turns', 'factor'),
    ' turns, each ',
    say.choice(({ curve }) => (curve.kind === 'spiral' ? curve.growth : 'add'), {
      label: 'Growth',
      undo: 'curve',
      options: [
        { value: 'add', words: 'wider by' },
        { value: 'times', words: 'wider, times' },
      ],
      write: ({ curve }, growth) => {
        if (curve.kind === 'spiral' && curve.growth !== growth)
          Object.assign(curve, { growth, each: growth === 'add' ? 0.1 : 1.5 })
      },
    }),
    ' ',
    spiralEach,
  ]),
  of('catenary', [
    ' to ',
    ...along<HasCurve>(['across', 'up', 'deep'], ({ curve }) => (curve.kind === 'catenary' ? curve.to : []), {
      label: (axis) => `End ${axis}`,
      undo: 'curve',
      quantity: 'length',
    }),
    ', ',
    positive('value', 'Chain', 'length'),
    ' ',
    say.choice(({ curve }) => (curve.kind === 'catenary' ? curve.by : 'sag'), {
      label: 'Chain by',
      undo: 'curve',
      options: [
        { value: 'length', words: 'long' },
        { value: 'sag', words: 'deep in its sag' },
      ],
      write: ({ curve }, by, { isText }) => {
        if (curve.kind !== 'catenary' || curve.by === by) return
        curve.by = by as 'length' | 'sag'
        // A chain goes on in the other way as a round figure; a text says both.
        if (!isText) curve.value = by === 'length' ? 2.4 : 0.4
      },
    }),
  ]),
  say.when(
    ({ curve }) => curve.kind === 'bezier' && curve.from.kind === 'drawing',
    [
      ' ',
      say.text({
        label: 'Drawing',
        read: ({ curve }) => (curve.kind === 'bezier' && curve.from.kind === 'drawing' ? curve.from.fileName : ''),
      }),
    ],
  ),
  say.when(
    ({ curve }) => curve.kind === 'bezier' && curve.from.kind === 'edges',
    [
      ' ',
      say.choice(({ curve }) => (curve.kind === 'bezier' && curve.from.kind === 'edges' ? curve.from.part : ''), {
        label: 'Part with the edges',
        isTaken: true,
        undo: 'curve',
        options: (_, { project }) =>
          project.parts.map((p) => ({ value: p.name, words: '', name: p.name, asks: 'edges of' })),
        write: () => undefined,
      }),
      say.clause(
        ({ curve }) => whichOf(curve) === 'all',
        [
          ', ',
          say.choice(({ curve }) => whichOf(curve), {
            label: 'Which edges',
            undo: 'curve',
            options: [
              { value: 'all', words: 'all of them', asks: 'edges as' },
              { value: 'edge', words: 'one straight edge', asks: 'edges as' },
              { value: 'chain', words: 'one chain of edges', asks: 'edges as' },
              { value: 'loop', words: 'the loop round one face', asks: 'edges as' },
            ],
            write: () => undefined,
          }),
        ],
      ),
    ],
  ),
  say.when(
    ({ curve }) => curve.kind === 'bezier' && curve.from.kind === 'text',
    [
      ' ',
      say.text({
        label: 'Lettering',
        read: ({ curve }) => (curve.kind === 'bezier' && curve.from.kind === 'text' ? curve.from.text : ''),
        asks: 'letters',
        isTyped: true,
      }),
      ' in ',
      say.choice(({ curve }) => (curve.kind === 'bezier' && curve.from.kind === 'text' ? curve.from.font : ''), {
        label: 'Font',
        isTaken: true,
        undo: 'curve',
        options: ({ curve }, { fonts = [] }) => {
          const now = curve.kind === 'bezier' && curve.from.kind === 'text' ? [curve.from.font] : []
          const all = [...new Set([...fonts, ...now])].map((value) => ({ value, words: '', name: value, asks: 'font' }))
          return [...all, { value: '', words: 'from a file…', asks: 'font file' }]
        },
        write: () => undefined,
      }),
      ', ',
      say.number(({ curve }) => (curve.kind === 'bezier' && curve.from.kind === 'text' ? curve.from.size : 0), {
        label: 'Letter size',
        undo: 'curve',
        quantity: 'length',
        check: moreThanNothing,
        write: setLetterSize,
      }),
      ' to the em',
    ],
  ),
  say.when(({ curve }) => curve.kind === 'points', [', ', drawn]),
  say.inText(({ curve }) => curve.kind === 'bezier', [', ', drawn]),
  of('points', [
    say.clause(
      ({ curve }) => curve.kind === 'points' && !curve.closed,
      [
        ', ',
        say.choice(({ curve }) => String(curve.kind === 'points' && curve.closed), {
          label: 'Closed',
          undo: 'curve',
          options: [
            { value: 'false', words: 'open' },
            { value: 'true', words: 'closed' },
          ],
          write: ({ curve }, to) => {
            if (curve.kind === 'points') curve.closed = to === 'true'
          },
        }),
      ],
    ),
  ]),
]

/** The outlines are scaled, which is the same as letters of that size. */
function setLetterSize({ curve }: HasCurve, size: number): void {
  if (curve.kind !== 'bezier' || curve.from.kind !== 'text') return
  const by = size / curve.from.size
  for (const run of curve.runs) {
    run.start = run.start.map((n) => n * by) as typeof run.start
    run.pieces = run.pieces.map((piece) => piece.map((point) => point.map((n) => n * by))) as typeof run.pieces
  }
  curve.from.size = size
}
