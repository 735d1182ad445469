import { movements } from '@hilera/core/motion/registry'
import { layouts } from '@hilera/core/layouts/registry'
import { emptyProject } from '@hilera/core/model/project'
import type { Pattern } from '@hilera/core/model/pattern'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { startVariation } from '@hilera/core/steps/vary/start'
import { channelsOf } from './channels'

const vary = (id: string, seed: number): Pattern['steps'][number] => ({
  kind: 'vary',
  id,
  ...startVariation('turnUp', seed),
  share: 1,
  strength: 1,
})
const pattern = (change: Partial<Pattern> = {}): Pattern => ({
  id: 'p',
  name: 'P',
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  deal: { kind: 'random', parts: ['a', 'b'], weights: [1, 1], seed: 3 },
  layout: { kind: 'spots', spots: [] },
  steps: [vary('one', 4), vary('two', 5)],
  touchUps: {},
  hidden: false,
  ...change,
})
const project = emptyProject('Numbers')
const of = (p: Pattern) => channelsOf(p, { ...project, patterns: [p] })
const keys = (p: Pattern): string[] => of(p).map((c) => c.key)
const seedsIn = (p: Pattern): string[] => keys(p).filter((key) => key.endsWith(' seed'))
const written = (p: Pattern, key: string, value: number): Pattern =>
  produce(p, (draft) =>
    of(p)
      .find((c) => c.key === key)!
      .write(draft as Pattern, value),
  )

describe('what proofs can change', () => {
  it('every seed, all of them at once, and every number of its sentences', () => {
    expect(seedsIn(pattern())).toEqual(['all seed', 'deal.seed seed', 'one seed', 'two seed'])
    expect(keys(pattern())).toEqual(
      expect.arrayContaining(['one Low', 'one High', 'two Strength', 'place Start across', 'place Turn about up']),
    )
    const moved = written(pattern(), 'all seed', 9)
    expect(moved.deal.kind === 'random' && moved.deal.seed).toBe(9)
    expect(moved.steps.map((s) => s.kind === 'vary' && s.seed)).toEqual([9, 9])
  })

  it('no seed that changes nothing that is seen: of motion, of a fill that does not draw by it', () => {
    const motion = [movements.arrive.begin('in', 5, 5)]
    expect(seedsIn(pattern({ motion, steps: [] }))).toEqual(['deal.seed seed'])
    const fill = layouts.fill.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' })
    const seeds = (how: typeof fill.how) => seedsIn(pattern({ layout: { ...fill, how }, steps: [] }))
    expect(seeds('random')).toContain('layout.seed seed')
    expect(seeds('square')).toEqual(['deal.seed seed'])
  })

  it('only the one seed where the pattern has one for all', () => {
    const shared = pattern({ seed: 7 })
    expect(seedsIn(shared)).toEqual(['all seed'])
    expect(of(shared)[0].read(shared)).toBe(7)
    const next = written(shared, 'all seed', 8)
    expect(next.seed).toBe(8)
    expect(next.steps).toEqual(shared.steps)
  })

  it('what is worked out is taken hold of, counts are whole, and what cannot be is told', () => {
    const line = pattern({ layout: layouts.line.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' }) })
    const wider = written(line, 'line Room', 2).layout
    expect(wider).toMatchObject({ room: 2, hold: ['count', 'room'] })
    expect(written(line, 'line Count', 7.4).layout).toMatchObject({ count: 7 })
    const ring = pattern({ layout: layouts.ring.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' }) })
    expect(written(ring, 'ring Radius', 0.5).layout).toMatchObject({ radius: 0.5 })
    const strength = of(pattern()).find((c) => c.key === 'one Strength')!
    expect(strength.check?.(1.5)).toEqual(['Type a share from 0 to 100 %.'])
    expect(strength.check?.(0.5)).toBeUndefined()
  })
})
