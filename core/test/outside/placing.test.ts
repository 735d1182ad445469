import fc from 'fast-check'
import { BoxGeometry, Matrix4, Quaternion, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { describe, expect, it } from 'vitest'
import { aPattern, aProject } from '../projects'
import { Evaluator, thingsIn } from '../../src/evaluate'
import type { Spot } from '../../src/layouts/spots/schema'
import { fitCircle } from '../../src/geometry/fitCircle'
import type { Part } from '../../src/model/part'
import { type Mark, angleBetween, measure } from '../../src/placing/measure'

/** Unit boxes, balls and capsules of the same sizes here and there. */
const look = { color: '#808080', roughness: 0.5, metal: 0 }
const parts: Part[] = [
  { id: 'box', name: 'box', shape: { kind: 'box', width: 1, height: 1, depth: 1 }, look },
  { id: 'ball', name: 'ball', shape: { kind: 'sphere', width: 1 }, look },
  { id: 'capsule', name: 'capsule', shape: { kind: 'capsule', width: 0.6, height: 2 }, look },
]

const n = fc.double({ min: -1, max: 1, noNaN: true })
const turn = fc
  .tuple(n, n, n, n)
  .filter((q) => Math.hypot(...q) > 0.1)
  .map((q) => q.map((v) => v / Math.hypot(...q)) as [number, number, number, number])
const spot = fc.record({ at: fc.tuple(n, n, n), turn, part: fc.constantFrom('box', 'ball') })

function measured(a: Omit<Spot, 'slot'>, b: Omit<Spot, 'slot'>, byMesh = false) {
  const project = aProject(
    parts,
    aPattern(
      {
        kind: 'spots',
        spots: [
          { ...a, slot: 0 },
          { ...b, slot: 1 },
        ],
      },
      ['box'],
      { id: 'p' },
    ),
  )
  const outcomes = new Evaluator().evaluate(project, new Map())
  const mark = (slot: string): Mark => ({ at: [0, 0, 0], of: { is: 'copy', pattern: 'p', slot } })
  const around = { project, outcomes, source: { parts, meshes: new Map() }, ...thingsIn(project, new Map(), outcomes) }
  return measure(around, mark('0'), mark('1'), byMesh)
}
const clearOf = (all: ReturnType<typeof measured>): number => {
  const found = all.find((m) => m.kind === 'clear')!.says
  return 'length' in found ? found.length : NaN
}

describe('the free distance between surfaces', () => {
  it('between balls is that of their middles less their radii (closed form)', () => {
    fc.assert(
      fc.property(fc.tuple(n, n, n), (at) => {
        const d = Math.hypot(...at.map((v) => 3 * v))
        fc.pre(d > 1.001)
        const all = measured(
          { move: [0, 0, 0], part: 'ball' },
          { move: at.map((v) => 3 * v) as [number, number, number], part: 'ball' },
        )
        expect(Math.abs(clearOf(all) - (d - 1))).toBeLessThan(1e-6)
      }),
      { numRuns: 3000 },
    )
  })

  it('between boxes, and boxes and balls, as three-mesh-bvh has it between their triangles, to 1e-6', () => {
    const box = new BoxGeometry(1, 1, 1).translate(0, 0.5, 0)
    const tree = new MeshBVH(box)
    fc.assert(
      fc.property(spot, spot, (a, b) => {
        const far = { ...b, at: b.at.map((v, i) => 2 * v + (i === 0 ? 3 : 0)) as [number, number, number] }
        const [pa, pb] = [a, far].map(({ at, turn: q, part }) => ({ move: at, turn: q, part }))
        const told = clearOf(measured(pa, pb))
        const matrix = ({ move, turn: q }: typeof pa): Matrix4 =>
          new Matrix4().compose(new Vector3(...move), new Quaternion(...q), new Vector3(1, 1, 1))
        const toA = matrix(pa).invert()
        // A ball is the ball about a place: its distance is that of the place less its radius.
        const boxes = [pa, pb].map((p) => p.part === 'box')
        if (!boxes[0] && !boxes[1]) return
        let expected: number
        if (boxes[0] && boxes[1]) {
          const between = toA.multiply(matrix(pb))
          expected = tree.closestPointToGeometry(box, between, undefined, undefined)!.distance
          // Of triangles in one plane the peer may say that they meet, 2 m apart: balls about both boxes tell that it errs.
          const middle = new Vector3(0, 0.5, 0).applyMatrix4(between)
          if (expected === 0 && middle.distanceTo(new Vector3(0, 0.5, 0)) > Math.sqrt(3)) return
        } else {
          const [own, ball] = boxes[0] ? [pa, pb] : [pb, pa]
          const middle = new Vector3(0, 0.5, 0).applyMatrix4(matrix(ball)).applyMatrix4(matrix(own).invert())
          expected = tree.closestPointToPoint(middle)!.distance - 0.5
        }
        // Between triangles no distance is below 0.
        expect(Math.abs(Math.max(told, 0) - Math.max(expected, 0))).toBeLessThan(1e-6)
      }),
      { numRuns: 1500 },
    )
  })

  // The nearest places of two segments: Ericson, Real-Time Collision Detection (2005), 5.1.9.
  it('between capsules is that of their centre lines less their radii', () => {
    const line = ({ at, turn: q }: { at: readonly number[]; turn: readonly number[] }): [Vector3, Vector3] => {
      const ends = [0.3, 1.7].map((y) =>
        new Vector3(0, y, 0).applyQuaternion(new Quaternion(...(q as [number, number, number, number]))),
      )
      return ends.map((e) => e.add(new Vector3(...(at as [number, number, number])))) as [Vector3, Vector3]
    }
    const clamped = (t: number): number => Math.min(1, Math.max(0, t))
    const between = ([a, b]: [Vector3, Vector3], [c, d]: [Vector3, Vector3]): number => {
      const [u, v, w] = [b.clone().sub(a), d.clone().sub(c), a.clone().sub(c)]
      const [uu, uv, vv, uw, vw] = [u.dot(u), u.dot(v), v.dot(v), u.dot(w), v.dot(w)]
      const square = uu * vv - uv * uv
      let s = square > 1e-12 ? clamped((uv * vw - vv * uw) / square) : 0
      let t = (uv * s + vw) / vv
      if (t < 0 || t > 1) {
        t = clamped(t)
        s = clamped((uv * t - uw) / uu)
      }
      return a.clone().addScaledVector(u, s).distanceTo(c.clone().addScaledVector(v, t))
    }
    fc.assert(
      fc.property(spot, spot, (a, b) => {
        const far = { ...b, at: b.at.map((v, i) => 2 * v + (i === 0 ? 2 : 0)) }
        const expected = between(line(a), line(far)) - 0.6
        fc.pre(expected > 1e-3)
        const [one, other] = [a, far].map(({ at, turn: q }) => ({
          move: at as [number, number, number],
          turn: q,
          part: 'capsule',
        }))
        expect(Math.abs(clearOf(measured(one, other)) - expected)).toBeLessThan(1e-6)
      }),
      { numRuns: 1500 },
    )
  })

  it('by exact meshes it is that between the triangles that are drawn', () => {
    const ball = measured({ move: [0, 0, 0], part: 'ball' }, { move: [1.5, 0, 0], part: 'box' }, true)
    const outline = measured({ move: [0, 0, 0], part: 'ball' }, { move: [1.5, 0, 0], part: 'box' })
    expect(clearOf(outline)).toBeCloseTo(0.5, 9)
    // A drawn ball lies inside the true one.
    expect(clearOf(ball)).toBeGreaterThanOrEqual(clearOf(outline) - 1e-9)
    expect(clearOf(ball) - clearOf(outline)).toBeLessThan(0.01)
  })
})

describe('angles between faces (Coxeter, Regular Polytopes, table I)', () => {
  const phi = (1 + Math.sqrt(5)) / 2
  it.each([
    [
      'tetrahedron',
      [
        [1, 1, 1],
        [-1, -1, 1],
      ],
      70.5288,
    ],
    [
      'octahedron',
      [
        [1, 1, 1],
        [-1, 1, 1],
      ],
      109.4712,
    ],
    [
      'dodecahedron',
      [
        [0, 1, phi],
        [0, -1, phi],
      ],
      116.5651,
    ],
  ] as const)('of a %s', (_, [a, b], degrees) => {
    // The angle inside, between the faces, is what the normals lack to a half turn.
    const inside = ((Math.PI - angleBetween(a, b)) * 180) / Math.PI
    expect(inside).toBeCloseTo(degrees, 4)
  })
})

describe('the circle that fits places', () => {
  // Gander, Golub, Strebel, Least-squares fitting of circles and ellipses, BIT 34 (1994), their six points; values from memory.
  it('is the one of the worked example', () => {
    const { centre, radius } = fitCircle([[1, 7], [2, 6], [5, 8], [7, 7], [9, 5], [3, 7]])! // prettier-ignore
    expect(centre[0]).toBeCloseTo(4.7398, 4)
    expect(centre[1]).toBeCloseTo(2.9835, 4)
    expect(radius).toBeCloseTo(4.7142, 4)
  })
})
