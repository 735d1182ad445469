import { middleOf, type Box } from '../geometry/box'
import type { Part } from '../model/part'
import { type Option, type Template, along, sentenceOf } from '../sentences/nodes'
import type { PartFrame } from '../values/frame'
import { type Side, axes, sides, sideVectors, type Vec3 } from '../values/values'

const say = sentenceOf<Part>()
const PLAIN: Readonly<PartFrame> = { pivot: [0, 0, 0], up: 'top', front: 'front' }
/** Places this near in metres are one. */
const SAME = 1e-7

const isAt = (a: Readonly<Vec3>, b: Readonly<Vec3>): boolean => a.every((n, i) => Math.abs(n - b[i]) < SAME)

/** Changes how a shape stands in its part; one that stands as it was made has no frame. */
function reframe(part: Part, edit: (frame: PartFrame) => void): void {
  const next: PartFrame = { ...PLAIN, ...part.frame, pivot: [...(part.frame?.pivot ?? PLAIN.pivot)] }
  edit(next)
  if (isAt(next.pivot, PLAIN.pivot) && next.up === PLAIN.up && next.front === PLAIN.front) delete part.frame
  else part.frame = next
}

const placeWords = {
  made: 'the point where it was made',
  base: 'the middle of its base',
  centre: 'its centre',
  corner: 'its left back corner',
} as const

/**
 * By which point a part is placed. What happens to its copies when that moves, and a point picked on it, are the interface's to ask.
 *
 * @param box about the shape in its own axes
 * @param copies whether copies stay where they are while the pivot moves, or follow it
 */
export function pivotSentence(box: Box, copies: 'stay' | 'follow'): Template<Part> {
  const [x, y, z] = middleOf(box)
  const places: Readonly<Record<keyof typeof placeWords, Vec3>> = {
    made: [0, 0, 0],
    base: [x, box.low[1], z],
    centre: [x, y, z],
    corner: [...box.low],
  }
  const kinds = Object.keys(placeWords) as (keyof typeof placeWords)[]
  const pivotOf = ({ frame }: Part): Readonly<Vec3> => (frame ?? PLAIN).pivot
  return [
    'It is placed by ',
    say.choice((part) => kinds.find((kind) => isAt(places[kind], pivotOf(part))) ?? 'typed', {
      label: 'Pivot',
      undo: 'pivot',
      options: [
        ...kinds.map((value): Option => ({ value, words: placeWords[value] })),
        { value: 'picked', words: 'a point picked on it', asks: 'point on part' },
        { value: 'typed', words: 'a typed point' },
      ],
      write: (part, to) => {
        const at = places[to as keyof typeof placeWords] as Vec3 | undefined
        if (at) reframe(part, (frame) => void (frame.pivot = [...at]))
      },
    }),
    ', at ',
    ...along<Part>(axes, pivotOf, {
      label: (axis) => `Pivot ${axis}`,
      undo: 'pivot',
      quantity: 'length',
      state: 'free',
      write: (part, i, to) => reframe(part, ({ pivot }) => void (pivot[i] = to)),
    }),
    ' of the shape, and its copies ',
    say.choice(() => copies, {
      label: 'Copies',
      options: [
        {
          value: 'stay',
          words: 'stay where they are',
          note: 'their places go as far as the pivot',
          asks: 'pivot copies',
        },
        { value: 'follow', words: 'follow it', note: 'their places stay, what is seen moves', asks: 'pivot copies' },
      ],
      write: () => undefined,
    }),
    '.',
  ]
}

const isAlong = (a: Side, b: Side): boolean => sideVectors[a].some((n, i) => n * sideVectors[b][i] !== 0)

/** One of the two sides by which a part is turned. Two on one axis cannot be top and front: the other one then gives way. */
const side = (which: 'up' | 'front', label: string): Template<Part> => [
  say.choice(({ frame }) => (frame ?? PLAIN)[which], {
    label,
    undo: which,
    options: sides.map((value) => ({ value, words: value })),
    write: (part, to) =>
      reframe(part, (frame) => {
        const other = which === 'up' ? 'front' : 'up'
        const before = frame[which]
        frame[which] = to as Side
        if (isAlong(frame[which], frame[other])) frame[other] = before
      }),
  }),
]

/** Which of its sides are top and front. */
export const sidesSentence: Template<Part> = [
  ' Its ',
  ...side('up', 'Up axis'),
  ' is up, its ',
  ...side('front', 'Front axis'),
  ' in front.',
]
