import { describe, expect, it } from 'vitest'
import { boxMesh } from '../solids/boxes'
import { mergedMesh, placedMesh } from '../solids/placed'
import type { Mesh } from './mesh'
import { gatheredMesh, weldedMesh } from './weld'

const beside = (mesh: Mesh): Mesh => placedMesh(mesh, { move: [0.2, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] })
const tinted = (mesh: Mesh, red: number): Mesh => ({
  ...mesh,
  colors: Uint8Array.from(mesh.positions, (_, i) => (i % 3 === 0 ? red : 255)),
})
const vertices = (mesh: Mesh): number => mesh.positions.length / 3

describe('vertices welded', () => {
  const box = boxMesh(0.2, 0.2, 0.2)
  const joined = (...boxes: Mesh[]): Mesh => weldedMesh(gatheredMesh(mergedMesh(boxes)), 1e-6)

  it('are one where two boxes meet side by side, on the four faces that go on', () => {
    expect(vertices(joined(box))).toBe(24)
    expect(vertices(joined(box, beside(box)))).toBe(48 - 8)
  })

  it('stay two where their colours differ', () => {
    expect(vertices(joined(tinted(box, 255), beside(tinted(box, 90))))).toBe(48)
    expect(vertices(joined(tinted(box, 90), beside(tinted(box, 90))))).toBe(48 - 8)
    // One without colours is white.
    expect(vertices(joined(tinted(box, 255), beside(box)))).toBe(48 - 8)
  })
})
