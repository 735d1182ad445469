import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useActs } from './acts'

vi.mock('comlink', () => import('../../test/comlink'))

describe('acts on what is picked', () => {
  let page: Awaited<ReturnType<typeof opened>>
  beforeEach(async () => {
    page = await opened(quickDemo())
    const [tins] = page.document.project.patterns
    useSelection().pickCopies(new Map([[tins.id, new Set(['0', '1', '2'])]]))
  })

  it('say that they are worked out where that takes a while, and not where it does not; what is left is not shown', async () => {
    const [acts, outcomes] = [useActs(), useOutcomes()]
    const before = page.document.project
    acts.begin('space')
    await vi.waitFor(() => expect(acts.came).toBeDefined())
    expect(acts.isWorking).toBe(false)
    acts.leave()
    expect(page.document.project).toBe(before)

    const act = outcomes.act
    let answer = (): void => {}
    vi.spyOn(outcomes, 'act').mockImplementation(async (...asked) => {
      await new Promise<void>((resolve) => (answer = resolve))
      return act(...asked)
    })
    acts.begin('space')
    expect(acts.isWorking).toBe(false)
    await vi.waitFor(() => expect(acts.isWorking).toBe(true))
    acts.leave()
    answer()
    await vi.waitFor(() => expect(acts.isWorking).toBe(false))
    expect(page.document.project).toBe(before)
    expect(acts.came).toBeUndefined()
  })
})
