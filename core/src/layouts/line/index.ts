import { spacingWants } from '../spacingWants'
import { takeHold } from '../../spacing/hold'
import { gapped, goesByOutlines } from '../../values/spacing'
import { reachOf } from '../../spacing/strip'
import type { LayoutDefinition, Stands } from '../definition'
import { roundFigure } from '../beginning'
import { countAt, spacingBy } from '../nudging'
import { lineFacts } from './facts'
import { type LineOutcome, placeLine } from './place'
import { type Line, line as schema } from './schema'
import { lineSentence } from './sentence'
import { unrollLine } from './unroll'

/** Its room and its run are told between centres: as it is asked for, and always where it goes by amounts. */
export const isBetweenCentres = ({ edges, direction }: Line): boolean =>
  edges === 'centres' || direction.kind === 'amounts'

export const line: LayoutDefinition<Line, LineOutcome> = {
  schema,
  words: 'Line',
  note: 'copies side by side at an exact pitch or gap',
  sentence: lineSentence,
  summary: ({ direction }) => {
    if (direction.kind === 'amounts') return 'line by amounts'
    return `line ${direction.axis === 'up' ? (direction.sign > 0 ? 'upwards' : 'downwards') : direction.axis}`
  },
  lasting: ['ends', 'leftover'],
  begin: ({ width, unit }) => ({
    kind: 'line',
    direction: { kind: 'axis', axis: 'across', sign: 1 },
    ...gapped(5, roundFigure(width / 5, unit)),
  }),
  place: placeLine,
  goesByStanding: ({ outlines, direction, ...spacing }) =>
    outlines === undefined && direction.kind === 'axis' && goesByOutlines(spacing)
      ? { counts: !spacing.hold.includes('count') }
      : undefined,
  unroll: (_, worked, { supportOf }) => unrollLine(worked, supportOf),
  facts: lineFacts,
  stands: (line, { table, laid }, { supportOf }): Stands => {
    const along = reachOf(table, laid.direction, isBetweenCentres(line) ? 'centres' : 'outsides', supportOf)
    return along ? { along } : {}
  },
  more: (_, laid, by) => (l) => countAt(l, laid.count + by, laid.spacing),
  // A line by amounts keeps its step.
  wider: ({ direction }, laid, by) =>
    direction.kind === 'axis' ? (l) => takeHold(l, 'spacing', spacingBy(l.spacing, laid.spacing, by)) : undefined,
  wants: spacingWants<Line, LineOutcome>(
    (l) => l,
    (laid) => laid,
  ),
  takeCount: (l, count) => void (l.count = count),
  isSingle: ({ hold, count }) => hold.includes('count') && count === 1,
}
