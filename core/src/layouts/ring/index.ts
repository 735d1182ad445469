import type { LayoutDefinition, Want } from '../definition'
import { roundFigure } from '../beginning'
import { spacingBy } from '../nudging'
import { ringFacts } from './facts'
import { type RingOutcome, placeRing } from './place'
import { type Ring, type RingHeld, plainRing, ring as schema } from './schema'
import { ringSentence } from './sentence'
import { unrollRing } from './unroll'

/** Takes hold of one of count, spacing and radius; the one untouched longest is let go. */
function hold(l: Ring, which: RingHeld, to: number): void {
  l[which] = to
  l.hold = [l.hold[1] === which ? l.hold[0] : l.hold[1], which]
}

export const ring: LayoutDefinition<Ring, RingOutcome> = {
  schema,
  words: 'Ring',
  note: 'round a circle or an arc, rising or widening',
  sentence: ringSentence,
  summary: ({ facing, rise, widen, sweep }) => {
    const shape = rise !== 0 ? 'helix' : widen !== 0 ? 'spiral' : sweep.kind === 'arc' ? 'arc' : 'ring'
    if (facing === 'unchanged') return shape
    return `${shape}, ${facing === 'turning' ? 'turning with it' : `facing ${facing}`}`
  },
  lasting: ['sense', 'facing', 'ringCounts'],
  begin: ({ width, depth, unit }) => ({
    ...plainRing,
    count: 8,
    spacing: roundFigure(Math.max(width, depth) * 1.2, unit),
    radius: roundFigure(Math.max(width, depth) * 2, unit),
    radialPitch: roundFigure(Math.max(width, depth) * 1.3, unit),
  }),
  place: placeRing,
  goesByStanding: ({ outlines, measure, hold, rings }) =>
    outlines === undefined && measure === 'gap' && hold.includes('spacing')
      ? { counts: !hold.includes('count') && rings === 1 }
      : undefined,
  unroll: unrollRing,
  facts: ringFacts,
  more: (_, laid, by) => (l) =>
    void Object.assign(l, { count: laid.count + by, radius: laid.radius, hold: ['radius', 'count'] }),
  wider: (_, laid, by) => (l) => {
    l.spacing = spacingBy(l.spacing, laid.spacing, by)
    l.hold = [l.hold.find((held) => held !== 'spacing') ?? 'count', 'spacing']
  },
  wants: [
    {
      key: 'count',
      words: 'count',
      quantity: 'count',
      field: 'Count',
      read: ({ count }) => count,
      ask: (l, to) => hold(l, 'count', to),
    },
    {
      key: 'radius',
      words: 'radius',
      quantity: 'length',
      field: 'Radius',
      read: ({ radius }) => radius,
      ask: (l, to) => hold(l, 'radius', to),
    },
    ...(['gap', 'chord', 'arc'] as const).map((measure): Want<Ring, RingOutcome> => ({
      key: measure,
      words: { gap: 'gap', chord: 'straight pitch', arc: 'pitch along the arc' }[measure],
      quantity: 'length',
      field: 'Spacing',
      ...(measure === 'gap' && { fact: measure }),
      read: (laid) => laid[measure],
      ask: (l, to) => {
        l.measure = measure
        hold(l, 'spacing', to)
      },
    })),
  ],
  takeCount: (l, count) => void (l.count = count),
}
