import { type Facts, fact, plural } from '../../words'
import type { LayoutDefinition, Worked } from '../definition'
import { nearestDistances } from '../../spacing/nearest'
import { roundFigure } from '../beginning'
import { spacingBy } from '../nudging'
import { type SurfaceOutcome, placeSurface } from './place'
import { type Surface, surface as schema } from './schema'
import { surfaceSentence } from './sentence'

export const surface: LayoutDefinition<Surface, SurfaceOutcome> = {
  schema,
  words: 'Surface',
  note: 'spread over a ground, by its true area',
  eases: 'At random is less work than evenly.',
  sentence: surfaceSentence,
  summary: ({ how, over }, nameOf) => `spread over ${nameOf(over)}${how === 'even' ? ', evenly' : ''}`,
  needs: 'ground',
  lasting: ['how', 'steepest', 'stands'],
  begin: ({ width, depth, unit, ground = '' }) => ({
    kind: 'surface',
    over: ground,
    count: 60,
    how: 'even',
    least: roundFigure(Math.hypot(width, depth), unit),
    steepest: Math.PI / 2,
    stands: 'normal',
    seed: 1,
  }),
  place: placeSurface,
  unroll: (_, { table }) => ({ as: 'nearest', distances: nearestDistances(table) }),
  facts: surfaceFacts,
  more: (_, laid, by) => (l) => void (l.count = laid.wanted + by),
  wider:
    ({ least }, __, by) =>
    (l) =>
      void (l.least = spacingBy(least, least, by)),
  takeCount: (l, count) => void (l.count = count),
}

function surfaceFacts(_: Surface, { table, laid }: Worked<SurfaceOutcome>): Facts {
  const count = table.presentCount()
  const [nearest] = nearestDistances(table)
  return [
    fact('count', { count }, plural(count, ' copy on ', ' copies on '), { area: laid.area }),
    fact('density', { density: count / laid.area }),
    ...(nearest === undefined ? [] : [fact('nearest', 'nearest two ', { length: nearest }, ' from pivot to pivot')]),
  ]
}
