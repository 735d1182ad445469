import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { usePicking } from './picking'

/** Lets what waits on an answer go on. */
const settle = async (): Promise<void> => {
  await nextTick()
  await nextTick()
}

describe('picking places', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('gives one place, or nothing when it is given up', async () => {
    const picking = usePicking()
    const first = picking.place('Click')
    expect(picking.active).toBe(true)
    picking.asking!.answer({ point: [1, 0, 2] })
    expect(await first).toEqual({ point: [1, 0, 2] })
    expect(picking.active).toBe(false)
    const second = picking.place('Click')
    picking.asking!.answer(undefined)
    expect(await second).toBeUndefined()
  })

  it('gathers places until Enter, which is not heard too early', async () => {
    const picking = usePicking()
    const points = picking.places('Click', 2)
    for (const answer of [
      { point: [0, 0, 0] as [number, number, number] },
      'done',
      { point: [1, 0, 0] as [number, number, number] },
      { point: [2, 0, 0] as [number, number, number] },
      'done',
    ] as const) {
      picking.asking!.answer(answer)
      await settle()
    }
    expect(await points).toEqual([
      [0, 0, 0],
      [1, 0, 0],
      [2, 0, 0],
    ])
  })

  it('ends by itself at the most', async () => {
    const picking = usePicking()
    const points = picking.places('Click', 2, 2)
    for (const x of [0, 1]) {
      picking.asking!.answer({ point: [x, 0, 0] })
      await settle()
    }
    expect(await points).toHaveLength(2)
    expect(picking.active).toBe(false)
  })

  it('gives up an older question when a new one is asked', async () => {
    const picking = usePicking()
    const old = picking.place('First')
    void picking.place('Second')
    expect(await old).toBeUndefined()
    expect(picking.asking!.words()).toBe('Second')
  })
})
