import type { InstanceTable } from '../../instances'
import { gridPlaceOf } from '../../slots'
import { type Support, supportOfCopy } from '../../spacing/support'
import type { Vec3 } from '../../values/values'
import type { Worked } from '../definition'
import type { OpenRing, Unrolled } from '../unrolled'
import type { RingOutcome } from './place'
import type { Ring } from './schema'

/** A ring is cut open at its start. */
export const unrollRing = (
  ring: Ring,
  { table, laid }: Worked<RingOutcome>,
  supportOf: (thing: number) => Support,
): Unrolled => ({ as: 'ring', ...openRing(table, laid, ring, supportOf) })

function openRing(
  table: InstanceTable,
  laid: RingOutcome,
  ring: Ring,
  supportOf: (thing: number) => Support,
): OpenRing {
  const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const rows: number[] = []
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    if (gridPlaceOf(table.slotLow[k], table.slotHigh[k])[1] === 0) rows.push(k)
  }
  const place = (k: number): Float64Array => table.position.subarray(3 * k, 3 * k + 3)
  const gone = (k: number): number => {
    const p = place(k)
    const nominal = laid.lead + laid.step * gridPlaceOf(table.slotLow[k], table.slotHigh[k])[0]
    const radius = Math.hypot(dot(p, laid.toZero), dot(p, laid.toQuarter))
    if (radius < 1e-12) return nominal
    const angle = ring.sense * (Math.atan2(dot(p, laid.toQuarter), dot(p, laid.toZero)) - ring.start)
    return nominal + Math.atan2(Math.sin(angle - nominal), Math.cos(angle - nominal))
  }
  const angles = new Map(rows.map((k) => [k, gone(k)]))
  rows.sort((a, b) => angles.get(a)! - angles.get(b)!)
  const count = rows.length
  const strip = {
    count,
    row: Uint32Array.from(rows),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: new Float64Array(count),
  }
  const closes = ring.sweep.kind === 'full' && ring.rise === 0 && ring.widen === 0 && count > 2
  const pairs = Math.max(count - 1 + (closes ? 1 : 0), 0)
  const [arc, chord, gap] = [new Float64Array(pairs), new Float64Array(pairs), new Float64Array(pairs)]
  for (const [i, k] of rows.entries()) {
    const angle = ring.start + ring.sense * angles.get(k)!
    const tangent = [0, 1, 2].map(
      (c) => ring.sense * (laid.toQuarter[c] * Math.cos(angle) - laid.toZero[c] * Math.sin(angle)),
    ) as Vec3
    const own = supportOfCopy(table, k, supportOf(table.thing[k]), tangent)
    strip.pivot[i] = laid.radius * angles.get(k)!
    strip.low[i] = strip.pivot[i] + own.low
    strip.high[i] = strip.pivot[i] + own.high
    if (i >= pairs) continue
    const next = rows[(i + 1) % count]
    const turn = i + 1 < count ? 0 : 2 * Math.PI
    arc[i] = laid.radius * (angles.get(next)! + turn - angles.get(k)!)
    const way = [0, 1, 2].map((c) => place(next)[c] - place(k)[c])
    chord[i] = Math.hypot(...way)
    const along = way.map((n) => n / (chord[i] || 1)) as Vec3
    gap[i] =
      chord[i] -
      supportOfCopy(table, k, supportOf(table.thing[k]), along).high +
      supportOfCopy(table, next, supportOf(table.thing[next]), along).low
  }
  const whole = ring.sweep.kind === 'full' ? 2 * Math.PI : Math.abs(ring.sweep.angle)
  return { strip, arc, chord, gap, closes, length: laid.radius * whole }
}
