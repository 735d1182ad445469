import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { buildCurve } from '../../src/curves/build'
import { leastTwistTops } from '../../src/curves/frames'
import { ArcLength } from '../../src/curves/arcLength'
import { type Segment, cubic, formula } from '../../src/curves/segment'
import { smoothThrough } from '../../src/curves/smooth'
import type { Curve } from '../../src/values/curve'
import type { Vec3 } from '../../src/values/values'

const of = (curve: Curve): ArcLength => {
  const made = buildCurve(curve)
  if (!made.ok) throw new Error('not built')
  return new ArcLength(made.value[0])
}
const run = (...segments: Segment[]): ArcLength => new ArcLength({ segments, closed: false })
const flat = (...p: [number, number][]): [Vec3, Vec3, Vec3, Vec3] =>
  p.map(([x, y]): Vec3 => [x, y, 0]) as [Vec3, Vec3, Vec3, Vec3]
const plane = (
  x: (t: number) => number,
  y: (t: number) => number,
  dx: (t: number) => number,
  dy: (t: number) => number,
): ArcLength =>
  run(
    formula(
      (t) => [x(t), y(t), 0],
      (t) => [dx(t), dy(t), 0],
    ),
  )

describe('true lengths', () => {
  it('P1: a helix', () => {
    // Any calculus text: turns · √((2πr)² + pitch²).
    expect(of({ kind: 'helix', radius: 1, endRadius: 1, height: 3, turns: 3 }).length).toBeCloseTo(19.086795394702, 10)
    expect(of({ kind: 'helix', radius: 3, endRadius: 3, height: 8 * Math.PI, turns: 1 }).length).toBeCloseTo(
      10 * Math.PI,
      10,
    )
  })

  it.each([
    // Abramowitz & Stegun §17.3 (value from memory; by the arithmetic-geometric mean and PARI/GP).
    [4, 2, 9.6884482205477],
    [10, 6, 25.526998863398],
    [10, 2, 21.01004453969],
    [6, 4, 15.865439589291],
  ])('P2: the circumference of an ellipse %f by %f', (width, depth, length) => {
    expect(of({ kind: 'ellipse', width, depth }).length).toBeCloseTo(length, 9)
  })

  it('P3: twelve equal arcs of the 2 : 1 ellipse', () => {
    // PARI/GP, intnum and solve.
    const ellipse = of({ kind: 'ellipse', width: 4, depth: 2 })
    const at = (k: number): [number, number] => {
      const [x, , z] = ellipse.at((ellipse.length * k) / 12).point
      return [x, -z]
    }
    for (const [k, x, y] of [
      [1, 1.55260037017, 0.630363405217],
      [2, 0.801464217701, 0.916195272273],
      [3, 0, 1],
      [4, -0.801464217701, 0.916195272273],
      [6, -2, 0],
    ]) {
      expect(at(k)[0]).toBeCloseTo(x, 7)
      expect(at(k)[1]).toBeCloseTo(y, 7)
    }
  })

  it('P4, P5: Archimedean and logarithmic spirals', () => {
    // CRC Standard Mathematical Tables (value from memory): r = aθ from 0; a radius of nothing is a limit here.
    expect(of({ kind: 'spiral', radius: 1e-12, growth: 'add', each: 2 * Math.PI, turns: 1 }).length).toBeCloseTo(
      21.256294148209,
      9,
    )
    expect(of({ kind: 'spiral', radius: 1e-12, growth: 'add', each: 10, turns: 3 }).length).toBeCloseTo(
      286.0298789266603,
      8,
    )
    expect(
      of({ kind: 'spiral', radius: 1, growth: 'times', each: Math.exp(0.2 * Math.PI), turns: 1 }).length,
    ).toBeCloseTo(8.788174916365, 9)
    const golden = of({ kind: 'spiral', radius: 1, growth: 'times', each: ((1 + Math.sqrt(5)) / 2) ** 4, turns: 1 })
    expect(Math.hypot(...golden.at(golden.length).point)).toBeCloseTo(6.854101966249685, 9)
  })

  it('P6: parabola, catenary, cycloid, cardioid, astroid, semicubical parabola', () => {
    // Classical (values from memory).
    expect(
      plane(
        (t) => t,
        (t) => t * t,
        () => 1,
        (t) => 2 * t,
      ).length,
    ).toBeCloseTo(1.478942857544597, 9)
    // cosh from −1 to 1: a chain over 2 whose length is 2 sinh 1, sagging by cosh 1 − 1.
    const chain = of({ kind: 'catenary', to: [2, 0, 0], by: 'sag', value: Math.cosh(1) - 1 })
    expect(chain.length).toBeCloseTo(2.350402387287603, 9)
    const hung = of({ kind: 'catenary', to: [6, 0, 0], by: 'length', value: 8.51711782037927 })
    expect(hung.length).toBeCloseTo(8.51711782037927, 9)
    // a = 2: its lowest point hangs 2 cosh 1.5 − 2 below.
    expect(hung.at(hung.length / 2).point[1]).toBeCloseTo(2 - 2 * Math.cosh(1.5), 9)
    const T = 2 * Math.PI
    expect(
      plane(
        (t) => T * t - Math.sin(T * t),
        (t) => 1 - Math.cos(T * t),
        (t) => T * (1 - Math.cos(T * t)),
        (t) => T * Math.sin(T * t),
      ).length,
    ).toBeCloseTo(8, 9)
    const cardioid = (t: number): [number, number] => [
      -T * Math.sin(T * t) * (1 + 2 * Math.cos(T * t)),
      T * (Math.cos(T * t) + Math.cos(2 * T * t)),
    ]
    expect(
      plane(
        () => 0,
        () => 0,
        (t) => cardioid(t)[0],
        (t) => cardioid(t)[1],
      ).length,
    ).toBeCloseTo(8, 8)
    expect(
      plane(
        (t) => Math.cos(T * t) ** 3,
        (t) => Math.sin(T * t) ** 3,
        (t) => -3 * T * Math.cos(T * t) ** 2 * Math.sin(T * t),
        (t) => 3 * T * Math.sin(T * t) ** 2 * Math.cos(T * t),
      ).length,
    ).toBeCloseTo(6, 8)
    expect(
      plane(
        (t) => t * t,
        (t) => t ** 3,
        (t) => 2 * t,
        (t) => 3 * t * t,
      ).length,
    ).toBeCloseTo(1.43970987337155, 9)
  })

  it('P7: the Euler spiral has the length of its parameter', () => {
    // A&S table 7.7: its point at 1 is (0.7798934, 0.4382591).
    const spiral = plane(
      () => 0,
      () => 0,
      (t) => Math.cos((Math.PI * t * t) / 2),
      (t) => Math.sin((Math.PI * t * t) / 2),
    )
    expect(spiral.length).toBeCloseTo(1, 12)
  })

  it('P8: a quarter circle as a cubic', () => {
    const k = 0.5522847498
    const quarter = run(cubic(...flat([1, 0], [1, k], [k, 1], [0, 1])))
    expect(quarter.length).toBeCloseTo(1.571016698074, 9)
    let most = 0
    for (let i = 0; i <= 1000; i++)
      most = Math.max(most, Math.hypot(...quarter.at((quarter.length * i) / 1000).point) - 1)
    expect(most).toBeCloseTo(2.7253e-4, 7)
  })

  it('P9: through a cusp', () => {
    // Derived: the speed is 30·|w|·√(1 + w²) with w = 1 − 2t, so the length is 10(2√2 − 1).
    const cusp = run(cubic(...flat([0, 0], [10, 10], [0, 10], [10, 0])))
    expect(Math.abs(cusp.length - 10 * (2 * Math.SQRT2 - 1))).toBeLessThan(1e-6)
    const [x, y] = cusp.at(cusp.length / 2).point
    expect(x).toBeCloseTo(5, 5)
    expect(y).toBeCloseTo(7.5, 5)
  })

  it('P10: doubling back on itself', () => {
    // Derived: it turns at t = ¼ (x = 1) and t = ¾ (x = 0).
    const back = run(cubic(...flat([0, 0], [3, 0], [-2, 0], [1, 0])))
    expect(Math.abs(back.length - 3)).toBeLessThan(1e-6)
    expect(back.at(1.5).point[0]).toBeCloseTo(0.5, 6)
  })

  it('P11, P12: a quadratic and an S, and places on it', () => {
    const quadratic = run(cubic(...flat([0, 0], [2 / 3, 4 / 3], [4 / 3, 4 / 3], [2, 0])))
    expect(quadratic.length).toBeCloseTo(2.957885715089195, 9)
    const s = run(cubic(...flat([0, 0], [1, 2], [3, -2], [4, 0])))
    // Gauss quadrature over 2 000 panels.
    expect(s.length).toBeCloseTo(4.793965265647, 9)
    const [x, y] = s.at(0.3 * s.length).point
    expect(x).toBeCloseTo(1.1729948368991, 7)
    expect(y).toBeCloseTo(0.4819540403511, 7)
    expect(s.at(s.length / 2).point[0]).toBeCloseTo(2, 7)
  })
})

describe('circular segments', () => {
  it('P20: the sagitta of a chord of 60 on a radius of 100', () => {
    // Machinery's Handbook, circular segments (value from memory; R − √(R² − (c ÷ 2)²)).
    const arc = of({ kind: 'arc', radius: 100, start: 0, angle: 2 * Math.asin(0.3) })
    const [a, m, b] = [0, arc.length / 2, arc.length].map((s) => arc.at(s).point)
    expect(Math.hypot(...a.map((n, i) => b[i] - n))).toBeCloseTo(60, 9)
    expect(Math.hypot(...m.map((n, i) => n - (a[i] + b[i]) / 2))).toBeCloseTo(4.606079858305435, 9)
  })
})

describe('smooth curves through points', () => {
  it('P18: centripetal Catmull–Rom', () => {
    // Barry & Goldman 1988, by their pyramid and by three's CatmullRomCurve3, which agree to the last digit.
    const points: Vec3[] = [
      [0, 0, 0],
      [1, 2, 0],
      [3, 3, 0],
      [4, 0, 0],
    ]
    const middle = smoothThrough(points, false)[1].point(0.5)
    expect(middle[0]).toBeCloseTo(2.00368284177, 10)
    expect(middle[1]).toBeCloseTo(2.76363955994, 10)
    const theirs = new THREE.CatmullRomCurve3(
      points.map((p) => new THREE.Vector3(...p)),
      true,
      'centripetal',
    )
    const ours = smoothThrough(points, true)
    for (let i = 0; i < 40; i++) {
      const p = theirs.getPoint(i / 40)
      const own = ours[Math.floor(i / 10)].point((i % 10) / 10)
      expect(Math.hypot(p.x - own[0], p.y - own[1], p.z - own[2])).toBeLessThan(1e-9)
    }
  })
})

describe('frames', () => {
  it('P19: least twist on a helix turns back by its torsion, fourth order in the step', () => {
    // Wang, Jüttler, Zheng, Liu 2008: on a helix r = 3, c = 4, one turn, the frame lags the Frenet frame by τ·s = (4 ÷ 25)·10π.
    const helix = of({ kind: 'helix', radius: 3, endRadius: 3, height: 8 * Math.PI, turns: 1 })
    const error = (copies: number): number => {
      const lengths = Array.from({ length: copies + 1 }, (_, i) => (helix.length * i) / copies)
      const tops = leastTwistTops(helix, lengths)
      const angle = (k: number): number => {
        const { point, tangent } = helix.at(lengths[k])
        const normal = [-point[0] / 3, 0, -point[2] / 3]
        const binormal = [
          tangent[1] * normal[2] - tangent[2] * normal[1],
          tangent[2] * normal[0] - tangent[0] * normal[2],
          tangent[0] * normal[1] - tangent[1] * normal[0],
        ]
        const dot = (a: number[], b: readonly number[]): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
        return Math.atan2(dot(binormal, tops[k]), dot(normal, tops[k]))
      }
      const turned = angle(copies) - angle(0)
      const wanted = -(4 / 25) * 10 * Math.PI
      return Math.abs(Math.atan2(Math.sin(turned - wanted), Math.cos(turned - wanted)))
    }
    // Sixteen steps between copies: N = 16 and 32 in all.
    expect(error(1)).toBeLessThan(6e-5)
    expect(error(1) / error(2)).toBeGreaterThan(13)
    expect(error(1) / error(2)).toBeLessThan(19)
    expect(error(8)).toBeLessThan(2e-8)
  })
})
