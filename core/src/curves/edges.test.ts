import { describe, expect, it } from 'vitest'
import { buildSolid } from '../solids/build'
import { buildCurve } from './build'
import { edgeRuns } from './edges'
import { arcLengthOf } from './arcLength'

const lengths = (runs: ReturnType<typeof edgeRuns>): number[] => {
  if (!runs.ok) throw new Error('no edges')
  const built = buildCurve({ kind: 'bezier', runs: runs.value, from: { kind: 'hand' } })
  return built.ok ? built.value.map((contour) => arcLengthOf(contour).length) : []
}

describe('edges of a mesh', () => {
  it('E14: a box has twelve', () => {
    const found = lengths(edgeRuns(buildSolid({ kind: 'box', width: 0.2, height: 0.3, depth: 0.5 }), 'Box'))
    expect(found).toHaveLength(12)
    expect(found.reduce((a, b) => a + b, 0)).toBeCloseTo(4 * (0.2 + 0.3 + 0.5), 6)
  })

  it('a cylinder has two closed rims, a cone one', () => {
    const runs = edgeRuns(buildSolid({ kind: 'cylinder', width: 1, height: 1 }), 'Tin')
    expect(runs.ok && runs.value.map((r) => r.closed)).toEqual([true, true])
    // 48 sides: 48·sin(π ÷ 48).
    for (const length of lengths(runs)) expect(length).toBeCloseTo(48 * Math.sin(Math.PI / 48), 5)
    expect(lengths(edgeRuns(buildSolid({ kind: 'cone', width: 1, top: 0, height: 2 }), 'Cone'))).toHaveLength(1)
  })

  it('a sphere has none, and says so', () => {
    expect(edgeRuns(buildSolid({ kind: 'sphere', width: 1 }), 'Ball').ok).toBe(false)
  })
})
