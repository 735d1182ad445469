import type { LayoutDefinition } from '../definition'
import { rounded, spacingBy } from '../nudging'
import { ringFacts } from './facts'
import { type RingOutcome, placeRing } from './place'
import { type Ring, plainRing, ring as schema } from './schema'
import { ringSentence } from './sentence'
import { unrollRing } from './unroll'

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
  begin: ({ width, depth }) => ({
    ...plainRing,
    count: 8,
    spacing: rounded(Math.max(width, depth) * 1.2),
    radius: rounded(Math.max(width, depth) * 2),
    radialPitch: rounded(Math.max(width, depth) * 1.3),
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
  takeCount: (l, count) => void (l.count = count),
}
