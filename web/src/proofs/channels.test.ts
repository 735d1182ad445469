import { steps } from '@hilera/core/steps/registry'
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
const keys = (p: Pattern): string[] => channelsOf(p).map((c) => c.key)
const written = (p: Pattern, key: string, value: number): Pattern =>
  produce(p, (draft) =>
    channelsOf(p)
      .find((c) => c.key === key)!
      .write(draft as Pattern, value),
  )

describe('what proofs can change', () => {
  it('every seed, all of them at once, and strengths', () => {
    expect(keys(pattern())).toEqual([
      'all seed',
      'deal.seed seed',
      'one seed',
      'two seed',
      'one strength',
      'two strength',
    ])
    const moved = written(pattern(), 'all seed', 9)
    expect(moved.deal.kind === 'random' && moved.deal.seed).toBe(9)
    expect(moved.steps.map((s) => s.kind === 'vary' && s.seed)).toEqual([9, 9])
  })

  it('only the one seed where the pattern has one for all', () => {
    const shared = pattern({ seed: 7 })
    expect(keys(shared)).toEqual(['all seed', 'one strength', 'two strength'])
    expect(channelsOf(shared)[0].read(shared)).toBe(7)
    const next = written(shared, 'all seed', 8)
    expect(next.seed).toBe(8)
    expect(next.steps).toEqual(shared.steps)
  })

  it('clearances, never below nothing; strengths within their range', () => {
    const cleared = pattern({ steps: [vary('one', 4), steps.clear.begin('c')] })
    expect(keys(cleared)).toContain('c clearance')
    expect(written(cleared, 'c clearance', -1).steps[1]).toMatchObject({ clearance: 0 })
    const strong = written(cleared, 'one strength', 4).steps[0]
    expect(strong.kind === 'vary' && strong.strength).toBe(1)
  })
})
