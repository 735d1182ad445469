import { FIT } from '../../spacing/solve'
import { RangeOf, SAME, differs } from '../../spacing/measured'
import { boxOf } from '../../spacing/support'
import { type Fact, type Facts, type Range, fact } from '../../words'
import type { Vec3 } from '../../values/values'
import type { Things, Worked } from '../definition'
import { type RingOutcome, spotOf } from './place'
import type { Ring } from './schema'
import { openRings } from './unroll'

/** What rings come to, measured over all pairs of neighbours on all of them as they stand; a gap is the nearest distance between two outlines. */
export function ringFacts(ring: Ring, worked: Worked<RingOutcome>, things: Things): Facts {
  const { laid, table } = worked
  const open = openRings(ring, worked, things)
  const standing = open.reduce((n, { strip }) => n + strip.count, 0)
  const out: Fact[] = []
  if (laid.rings.length > 1)
    out.push(fact('count', { count: standing }, ' copies on ', { count: laid.rings.length }, ' rings'))
  const over = (read: (one: (typeof open)[number]) => Float64Array): Range | undefined => {
    const all = new RangeOf()
    for (const one of open) for (const value of read(one)) if (!Number.isNaN(value)) all.add(value)
    return all.range
  }
  const angle = over((o) => o.angle)
  const [arc, chord, gap] = [over((o) => o.arc), over((o) => o.chord), over((o) => o.gap)]
  if (!angle || !arc || !chord) {
    out.push(fact('count', standing === 0 ? 'no copy stands there' : 'one copy, at the start'))
    return out
  }
  out.push(
    angle[1] - angle[0] < 1e-9
      ? fact('step', { angle: angle[0] }, ' apart')
      : fact('step', { angle: angle[0] }, ' to ', { angle: angle[1] }, ' apart'),
  )
  const wrong = { tone: 'wrong' as const }
  out.push(fact('arc', 'arc ', { lengths: arc }), fact('straight', 'straight ', { lengths: chord }))
  if (gap) out.push(fact('gap', 'gap ', { lengths: gap, ...(gap[0] < -SAME && wrong) }))
  out.push(...askedFacts(ring, laid, { arc, chord, gap }))
  const { count, radius, step, lead } = laid
  const last = spotOf(ring, count - 1, count, radius, step, lead)
  if (ring.rise !== 0) out.push(fact('rise', 'the last stands ', { length: last.height }, ' higher'))
  if (ring.widen !== 0) out.push(fact('widen', 'the last at a radius of ', { length: last.radius }))
  if (gap && gap[0] < -SAME) out.push(fact('overlap', 'neighbours overlap by ', { length: -gap[0], ...wrong }))
  if (ring.facing === 'turning' && ring.sweep.kind === 'full' && count > 1 && table.count > 0)
    out.push(closing(ring, laid, things, table.thing[0]))
  return out
}

/** What was asked for, where it stands otherwise. */
function askedFacts(
  ring: Ring,
  { worked, spacing }: RingOutcome,
  measured: { readonly arc: Range; readonly chord: Range; readonly gap: Range | undefined },
): Fact[] {
  const own = measured[ring.measure]
  if (!ring.hold.includes('spacing') || !own) return []
  const asked = { length: ring.spacing }
  // With as many as fit, all are wider than asked by the same.
  const evened = worked === 'count' && Math.abs(own[1] - own[0]) < SAME
  if (evened && Math.abs(own[0] - ring.spacing) > FIT * Math.abs(ring.spacing))
    return [fact('asked', 'asked ', asked, ', evened to ', { length: spacing, tone: 'good' })]
  if (evened || !differs(own, ring.spacing)) return []
  return [fact('asked', 'asked ', asked, ', ', { lengths: own, tone: 'caution' }, ' as they stand')]
}

/**
 * Whether pieces that turn about the centre close: by the box about a piece, the angle that it takes up seen from the
 * centre against the step, and its two outer edges against each other.
 */
function closing(
  ring: Ring,
  { radius, step, toZero: zero, toQuarter: quarter }: RingOutcome,
  { supportOf }: Things,
  thing: number,
): Fact {
  const { low, high } = boxOf(supportOf(thing))
  const flat = (v: Vec3, axis: Vec3): number => v[0] * axis[0] + v[1] * axis[1] + v[2] * axis[2]
  const middle = [radius * Math.cos(ring.start), radius * Math.sin(ring.start)]
  let [first, last, reach0, reach1] = [Infinity, -Infinity, 0, 0]
  for (const a of [low, high]) {
    for (const b of [low, high]) {
      const x = middle[0] + flat(a, zero)
      const y = middle[1] + flat(b, quarter)
      if (Math.hypot(x, y) < 1e-9) continue
      const seen = Math.atan2(y, x) - ring.start
      const from = Math.atan2(Math.sin(seen), Math.cos(seen))
      const reach = Math.hypot(x, y)
      if (from < first - 1e-9) [first, reach0] = [from, reach]
      else if (Math.abs(from - first) <= 1e-9) reach0 = Math.max(reach0, reach)
      if (from > last + 1e-9) [last, reach1] = [from, reach]
      else if (Math.abs(from - last) <= 1e-9) reach1 = Math.max(reach1, reach)
    }
  }
  const open = step - (last - first)
  if (Math.abs(open) > 1e-6) {
    const length = Math.abs(open) * Math.max(reach0, reach1)
    return fact(
      'closing',
      'a piece takes up ',
      { angle: last - first },
      ` of ${open > 0 ? 'its' : 'only'} `,
      { angle: step },
      open > 0 ? ': a gap of up to ' : ': an overlap of up to ',
      { length, tone: 'caution' },
    )
  }
  const differ = Math.abs(reach0 - reach1)
  if (differ > 1e-9)
    return fact('closing', 'the pieces meet, but their edges differ by ', { length: differ, tone: 'caution' })
  return fact('closing', { words: 'the pieces close', tone: 'good' })
}
