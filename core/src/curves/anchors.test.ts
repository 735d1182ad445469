import { describe, expect, it } from 'vitest'
import type { BezierRun } from '../values/curve'
import { addAnchor, anchorsOf, dropAnchor, moveAnchor } from './anchors'
import { buildCurve } from './build'
import { arcLengthOf } from './arcLength'

const open = (): BezierRun => ({
  start: [0, 0, 0],
  pieces: [
    [
      [0.2, 0.3, 0],
      [0.6, 0.3, 0],
      [1, 0, 0],
    ],
    [
      [1.4, -0.3, 0],
      [1.8, -0.3, 0],
      [2, 0, 0],
    ],
  ],
  closed: false,
})
const loop = (): BezierRun => ({
  ...open(),
  pieces: [
    ...open().pieces,
    [
      [2, 1, 0],
      [0, 1, 0],
      [0, 0, 0],
    ],
  ],
  closed: true,
})
const length = (run: BezierRun): number => {
  const built = buildCurve({ kind: 'bezier', runs: [run], from: { kind: 'hand' } })
  return built.ok ? arcLengthOf(built.value[0]).length : NaN
}

describe('anchors of a curve with handles', () => {
  it('are its start and ends, a closing one once', () => {
    expect(anchorsOf(open())).toEqual([
      [0, 0, 0],
      [1, 0, 0],
      [2, 0, 0],
    ])
    expect(anchorsOf(loop())).toHaveLength(3)
  })

  it('one more leaves the form as it was', () => {
    for (const run of [open(), loop()]) {
      const before = length(run)
      addAnchor(run, 1)
      expect(anchorsOf(run)).toHaveLength(4)
      expect(length(run)).toBeCloseTo(before, 9)
    }
  })

  it('one less joins its pieces, and the last piece stays', () => {
    const run = open()
    dropAnchor(run, 1)
    expect(run.pieces).toEqual([
      [
        [0.2, 0.3, 0],
        [1.8, -0.3, 0],
        [2, 0, 0],
      ],
    ])
    dropAnchor(run, 0)
    expect(run.pieces).toHaveLength(1)
    const ring = loop()
    dropAnchor(ring, 0)
    expect(anchorsOf(ring)).toEqual([
      [1, 0, 0],
      [2, 0, 0],
    ])
    expect(ring.pieces.at(-1)![2]).toEqual(ring.start)
  })

  it('take the handles beside them along, round the closing point too', () => {
    const run = loop()
    moveAnchor(run, 0, [0, 0, 1])
    expect(run.start).toEqual([0, 0, 1])
    expect(run.pieces[2]).toEqual([
      [2, 1, 0],
      [0, 1, 1],
      [0, 0, 1],
    ])
    expect(run.pieces[0][0]).toEqual([0.2, 0.3, 1])
    moveAnchor(run, 2, [3, 0, 0])
    expect(run.pieces[1].slice(1)).toEqual([
      [2.8, -0.3, 0],
      [3, 0, 0],
    ])
    expect(run.pieces[2][0]).toEqual([3, 1, 0])
  })
})
