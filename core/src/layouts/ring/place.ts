import { Flag, type InstanceTable } from '../../instances'
import { MAX_COPIES } from '../../limits'
import { ringAxes } from './ringAxes'
import type { Ring, RingHeld } from './schema'
import type { Axis, Vec3 } from '../../values/values'
import { PairGap } from '../../clearing/pairGap'
import { type Quaternion, compose } from '../../geometry/rotation'
import { gridSlotHigh, gridSlotLow } from '../../slots'
import { type RingAnswer, type RingQuestion, solveRing } from './solve'
import { boxOf } from '../../spacing/support'
import { type Result, type Segment, type Sentence, done, plural, refused } from '../../words'
import { type LayoutContext, type Placement } from '../context'

export interface RingOutcome {
  readonly kind: 'ring'
  readonly worked: RingHeld
  /** Of the innermost ring. */
  readonly count: number
  readonly radius: number
  readonly step: number
  readonly lead: number
  readonly spacing: number
  readonly arc: number
  readonly chord: number
  readonly gap: number
  readonly total: number
  /** Each ring as it was solved, the innermost first. */
  readonly rings: readonly {
    readonly count: number
    readonly radius: number
    readonly step: number
    readonly lead: number
  }[]
  /** Unit vectors towards angle 0 and a quarter turn on, and the axis between them. */
  readonly toZero: Vec3
  readonly toQuarter: Vec3
  readonly axis: Vec3
}

/** Places copies round a circle or an arc; with a rise a helix, with a widening a spiral, with more rings a disc. */
export function placeRing(ring: Ring, context: LayoutContext): Result<Placement<RingOutcome>> {
  const angle = ring.sweep.kind === 'full' ? 2 * Math.PI : Math.abs(ring.sweep.angle)
  if (!(angle > 0)) return refused('An arc of 0° has no length. Type an angle such as 180°.')
  const solved = ringsOf(ring, angle, context)
  if (!solved.ok) return solved
  const rings = solved.value
  const total = rings.reduce((sum, { count }) => sum + count, 0)
  if (total > MAX_COPIES)
    return refused(
      'A pattern can place up to ',
      { count: MAX_COPIES },
      ' copies; ',
      { count: total },
      ' is more. Lower the count or the number of rings.',
    )
  const frame = ringAxes[ring.axis]
  const { worked, count, radius, step, lead, spacing, arc, chord, gap } = rings[0]
  return done({
    outcome: {
      kind: 'ring',
      worked,
      count,
      radius,
      step,
      lead,
      spacing,
      arc,
      chord,
      gap,
      total,
      rings: rings.map((r) => ({ count: r.count, radius: r.radius, step: r.step, lead: r.lead })),
      toZero: frame.zero,
      toQuarter: frame.quarter,
      axis: frame.axis,
    },
    facts: [],
    working: working(ring, rings[0], angle),
    write: (table) => write(table, ring, rings, context),
  })
}

/** Each ring as it was solved, the innermost first: the outer ones with the same count, or with as many as keep the spacing. */
function ringsOf(ring: Ring, angle: number, context: LayoutContext): Result<RingAnswer[]> {
  const question: RingQuestion = {
    ...ring,
    angle,
    ...(ring.sweep.kind === 'arc' && { ends: ring.sweep.ends }),
    gapAt: (radius, step, count, enough) => smallestGap(ring, 0, context, radius, step, count, enough),
    leastGap: context.standing ? -Infinity : leastGap(ring, context),
    least: context.least,
    most: context.most,
  }
  const inner = solveRing(question)
  if (!inner.ok) return inner
  const rings = [inner.value]
  // What was asked for is kept, not what it was evened to.
  const spacing = ring.hold.includes('spacing') ? ring.spacing : inner.value.spacing
  for (let r = 1; r < ring.rings; r++) {
    const radius = Math.abs(inner.value.radius + r * ring.radialPitch)
    const same = ring.ringCounts === 'same' || Number.isNaN(spacing)
    const outer = solveRing({
      ...question,
      gapAt: (at, step, count, enough) => smallestGap(ring, r, context, at, step, count, enough),
      least: undefined,
      most: undefined,
      hold: same ? ['count', 'radius'] : ['spacing', 'radius'],
      count: inner.value.count,
      spacing,
      radius,
    })
    if (!outer.ok) return outer
    rings.push({ ...outer.value, radius: inner.value.radius + r * ring.radialPitch })
  }
  return done(rings)
}

/** Copy k of one ring: its angle, its distance from the axis and its height along it. */
export function spotOf(
  ring: Ring,
  k: number,
  count: number,
  radius: number,
  step: number,
  lead: number,
): { angle: number; radius: number; height: number } {
  const gone = lead + k * step
  const part = { step: k, turn: gone / (2 * Math.PI), total: count > 1 ? k / (count - 1) : 0 }
  return {
    angle: ring.start + ring.sense * gone,
    radius: radius + ring.widen * part[ring.widenPer],
    height: ring.rise * part[ring.risePer],
  }
}

/** The turn about the axis that a copy at an angle gets. */
function turnAt(ring: Ring, angle: number): number {
  const { outward } = ringAxes[ring.axis]
  return {
    out: angle + outward,
    in: angle + outward + Math.PI,
    along: angle + outward + (ring.sense * Math.PI) / 2,
    turning: angle - ring.start,
    unchanged: 0,
  }[ring.facing]
}

function about(axis: Axis, angle: number): Quaternion {
  const q: [number, number, number, number] = [0, 0, 0, Math.cos(angle / 2)]
  q[ringAxes[axis].index] = Math.sin(angle / 2)
  return q
}

function pointAt(axis: Axis, { angle, radius, height }: { angle: number; radius: number; height: number }): Vec3 {
  const { zero, quarter, axis: up } = ringAxes[axis]
  const [a, b] = [radius * Math.cos(angle), radius * Math.sin(angle)]
  return [0, 1, 2].map((i) => zero[i] * a + quarter[i] * b + up[i] * height) as Vec3
}

/** How near neighbours can come at most: as far apart as they rise and widen with each copy, less the balls that hold them. */
function leastGap(ring: Ring, { dealt, supportOf }: LayoutContext): number {
  const apart = Math.hypot(ring.risePer === 'step' ? ring.rise : 0, ring.widenPer === 'step' ? ring.widen : 0)
  const ball = (thing: number): number => {
    const { low, high } = boxOf(supportOf(thing))
    return Math.hypot(...low.map((l, i) => Math.max(-l, high[i], 0)))
  }
  return apart === 0 ? -Infinity : apart - 2 * Math.max(...Array.from(dealt.things, ball))
}

/**
 * The smallest gap between neighbours: the nearest distance between their outlines. On a plain ring whose copies turn with it and
 * are not changed by steps every pair of the same two parts stands alike; otherwise every pair is measured.
 */
function smallestGap(
  ring: Ring,
  lane: number,
  { dealt, shapeOf, standing }: LayoutContext,
  radius: number,
  step: number,
  count: number,
  enough = -Infinity,
): number {
  const closed = ring.sweep.kind === 'full' && ring.rise === 0 && ring.widen === 0
  const alike = ring.facing !== 'unchanged' && ring.widen === 0 && !standing
  const pairs = count - 1 + (closed && count > 2 ? 1 : 0)
  const { period } = dealt
  const gaps = new PairGap(shapeOf)
  const put = (row: 0 | 1, index: number): void => {
    const spot = spotOf(ring, index, count, radius, step, 0)
    const [low, high] = [gridSlotLow(index, lane), gridSlotHigh(lane, 0)]
    const turn = about(ring.axis, turnAt(ring, spot.angle))
    const known = standing ? standing.rowOf(low, high) : -1
    if (known >= 0) {
      gaps.pair.putRow(standing!.copies, known, row)
      gaps.pair.setTurn(row, compose(turn, standing!.copies.turnOf(known)))
      // A place that is left empty keeps its width.
      gaps.pair.flags[row] &= Flag.twin
    } else {
      gaps.pair.thing[row] = dealt.thingAt(index, count, low, high)
      gaps.pair.setTurn(row, turn)
      gaps.pair.setSize(row, [1, 1, 1])
      gaps.pair.flags[row] = 0
    }
    gaps.pair.setMove(row, pointAt(ring.axis, spot))
    gaps.take(row)
  }
  let least = Infinity
  const measure = (k: number): void => {
    put(0, k)
    put(1, (k + 1) % count)
    least = Math.min(least, gaps.measure(least))
  }
  const plain = alike ? Math.min(pairs, period) : pairs
  for (let k = 0; k < plain && least >= enough; k++) measure(k)
  // The pair that closes the ring may be of two parts that meet nowhere else.
  if (alike && pairs > plain && closed) measure(count - 1)
  return least
}

function write(table: InstanceTable, ring: Ring, rings: readonly RingAnswer[], { dealt }: LayoutContext): void {
  const { zero, quarter, axis, index } = ringAxes[ring.axis]
  table.neutral(rings.reduce((sum, { count }) => sum + count, 0))
  const { position, quaternion, slotLow, slotHigh } = table
  let n = 0
  for (const [r, { count, radius, step, lead }] of rings.entries()) {
    for (let k = 0; k < count; k++, n++) {
      const spot = spotOf(ring, k, count, radius, step, lead)
      const [a, b] = [spot.radius * Math.cos(spot.angle), spot.radius * Math.sin(spot.angle)]
      for (let i = 0; i < 3; i++) position[3 * n + i] = zero[i] * a + quarter[i] * b + axis[i] * spot.height
      const half = turnAt(ring, spot.angle) / 2
      quaternion[4 * n + index] = Math.sin(half)
      quaternion[4 * n + 3] = Math.cos(half)
      slotLow[n] = gridSlotLow(k, r)
      slotHigh[n] = gridSlotHigh(r, 0)
    }
  }
  dealt.deal(table)
}

function working(ring: Ring, { worked, count, radius, spacing, step }: RingAnswer, angle: number): Sentence {
  const whole: Segment = { angle }
  if (count === 1) return ['one copy has no neighbour']
  const steps: Segment[] = [whole, ' ÷ ', { count: Math.round(angle / step) }, ' = ', { angle: step, tone: 'good' }]
  if (worked === 'spacing') return [...steps, ` · ${ring.measure} is worked out: `, { length: spacing, tone: 'good' }]
  if (worked === 'radius') return [...steps, ' · radius is worked out: ', { length: radius, tone: 'good' }]
  return [
    `count is worked out: the most that keep `,
    { length: ring.spacing },
    `, so `,
    { count, tone: 'good' },
    ` ${plural(count, 'copy', 'copies')} · `,
    ...steps,
  ]
}
