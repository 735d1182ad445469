import { areaOf, depthAt } from '../../scatter/area'
import type { LayoutDefinition } from '../definition'
import { roundFigure } from '../beginning'
import { spacingBy } from '../nudging'
import { fillFacts } from './facts'
import { filledArea } from './keptOff'
import { nearestDistances } from '../../spacing/nearest'
import { type FillOutcome, placeFill } from './place'
import { type Fill, fill as schema } from './schema'
import { fillSentence } from './sentence'

const outlines = { polygon: 'outline', rectangle: 'rectangle', ellipse: 'ellipse' }
const ways = {
  random: 'at random',
  even: 'evenly',
  sunflower: 'as a sunflower',
  square: 'in rows',
  hexagonal: 'in shifted rows',
  bands: 'in bands',
}

export const fill: LayoutDefinition<Fill, FillOutcome> = {
  schema,
  words: 'Fill',
  note: 'an outlined area, by count or density',
  eases: 'At random, in rows or as a sunflower is less work than evenly.',
  sentence: fillSentence,
  summary: ({ how, outline }) => `${outlines[outline.kind]} filled ${ways[how]}`,
  lasting: ['how', 'edge', 'margin'],
  begin: ({ width, depth, unit }) => {
    // So far apart they are free however they are turned; on half as much again as the densest would take, all find room.
    const least = roundFigure(Math.hypot(width, depth), unit)
    return {
      kind: 'fill',
      outline: { kind: 'rectangle', width: roundFigure(least * 7, unit), depth: roundFigure(least * 4.7, unit) },
      margin: 0,
      by: 'count',
      count: 16,
      density: 100,
      how: 'even',
      least,
      seed: 1,
    }
  },
  place: placeFill,
  // A copy that a hand has made too large for its place would be refused there, and others would come in its stead.
  goesByStanding: ({ edge }) => (edge === undefined ? { counts: false, handsAside: true } : undefined),
  unroll: (_, { table }) => ({ as: 'nearest', distances: nearestDistances(table) }),
  facts: fillFacts,
  more: (_, laid, by) => (l) => void Object.assign(l, { by: 'count', count: laid.wanted + by }),
  wider:
    ({ least }, __, by) =>
    (l) =>
      void (l.least = spacingBy(least, least, by)),
  wants: [
    {
      key: 'count',
      words: 'number of copies that find room',
      quantity: 'count',
      field: 'Count',
      read: (_, copies) => copies,
    },
    {
      key: 'density',
      words: 'density',
      quantity: 'density',
      field: 'Density',
      read: ({ area }, copies) => copies / area,
    },
  ],
  takeCount: (l, count) => void (l.count = count),
  distance: ({ outline }) => {
    const area = areaOf(outline)
    return ([x, , z]) => -depthAt(area, x, z)
  },
  area: (fill, distanceTo) => ({
    area: filledArea(fill, distanceTo),
    margin: fill.margin,
    whole: fill.edge === undefined,
  }),
}
