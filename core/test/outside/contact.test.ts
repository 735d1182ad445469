import bunny from 'bunny'
import { describe, expect, it } from 'vitest'
import { Bodies } from '../../src/clearing/bodies'
import { type Convex, convexOfBox } from '../../src/clearing/convex'
import { outlineGaps } from '../../src/clearing/gap'
import { pushAlongAxis } from '../../src/clearing/pushAlongAxis'
import { pushDefaults } from '../../src/clearing/pushApart'
import { meshGaps } from '../../src/contact/meshGaps'
import { InstanceTable } from '../../src/instances'
import type { Quaternion } from '../../src/geometry/rotation'
import { boxMesh } from '../../src/solids/boxes'
import type { Mesh } from '../../src/geometry/mesh'
import { minimalStandard } from '../shapes'

/** The Stanford bunny, reduced (npm bunny 1.0.1, public domain). */
const theBunny: Mesh = {
  positions: new Float32Array(bunny.positions.flat()),
  normals: new Float32Array(3 * bunny.positions.length),
  indices: new Uint32Array(bunny.cells.flat()),
  sections: [{ start: 0, count: 3 * bunny.cells.length }],
}
const cube: Mesh = (() => {
  const mesh = boxMesh(1, 1, 1)
  return { ...mesh, positions: mesh.positions.map((n, i) => (i % 3 === 1 ? n - 0.5 : n)) }
})()

/** The bounds of the bunny, CHECKS' own figures. */
const bunnyBox = convexOfBox([-4.958475, -0.003149, -3.729833], [4.94885, 9.654748, 3.810639])
const cubeBox = convexOfBox([-0.5, -0.5, -0.5], [0.5, 0.5, 0.5])

interface Stood {
  readonly at: readonly [number, number, number]
  readonly turn?: Quaternion
  readonly size?: readonly [number, number, number]
}
const pair = (shape: Convex, ...two: Stood[]): Bodies => {
  const table = new InstanceTable()
  table.neutral(two.length)
  for (const [k, { at, turn, size }] of two.entries()) {
    table.position.set(at, 3 * k)
    if (turn) table.quaternion.set(turn, 4 * k)
    if (size) table.scale.set(size, 3 * k)
  }
  return new Bodies(table, () => shape)
}
const gapOf = (mesh: Mesh, shape: Convex, ...two: Stood[]): number =>
  meshGaps(pair(shape, ...two), () => mesh, 100).between(0, 1)
const about = (axis: 1 | 2, degrees: number): Quaternion => {
  const q: [number, number, number, number] = [0, 0, 0, Math.cos((degrees * Math.PI) / 360)]
  q[axis] = Math.sin((degrees * Math.PI) / 360)
  return q
}

describe('gaps by triangles', () => {
  // Measured by manifold-3d 3.5.4 (minGap) and three-mesh-bvh 0.9.17, which agree in all sixteen digits; ours sums in another order.
  it.each([
    [9, 0.1780795115967658],
    [10, 1.023273974354466],
    [12, 2.8077821895909123],
  ])('O7: two bunnies %d apart across', (dx, gap) => {
    expect(gapOf(theBunny, bunnyBox, { at: [0, 0, 0] }, { at: [dx, 0, 0] })).toBeCloseTo(gap, 7)
  })

  it('O7: at 8 and at 6 they overlap, and moved by what is told they are free', () => {
    for (const dx of [8, 6]) {
      const bodies = pair(bunnyBox, { at: [0, 0, 0] }, { at: [dx, 0, 0] })
      const gaps = meshGaps(bodies, () => theBunny, 100)
      const depth = gaps.between(0, 1)
      expect(depth).toBeLessThan(0)
      // Their boxes overlap least across: that is the way out.
      bodies.position[3] -= depth * (1 + 1e-6)
      expect(gaps.between(0, 1)).toBeGreaterThanOrEqual(0)
      expect(gaps.between(0, 1)).toBeLessThan(0.2)
    }
  })

  it('is the same in any size, also an uneven one, and for a mirror image', () => {
    const at = (by: number): number =>
      gapOf(theBunny, bunnyBox, { at: [0, 0, 0], size: [by, by, by] }, { at: [10 * by, 0, 0], size: [by, by, by] })
    expect(at(0.01)).toBeCloseTo(0.01023273974, 9)
    expect(at(3)).toBeCloseTo(3 * 1.023273974, 6)
    // Stretched across alone, two cubes keep half a metre: 4 − 2 · ½ · 3.5.
    const stretched = { size: [3.5, 1, 1] as const }
    expect(gapOf(cube, cubeBox, { at: [0, 0, 0], ...stretched }, { at: [4, 0, 0], ...stretched })).toBeCloseTo(0.5, 6)
  })

  // Geometry: edge against edge, and face against edge, as for outlines.
  it('O3, O4: cubes turned by 45° touch at ½ + √½, and edge to edge at √2', () => {
    const face = (x: number): number => gapOf(cube, cubeBox, { at: [0, 0, 0] }, { at: [x, 0, 0], turn: about(2, 45) })
    expect(face(0.5 + Math.SQRT1_2 + 1e-4)).toBeCloseTo(1e-4, 6)
    expect(face(0.5 + Math.SQRT1_2 - 1e-3)).toBeCloseTo(-1e-3, 4)
    const edges = (x: number): number =>
      gapOf(cube, cubeBox, { at: [0, 0, 0], turn: about(2, 45) }, { at: [x, 0, 0], turn: about(1, 45) })
    expect(edges(2)).toBeCloseTo(0.5857864376269049, 6)
    expect(edges(1.4)).toBeCloseTo(-0.0142135624, 4)
  })

  it('one wholly inside another overlaps it', () => {
    const small = { at: [0.1, 0.05, 0] as const, size: [0.2, 0.2, 0.2] as const }
    expect(gapOf(cube, cubeBox, { at: [0, 0, 0] }, small)).toBeLessThan(-0.3)
  })
})

/** Isotonic regression by pooling adjacent violators (Ayer et al. 1955; Barlow 1972), for balls of one diameter on a line. */
function pooled(places: readonly number[], diameter: number): number[] {
  const blocks: { sum: number; count: number }[] = []
  for (const [i, x] of places.entries()) {
    blocks.push({ sum: x - i * diameter, count: 1 })
    while (blocks.length > 1) {
      const [a, b] = blocks.slice(-2)
      if (a.sum / a.count <= b.sum / b.count) break
      blocks.splice(-2, 2, { sum: a.sum + b.sum, count: a.count + b.count })
    }
  }
  return blocks
    .flatMap(({ sum, count }) => Array.from({ length: count }, () => sum / count))
    .map((x, i) => x + i * diameter)
}

describe('least movement in one dimension', () => {
  const ball: Convex = {
    points: new Float64Array(3),
    rims: new Float64Array(),
    round: 0.5,
    offset: [0, 0, 0],
    centre: [0, 0, 0],
    radius: 0.5,
  }
  const pushed = (places: readonly number[]): number[] => {
    const bodies = pair(ball, ...places.map((x): Stood => ({ at: [x, 0, 0] })))
    const free = [true, false, false] as const
    pushAlongAxis(bodies, 0, { ...pushDefaults, within: 1e-9, free }, outlineGaps(bodies))
    return places.map((_, k) => bodies.position[3 * k])
  }
  const squares = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, x, i) => sum + (x - b[i]) ** 2, 0)

  // Worked by hand from the definition; the sum of squares 0.5 is the least possible.
  it('O9: 0, ½, 1 become −½, ½, 1½; and a longer line', () => {
    const got = pushed([0, 0.5, 1])
    for (const [i, x] of [-0.5, 0.5, 1.5].entries()) expect(got[i]).toBeCloseTo(x, 7)
    expect(squares(got, [0, 0.5, 1])).toBeCloseTo(0.5, 6)
    const longer = pushed([0, 0.2, 3, 3.1, 3.2, 8])
    for (const [i, x] of [-0.4, 0.6, 2.1, 3.1, 4.1, 8].entries()) expect(longer[i]).toBeCloseTo(x, 7)
  })

  it('O9: on random lines of 100, Σ(Δ²) is that of isotonic regression (1.1 times would do)', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const random = minimalStandard(seed)
      const places = Array.from({ length: 100 }, () => 80 * random()).sort((a, b) => a - b)
      const got = pushed(places)
      const best = squares(pooled(places, 1), places)
      expect(squares(got, places) / best).toBeLessThan(1 + 1e-6)
      for (let k = 1; k < 100; k++) expect(got[k] - got[k - 1]).toBeGreaterThan(1 - 1e-8)
    }
  })
})
