import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type SavedView, emptyProject } from '../../model/project'
import { cameraAt, viewBetween } from './cameraAt'
import type { CameraKey } from './schema'

const view = (id: string, eye: SavedView['eye'], more: Partial<SavedView> = {}): SavedView => ({
  id,
  name: id,
  from: 'perspective',
  eye,
  target: [0, 0, 0],
  ...more,
})
const key = (at: number, to: string, more: Partial<CameraKey> = {}): CameraKey => ({
  id: `${to}-${at}`,
  at,
  view: to,
  easing: 'evenly',
  turns: 0,
  ...more,
})
const views = [view('front', [0, 0, 2]), view('right', [8, 0, 0]), view('above', [0, 3, 0]), view('left', [-2, 0, 0])]
const at = (camera: CameraKey[], time: number) => cameraAt({ ...emptyProject('Seen'), views, camera }, time)

describe('the camera', () => {
  it('stands at the first view until its time and at the last one after it, and goes nowhere without any', () => {
    const keys = [key(3, 'right'), key(1, 'front')]
    expect([0, 1].map((t) => at(keys, t)?.eye)).toEqual([views[0].eye, views[0].eye])
    expect([3, 99].map((t) => at(keys, t)?.eye)).toEqual([views[1].eye, views[1].eye])
    expect(at([], 1)).toBeUndefined()
    expect(at([key(1, 'gone')], 1)).toBeUndefined()
  })

  it('goes round what it looks at: half of a quarter turn is an eighth, half of the way from 2 m to 8 m is 4 m', () => {
    const { eye } = at([key(0, 'front'), key(2, 'right')], 1)!
    expect(Math.hypot(...eye)).toBeCloseTo(4, 12)
    expect(Math.atan2(eye[0], eye[2])).toBeCloseTo(Math.PI / 4, 12)
  })

  it('goes the shorter way, and so many times more as is said', () => {
    const half = (turns: number): number => {
      const { eye } = at([key(0, 'front'), key(1, 'left', { turns })], 0.5)!
      return Math.atan2(eye[0], eye[2])
    }
    expect(half(0)).toBeCloseTo(-Math.PI / 4, 12)
    expect(half(1)).toBeCloseTo(Math.PI - Math.PI / 4, 12)
  })

  it('comes down from straight above without turning', () => {
    const { eye } = at([key(0, 'above'), key(1, 'right')], 0.5)!
    expect(eye[2]).toBeCloseTo(0, 9)
    expect(eye[0]).toBeGreaterThan(0)
  })

  it('keeps what it looks at between the two, stays finite, and is each of them at the ends, to the bit', () => {
    const place = fc.tuple(
      ...Array.from({ length: 3 }, () => fc.double({ min: -5, max: 5, noNaN: true })),
    ) as fc.Arbitrary<[number, number, number]>
    const seen = fc
      .record({ eye: place, target: place })
      .filter(({ eye, target }) => Math.hypot(eye[0] - target[0], eye[1] - target[1], eye[2] - target[2]) > 1e-3)
    fc.assert(
      fc.property(seen, seen, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        expect([viewBetween(a, b, 0), viewBetween(a, b, 1)]).toEqual([a, b])
        const { eye, target } = viewBetween(a, b, share)
        for (const n of eye) expect(Number.isFinite(n)).toBe(true)
        for (const [i, n] of target.entries()) {
          expect(n).toBeGreaterThanOrEqual(Math.min(a.target[i], b.target[i]) - 1e-12)
          expect(n).toBeLessThanOrEqual(Math.max(a.target[i], b.target[i]) + 1e-12)
        }
      }),
    )
  })

  it('stays flat from one flat view to another, and as it was until it is in perspective', () => {
    const [low, high] = [view('low', [0, 0, 2], { height: 1 }), view('high', [0, 0, 2], { height: 4 })]
    expect(viewBetween(low, high, 0.5).height).toBeCloseTo(2, 12)
    expect(viewBetween(low, views[1], 0.5).height).toBe(1)
    expect(viewBetween(views[1], low, 0.5).height).toBeUndefined()
  })
})
