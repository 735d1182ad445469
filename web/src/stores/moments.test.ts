import { emptyProject, type Project } from '@hilera/core/model/project'
import { createPinia, setActivePinia } from 'pinia'
import { shallowReactive } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { MomentUpdate, PatternUpdate } from '../worker/messages'
import { useMoments } from './moments'

const asked: { time: number; answer: (update: MomentUpdate) => void }[] = []
const outcomes = shallowReactive({
  worked: emptyProject('Still'),
  patterns: [] as PatternUpdate[],
  moment: (time: number) => new Promise<MomentUpdate>((answer) => asked.push({ time, answer })),
})
vi.mock('./outcomes', () => ({ useOutcomes: () => outcomes }))
vi.mock('../worker/revive', () => ({ revived: (update: PatternUpdate) => update }))

const changing = (name: string): Project =>
  ({
    ...emptyProject(name),
    patterns: [{ id: 'ring', motion: [{ kind: 'change', id: 'change' }] }, { id: 'row' }],
  }) as unknown as Project
const update = (id: string, mark: number): PatternUpdate => ({ id, mark }) as unknown as PatternUpdate
function answer(time: number, patterns: MomentUpdate['patterns']): Promise<void> {
  const at = asked.findIndex((a) => a.time === time)
  const [{ answer: give }] = asked.splice(at, 1)
  give({ time, project: outcomes.worked, patterns } as unknown as MomentUpdate)
  return new Promise((resolve) => setTimeout(resolve))
}

describe('moments of a project of which numbers change', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    asked.length = 0
    outcomes.worked = changing('First')
    outcomes.patterns = [update('ring', 0), update('row', 0)]
  })

  it('are as the document stands until one is worked out; of several that are asked for the newest is next', async () => {
    const moments = useMoments()
    expect(moments.state.time).toBeUndefined()
    for (const time of [1, 2, 3]) moments.want(time)
    expect(asked.map(({ time }) => time)).toEqual([1])
    await answer(1, [update('ring', 1), update('row', 1)])
    expect(moments.state).toMatchObject({ time: 1, patterns: [{ mark: 1 }, { mark: 1 }] })
    // The one between was never worked out.
    expect(asked.map(({ time }) => time)).toEqual([3])
    await answer(3, [update('ring', 3), { id: 'row', unchanged: true }])
    expect(moments.state).toMatchObject({ time: 3, patterns: [{ mark: 3 }, { mark: 1 }] })
    expect(asked).toEqual([])
  })

  it('of a document that changed meanwhile are asked for again, and not shown', async () => {
    const moments = useMoments()
    moments.want(1)
    outcomes.worked = changing('Second')
    await answer(1, [update('ring', 1), update('row', 1)])
    expect(moments.state.time).toBeUndefined()
    expect(asked.map(({ time }) => time)).toEqual([1])
    await answer(1, [update('ring', 2), update('row', 2)])
    expect(moments.state).toMatchObject({ time: 1, patterns: [{ mark: 2 }, { mark: 2 }] })
  })

  it('are not asked for where nothing changes', async () => {
    outcomes.worked = emptyProject('Still')
    const moments = useMoments()
    expect(await moments.at(2)).toBe(moments.still)
    moments.want(2)
    expect(asked).toEqual([])
  })
})
