import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, evaluated, placesOf, said, slotsOf } from '../../../test/placed'
import { aPattern, aProject, aRing, ball, box } from '../../../test/projects'
import { thingsIn } from '../../evaluate'
import type { Ring } from './schema'
import { rotate } from '../../geometry/rotation'
import { unrolled } from '../index'

const cup = ball('cup', 0.06)
const ring = (change: Partial<Ring> = {}, part = cup) => evaluated(aProject([part], aPattern(aRing(change), [part.id])))
const laidRing = (change: Partial<Ring> = {}, part = cup) => {
  const { laid } = ring(change, part)
  if (laid?.kind !== 'ring') throw new Error('not a ring')
  return laid
}

describe('a ring', () => {
  it('D1: says what follows from count and radius', () => {
    const { facts, working } = ring()
    expect(said(working)).toBe('360° ÷ 16 = 22.5° · arc is worked out: 84.43 mm')
    expect(said(facts)).toBe('22.5° apart · arc 84.43 mm · straight 83.89 mm · gap 23.89 mm')
  })

  it('D1, D10: n equal chords all round, none doubled', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 60 }),
        fc.double({ min: 0.01, max: 10, noNaN: true }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (count, radius, start) => {
          const places = placesOf(ring({ count, radius, start }).table)
          const chord = 2 * radius * Math.sin(Math.PI / count)
          places.forEach((p, k) => expect(distance(p, places[(k + 1) % count])).toBeCloseTo(chord, 9))
        },
      ),
    )
  })

  it('gives the third back from any two, in all three measures', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 200 }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.constantFrom('arc', 'chord', 'gap'),
        (count, radius, measure) => {
          const { spacing } = laidRing({ count, radius, measure })
          fc.pre(measure !== 'gap' || spacing > 1e-6)
          expect(laidRing({ hold: ['count', 'spacing'], count, spacing, measure }).radius).toBeCloseTo(radius, 7)
          expect(laidRing({ hold: ['spacing', 'radius'], radius, spacing, measure }).count).toBe(count)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('evens out a count that was worked out, and says both spacings', () => {
    const { facts, table } = ring({ hold: ['spacing', 'radius'], spacing: 0.08 })
    // 2π · 215 ÷ 80 = 16.88: sixteen fit.
    expect(table.count).toBe(16)
    expect(said(facts)).toContain('asked 80 mm, evened to 84.43 mm')
  })

  it('D2: divides an arc by its ends', () => {
    const last = (ends: 'both' | 'start' | 'between' | 'half'): [number, number] => {
      const { step, lead } = laidRing({ count: 6, sweep: { kind: 'arc', angle: Math.PI, ends } })
      return [Math.round((step * 1800) / Math.PI) / 10, Math.round((lead * 1800) / Math.PI) / 10]
    }
    expect([last('both'), last('start'), last('between'), last('half')]).toEqual([
      [36, 0],
      [30, 0],
      [25.7, 25.7],
      [30, 15],
    ])
  })

  it('D5, D11: turns copies outward, inward, along, with the ring or not at all, about any axis', () => {
    const facing = (facing: Ring['facing'], axis: Ring['axis'], own: [number, number, number]): number[] => {
      const { table } = ring({ count: 4, facing, axis })
      const q = table.quaternion.subarray(4, 8)
      return rotate([q[0], q[1], q[2], q[3]], own).map((n) => Math.round(n * 1e9) / 1e9 || 0)
    }
    const outward = (axis: Ring['axis']): number[] =>
      placesOf(ring({ count: 4, axis }).table)[1].map((n) => Math.round((n / 0.215) * 1e9) / 1e9 || 0)
    expect(facing('out', 'up', [0, 0, 1])).toEqual(outward('up'))
    expect(facing('in', 'up', [0, 0, -1])).toEqual(outward('up'))
    expect(facing('out', 'deep', [0, 1, 0])).toEqual(outward('deep'))
    expect(facing('out', 'across', [0, 1, 0])).toEqual(outward('across'))
    expect(facing('along', 'up', [0, 0, 1])).toEqual([-1, 0, 0])
    expect(facing('unchanged', 'up', [0, 0, 1])).toEqual([0, 0, 1])
    expect(facing('turning', 'up', [1, 0, 0])).toEqual([0, 0, -1])
  })

  it('D6, D7: rises as a helix and widens as a spiral', () => {
    const helix = placesOf(
      ring({ count: 24, rise: 0.01, sweep: { kind: 'arc', angle: 6 * Math.PI, ends: 'both' } }).table,
    )
    expect(helix[23][1]).toBeCloseTo(0.23, 12)
    expect(placesOf(ring({ count: 5, rise: 0.4, risePer: 'total' }).table)[4][1]).toBeCloseTo(0.4, 12)
    expect(
      placesOf(
        ring({ count: 9, rise: 0.1, risePer: 'turn', sweep: { kind: 'arc', angle: 4 * Math.PI, ends: 'both' } }).table,
      )[8][1],
    ).toBeCloseTo(0.2, 12)
    const spiral = placesOf(ring({ count: 11, widen: 0.02, widenPer: 'step' }).table)
    expect(Math.hypot(spiral[10][0], spiral[10][2])).toBeCloseTo(0.415, 12)
  })

  it('lays concentric rings that keep the spacing, slots by ring', () => {
    const { table, facts } = ring({ count: 6, radius: 0.1, rings: 3, radialPitch: 0.1 })
    expect(table.count).toBe(6 + 12 + 18)
    expect(new Set(slotsOf(table)).size).toBe(36)
    expect(said(facts)).toContain('36 copies on 3 rings')
    expect(ring({ count: 6, radius: 0.1, rings: 3, ringCounts: 'same' }).table.count).toBe(18)
  })

  it('keeps slots and places of an arc from the start when the count grows at a held spacing', () => {
    const arc = (count: number) => ring({ count, sweep: { kind: 'arc', angle: count * 0.1, ends: 'start' } }).table
    expect(slotsOf(arc(12)).slice(0, 8)).toEqual(slotsOf(arc(8)))
    placesOf(arc(8)).forEach((p, k) => expect(distance(p, placesOf(arc(12))[k])).toBeLessThan(1e-12))
  })

  it('D8, D9: completes a set round a corner, and says when pieces do not close', () => {
    const quarter = (width: number): string => {
      const piece = { ...box('piece', width), shape: { kind: 'box' as const, width, height: 0.1, depth: 0.4 } }
      const [x, z] = [width / 2, 0.2]
      return said(ring({ count: 4, radius: Math.hypot(x, z), start: Math.atan2(z, x), facing: 'turning' }, piece).facts)
    }
    expect(quarter(0.4)).toContain('the pieces close')
    expect(quarter(0.5)).toContain('the pieces meet, but their edges differ by')
    const third = { ...box('third', 0.4), shape: { kind: 'box' as const, width: 0.4, height: 0.1, depth: 0.4 } }
    expect(
      said(ring({ count: 5, radius: Math.hypot(0.2, 0.2), start: Math.PI / 4, facing: 'turning' }, third).facts),
    ).toContain('a piece takes up 90° of only 72°: an overlap of up to')
  })

  it('says when neighbours overlap, and refuses what cannot be', () => {
    expect(said(ring({ count: 30 }).facts)).toContain('neighbours overlap by')
    expect(said(ring({ hold: ['count', 'spacing'], count: 1 }).problem!.says)).toContain(
      'A single copy has no neighbour',
    )
    expect(said(ring({ hold: ['spacing', 'radius'], spacing: 0 }).problem!.says)).toContain(
      'would put neighbours on one spot',
    )
    expect(said(ring({ radius: -1 }).problem!.says)).toContain('A radius is 0 or more')
    expect(said(ring({ sweep: { kind: 'arc', angle: 0, ends: 'both' } }).problem!.says)).toContain(
      'An arc of 0° has no length',
    )
  })

  it('refuses at once what no count could bring too near: copies that widen with each by more than they reach', () => {
    const endless = aRing({
      hold: ['spacing', 'radius'],
      measure: 'gap',
      spacing: 0.05,
      radius: 0.5,
      sweep: { kind: 'arc', angle: 0.2, ends: 'between' },
      widen: 0.5,
      widenPer: 'step',
    })
    const { problem } = evaluated(aProject([box('cup', 0.05)], aPattern(endless, ['cup'])))
    expect(problem && said(problem.says)).toContain('copies would fit, the most a pattern can place')
  })

  it('is cut open with its real arcs, chords and gaps, the last to the first too', () => {
    const project = aProject([cup], aPattern(aRing(), ['cup']))
    const outcome = evaluated(project)
    const open = unrolled(project.patterns[0].layout, outcome, thingsIn(project, new Map(), [outcome]))
    if (open.as !== 'ring') throw new Error('not a ring')
    expect([open.closes, open.gap.length]).toEqual([true, 16])
    for (let k = 0; k < 16; k++) {
      expect(open.arc[k]).toBeCloseTo((2 * Math.PI * 0.215) / 16, 12)
      expect(open.chord[k]).toBeCloseTo(0.43 * Math.sin(Math.PI / 16), 12)
      expect(open.gap[k]).toBeCloseTo(0.43 * Math.sin(Math.PI / 16) - 0.06, 12)
    }
  })
})
