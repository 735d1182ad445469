import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { composed, takenApart, times } from '../../src/geometry/matrix'
import { afterEach, carried, placedBy, reflectionIn, sameIsometry, UNMOVED } from '../../src/geometry/isometry'
import { imagesOf, planeOf } from '../../src/mirror/planes'
import type { Vec3 } from '../../src/values/values'
import { type Quaternion, fromAxes, fromTurns, rotate, turnMatrix } from '../../src/geometry/rotation'
import { anyTurn } from '../../src/steps/vary/varyRows'
import { aPlane } from '../projects'
import { minimalStandard } from '../shapes'

const degree = Math.PI / 180
const through = (normal: Vec3, distance = 0) => {
  const n = Math.hypot(...normal)
  return { normal: normal.map((c) => c / n) as Vec3, distance }
}
const closeTo = (a: ArrayLike<number>, b: ArrayLike<number>, digits = 9): void => {
  for (let i = 0; i < b.length; i++) expect(a[i]).toBeCloseTo(b[i], digits)
}

describe('turns', () => {
  it('R5: 30°, 45°, 60° about across, up and deep, each about the axes as turned so far; three 0.187 agrees', () => {
    const q = fromTurns([30 * degree, 45 * degree, 60 * degree])
    closeTo(q, [0.391903837, 0.200562121, 0.531975695, 0.723317411])
    const three = new THREE.Quaternion().setFromEuler(new THREE.Euler(30 * degree, 45 * degree, 60 * degree, 'XYZ'))
    closeTo(q, three.toArray(), 12)
  })

  it('R6: 120° about (1, 1, 1) brings (1, 2, 3) to (3, 1, 2)', () => {
    closeTo(rotate([0.5, 0.5, 0.5, 0.5], [1, 2, 3]), [3, 1, 2], 12)
  })

  it('R7: 20 000 turns to matrices and back are the same turns, to 2e-15', () => {
    const random = minimalStandard(1)
    for (let i = 0; i < 20_000; i++) {
      const q = anyTurn(random(), random(), random())
      const m = turnMatrix(q)
      const back = fromAxes([m[0], m[3], m[6]], [m[1], m[4], m[7]], [m[2], m[5], m[8]])
      const dot = q.reduce((sum, n, k) => sum + n * back[k], 0)
      const lengths = Math.hypot(...q) * Math.hypot(...back)
      expect(1 - Math.abs(dot) / lengths).toBeLessThanOrEqual(2e-15)
    }
  })
})

describe('reflections', () => {
  it('R8: Householder’s matrix for (1, 2, 2) ÷ 3 is a ninth of [7 −4 −4, −4 1 −8, −4 −8 1] (Householder 1958)', () => {
    const mirror = reflectionIn(through([1, 2, 2]))
    const columns = [
      [7, -4, -4],
      [-4, 1, -8],
      [-4, -8, 1],
    ]
    for (const [i, column] of columns.entries())
      closeTo(
        carried(mirror, [0, 1, 2].map((k) => (k === i ? 1 : 0)) as Vec3),
        column.map((n) => n / 9),
        12,
      )
    expect(sameIsometry(afterEach(mirror, mirror), UNMOVED)).toBe(true)
    closeTo(placedBy(reflectionIn(through([0, 1, 0], 0.5)), [1, 2, 3]), [1, -1, 3], 12)
  })

  it('R9: seen in a mirror across, a turn x y z w is x −y −z w exactly', () => {
    const random = minimalStandard(3)
    const across = reflectionIn(through([1, 0, 0]))
    for (let i = 0; i < 100; i++) {
      const q = anyTurn(random(), random(), random())
      const seen = afterEach(across, afterEach({ turn: q, mirrored: false, move: [0, 0, 0] }, across)).turn
      // Adding 0 makes −0 the 0 that it equals.
      expect(seen.map((n) => n + 0)).toEqual([q[0], -q[1], -q[2], q[3]].map((n) => n + 0))
    }
  })

  it('R10: two mirrors at π/7 turn by twice that, 51.428571428571°', () => {
    const both = afterEach(
      reflectionIn(through([Math.cos(Math.PI / 7), Math.sin(Math.PI / 7), 0])),
      reflectionIn(through([1, 0, 0])),
    )
    expect(both.mirrored).toBe(false)
    expect((2 * Math.acos(Math.abs(both.turn[3]))) / degree).toBeCloseTo(51.428571428571, 9)
  })

  it('R11: so many images come of mirrors: 2k, 8, A₃ 24, B₃ 48, H₃ 120 (Coxeter, Regular Polytopes, ch. 5)', () => {
    const count = (...planes: { normal: Vec3; distance: number }[]) => {
      const images = imagesOf(planes)
      return images.ok ? images.value.length : images.problem.says[0]
    }
    for (let k = 2; k <= 7; k++)
      expect(count(through([1, 0, 0]), through([Math.cos(Math.PI / k), Math.sin(Math.PI / k), 0]))).toBe(2 * k)
    expect(count(through([1, 0, 0]), through([0, 1, 0]), through([0, 0, 1]))).toBe(8)
    expect(count(through([1, 0, 0], 0.3), through([0, 1, 0], -2), through([0, 0, 1], 7))).toBe(8)
    // Neighbouring mirrors stand at π/3 and π/3, π/4, π/5; the first and the last at right angles.
    const chamber = (q: number) => {
      const [c2, c3] = [Math.cos(Math.PI / 3), Math.cos(Math.PI / q)]
      const second: Vec3 = [-c2, Math.sqrt(1 - c2 * c2), 0]
      const y = -c3 / second[1]
      return [through([1, 0, 0]), through(second), through([0, y, Math.sqrt(1 - y * y)])]
    }
    expect(count(...chamber(3))).toBe(24)
    expect(count(...chamber(4))).toBe(48)
    expect(count(...chamber(5))).toBe(120)
    // Three at 60° in one direction that do not meet in a line never end.
    const kaleidoscope = [0, 60, 120].map((deg, i) => {
      const facing = { kind: 'axis', axis: 'across', angle: deg * degree } as const
      const plane = planeOf(aPlane('across', { facing, offset: i === 2 ? 0.4 : 0 }), {
        centre: () => undefined,
        copyAt: () => undefined,
      })
      return plane.ok ? plane.value : through([1, 0, 0])
    })
    expect(count(...kaleidoscope)).toContain('without end')
  })

  it('R12: a mirroring placement taken apart and put together again is the same matrix; three puts its sign elsewhere', () => {
    const random = minimalStandard(9)
    for (let i = 0; i < 200; i++) {
      const q = anyTurn(random(), random(), random())
      const [sx, sy, sz] = [0.5 + random(), 0.5 + random(), 0.5 + random()]
      const negative = [
        [-sx, sy, sz],
        [sx, -sy, sz],
        [sx, sy, -sz],
        [-sx, -sy, -sz],
      ][i % 4]
      const matrix = composed([random(), random(), random()], q, negative)
      const apart = takenApart(matrix)!
      expect(apart.mirrored).toBe(true)
      expect(Math.min(...apart.size)).toBeGreaterThan(0)
      const across = [-1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]
      closeTo(times(composed(apart.move, apart.turn, apart.size), across), matrix, 12)
    }
    // T9: scale (1, −1, 1) comes back as (−1, 1, 1) and half a turn, so only matrices may be compared.
    const scale = new THREE.Vector3()
    new THREE.Matrix4().makeScale(1, -1, 1).decompose(new THREE.Vector3(), new THREE.Quaternion(), scale)
    expect(scale.toArray()).toEqual([-1, 1, 1])
    const own = takenApart(composed([0, 0, 0], [0, 0, 0, 1], [1, -1, 1]))!
    expect(own.turn.map((n) => Math.abs(n)) as unknown as Quaternion).toEqual([0, 0, 1, 0])
  })
})
