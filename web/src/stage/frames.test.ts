import * as THREE from 'three'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Copies } from './copies/copies'
import { Frames } from './frames'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

/** Frames over a graphics side that takes so long for each picture, and of a crowd of so much work; what they show is noted. */
function over({ took, work = 4_000_000 }: { readonly took: number; readonly work?: number }) {
  let doneAt = 0
  const context = {
    fenceSync: () => ({}),
    flush: () => {},
    isContextLost: () => false,
    getSyncParameter: () => performance.now() >= doneAt,
    deleteSync: () => {},
    SIGNALED: true,
  }
  const info = { render: { calls: 1, triangles: 0, lines: 0 } }
  const renderer = {
    render: () => void (doneAt = performance.now() + took),
    getContext: () => context,
    getDrawingBufferSize: (size: THREE.Vector2) => size.set(800, 600),
    shadowMap: {},
    autoClear: true,
    info,
  }
  const steps = [1, 2].map(() => ({ work: work / 2, take: vi.fn(), leave: vi.fn() }))
  const copies = {
    isCrowd: true,
    look: () => work,
    draw: (share: number) => void (info.render.triangles = share * work),
    rest: () => [...steps],
  }
  const frames = new Frames({
    renderer: renderer as unknown as THREE.WebGLRenderer,
    scene: new THREE.Scene(),
    camera: () => new THREE.PerspectiveCamera(),
    before: () => false,
  })
  frames.copies = copies as unknown as Copies
  const shown: number[] = []
  const rested: boolean[] = []
  frames.onShown = ({ share }) => void shown.push(share)
  frames.onRest = (rests) => void rested.push(rests)
  return { frames, shown, rested, steps }
}

test.each([{ took: 20 }, { took: 159 }, { took: 160 }, { took: 316 }, { took: 5_000 }])(
  'Q4: a crowd of which a light picture takes $took ms is completed, and rests',
  async ({ took }) => {
    const { frames, shown, rested, steps } = over({ took })
    frames.invalidate()
    await vi.advanceTimersByTimeAsync(1_000 + 6 * took)
    expect(shown[0]).toBeLessThan(1)
    expect(shown.at(-1)).toBe(1)
    expect(rested).toEqual([true])
    for (const { take, leave } of steps) expect([take, leave].map((f) => f.mock.calls.length)).toEqual([1, 1])
  },
)

test('Q4: what is asked for while a picture is under way is drawn after it, and completed', async () => {
  const { frames, shown, rested } = over({ took: 300 })
  for (let i = 0; i < 5; i++) {
    frames.invalidate()
    await vi.advanceTimersByTimeAsync(100)
  }
  expect(shown).not.toContain(1)
  await vi.advanceTimersByTimeAsync(5_000)
  expect([shown.at(-1), rested.at(-1)]).toEqual([1, true])
})
