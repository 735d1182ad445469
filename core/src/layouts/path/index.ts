import { arcLengthOf } from '../../curves/arcLength'
import { buildCurve } from '../../curves/build'
import { NearestOnCurve } from '../../curves/nearest'
import type { Vec3 } from '../../values/values'
import { measures } from '../../values/spacing'
import type { LayoutDefinition, Want } from '../definition'
import { roundFigure } from '../beginning'
import { spacingBy } from '../nudging'
import { pathFacts } from './facts'
import { type PathOutcome, placePath } from './place'
import { type Path, path as schema, plainPath } from './schema'
import { pathSentence } from './sentence'
import { trackOf } from './track'
import { unrollPath } from './unroll'

/** The distance from the curve itself, not from the copies on it. */
function distanceFrom({ curve }: Path): ((at: Readonly<Vec3>) => number) | undefined {
  const built = buildCurve(curve)
  if (!built.ok) return undefined
  const contours = built.value.map((contour) => new NearestOnCurve(arcLengthOf(contour)))
  return (at) => contours.reduce((least, contour) => Math.min(least, contour.to(at).distance), Infinity)
}

const ways = { length: 'by length', straight: 'by straight distance', corners: 'on its corners' }

export const path: LayoutDefinition<Path, PathOutcome> = {
  schema,
  words: 'Path',
  note: 'along a curve, a drawing or lettering, in true length',
  sentence: pathSentence,
  summary: ({ curve, way }) => `path, ${ways[way]}${curve.kind === 'catenary' ? ', hanging' : ''}`,
  lasting: ['ends', 'leftover', 'contours', 'facing', 'shown'],
  begin: ({ width, depth, unit }) => {
    // What is deeper than it is wide would meet in the bends.
    const most = Math.max(width, depth)
    return {
      ...plainPath,
      curve: {
        kind: 'points',
        points: [
          [0, 0, 0],
          [most * 3, 0, -most * 2],
          [most * 6, 0, most],
          [most * 9, 0, 0],
        ],
        smooth: true,
        closed: false,
      },
      spacing: roundFigure(most * 1.2, unit),
    }
  },
  place: placePath,
  goesByStanding: ({ outlines, measure, way, hold, join, contours }) =>
    outlines === undefined && measure !== 'pitch' && way === 'length' && join === 'no'
      ? { counts: hold === 'spacing' && contours !== 'asOne' }
      : undefined,
  unroll: unrollPath,
  facts: pathFacts,
  more: (_, laid, by) => (l) => void Object.assign(l, { hold: 'count', count: laid.count + by }),
  wider: (_, laid, by) => (l) =>
    void Object.assign(l, { hold: 'spacing', spacing: spacingBy(l.spacing, laid.spacing, by) }),
  wants: [
    {
      key: 'count',
      words: 'count',
      quantity: 'count',
      field: 'Count',
      read: ({ count }) => count,
      ask: (l, to) => void Object.assign(l, { count: to, hold: 'count' }),
    },
    ...measures.map((measure): Want<Path, PathOutcome> => ({
      key: measure,
      words: measure,
      quantity: 'length',
      field: 'Spacing',
      ...(measure !== 'pitch' && { fact: measure }),
      read: (laid) => laid.readAs?.[measure],
      ask: (l, to) => void Object.assign(l, { measure, spacing: to, hold: 'spacing', way: 'length' }),
    })),
  ],
  takeCount: (l, count) => void Object.assign(l, { hold: 'count', count, way: 'length' }),
  guide: ({ curve }) => curve,
  distance: distanceFrom,
  track: trackOf,
}
