import { Bodies } from '../../clearing/bodies'
import { gapOf } from '../../clearing/gap'
import { gridPlaceOf, isImage } from '../../slots'
import { supportOfCopy } from '../../spacing/support'
import type { Vec3 } from '../../values/values'
import type { Things, Worked } from '../definition'
import type { OpenRing, Unrolled } from '../unrolled'
import type { RingOutcome } from './place'
import type { Ring } from './schema'

/** A ring is cut open at its start; of several the innermost is shown. */
export const unrollRing = (ring: Ring, worked: Worked<RingOutcome>, things: Things): Unrolled => ({
  as: 'ring',
  ...openRings(ring, worked, things)[0],
})

const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/** All rings of a layout cut open, the innermost first, as their copies stand. */
export function openRings(ring: Ring, worked: Worked<RingOutcome>, things: Things): OpenRing[] {
  const { table } = worked
  const lanes: number[][] = Array.from({ length: ring.rings }, () => [])
  for (let k = 0; k < table.count; k++)
    if (table.isPresent(k) && !isImage(table.slotHigh[k]))
      lanes[gridPlaceOf(table.slotLow[k], table.slotHigh[k])[1]]?.push(k)
  const bodies = new Bodies(table, things.shapeOf)
  return lanes.map((rows, lane) => openRing(rows, lane, ring, worked, things, bodies))
}

function openRing(
  rows: number[],
  lane: number,
  ring: Ring,
  { table, laid }: Worked<RingOutcome>,
  { supportOf }: Things,
  bodies: Bodies,
): OpenRing {
  const count = rows.length
  const closes = ring.sweep.kind === 'full' && ring.rise === 0 && ring.widen === 0 && count > 2
  const place = (k: number): Float64Array => table.position.subarray(3 * k, 3 * k + 3)
  const { step, lead, radius: nominalRadius } = laid.rings[lane] ?? laid
  const radiusOf = (k: number): number => Math.hypot(dot(place(k), laid.toZero), dot(place(k), laid.toQuarter))
  const gone = (k: number): number => {
    const p = place(k)
    const nominal = lead + step * gridPlaceOf(table.slotLow[k], table.slotHigh[k])[0]
    if (radiusOf(k) < 1e-12) return nominal
    const angle = ring.sense * (Math.atan2(dot(p, laid.toQuarter), dot(p, laid.toZero)) - ring.start)
    const near = nominal + Math.atan2(Math.sin(angle - nominal), Math.cos(angle - nominal))
    // Round a closed ring there is one turn and no more, also for who was moved to its other side.
    return closes ? near - 2 * Math.PI * Math.floor((near + step / 2) / (2 * Math.PI)) : near
  }
  const angles = new Map(rows.map((k) => [k, gone(k)]))
  rows.sort((a, b) => angles.get(a)! - angles.get(b)!)
  const strip = {
    count,
    row: Uint32Array.from(rows),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: new Float64Array(count),
  }
  const pairs = Math.max(count - 1 + (closes ? 1 : 0), 0)
  const [angle, arc, chord, gap] = [0, 1, 2, 3].map(() => new Float64Array(pairs))
  for (const [i, k] of rows.entries()) {
    const at = ring.start + ring.sense * angles.get(k)!
    const tangent = [0, 1, 2].map(
      (c) => ring.sense * (laid.toQuarter[c] * Math.cos(at) - laid.toZero[c] * Math.sin(at)),
    ) as Vec3
    const own = supportOfCopy(table, k, supportOf(table.thing[k]), tangent)
    strip.pivot[i] = nominalRadius * angles.get(k)!
    strip.low[i] = strip.pivot[i] + own.low
    strip.high[i] = strip.pivot[i] + own.high
    if (i >= pairs) continue
    const next = rows[(i + 1) % count]
    angle[i] = angles.get(next)! + (i + 1 < count ? 0 : 2 * Math.PI) - angles.get(k)!
    arc[i] = ((radiusOf(k) + radiusOf(next)) / 2) * angle[i]
    chord[i] = Math.hypot(...[0, 1, 2].map((c) => place(next)[c] - place(k)[c]))
    gap[i] = bodies.there[k] && bodies.there[next] ? gapOf(bodies, k, next).gap : NaN
  }
  const whole = ring.sweep.kind === 'full' ? 2 * Math.PI : Math.abs(ring.sweep.angle)
  return { strip, angle, arc, chord, gap, closes, length: nominalRadius * whole }
}
