import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aPattern, aProject, ball, box } from '../projects'
import { Evaluator } from '../../src/evaluate'
import { groundSourceOf } from '../../src/evaluation/resting'
import { type GroundShape, surfaceOf } from '../../src/grounds/index'
import { newPlace } from '../../src/grounds/surface'
import type { Ground } from '../../src/model/ground'
import type { Part } from '../../src/model/part'
import { pictureMesh } from '../../src/parts/pictureMesh'
import { type MeshLibrary, pictureKey } from '../../src/parts/partMesh'
import { PGM, writePgm } from '../../src/pictures/pgm'
import type { Settle } from '../../src/steps/settle/schema'
import type { Vec3 } from '../../src/values/values'

const ground = (id: string, shape: GroundShape, change: Partial<Ground> = {}): Ground => ({
  id,
  name: id,
  shape,
  move: [0, 0, 0],
  turn: 0,
  hidden: false,
  ...change,
})
const settling = (on: readonly string[], change: Partial<Settle> = {}): Settle => ({
  kind: 'settle',
  id: 'settle',
  on: on.map((id) => ({ kind: 'ground', ground: id })),
  which: 'topmost',
  stands: 'upright',
  limit: 0.2,
  by: 'outline',
  above: 0,
  ...change,
})
/** Where one copy on a spot comes to rest. */
function settled(
  part: Part,
  move: Vec3,
  grounds: Ground[],
  step: Settle,
  more: Part[] = [],
  meshes: MeshLibrary = new Map(),
) {
  const pattern = aPattern({ kind: 'spots', spots: [{ slot: 0, move }] }, [part.id], { steps: [step] })
  const [{ table, problem }] = new Evaluator().evaluate({ ...aProject([part, ...more], pattern), grounds }, meshes)
  expect(problem).toBeUndefined()
  return table.placingOf(0)
}
const n = fc.double({ min: -0.9, max: 0.9, noNaN: true })

describe('heights and normals', () => {
  it('of a paraboloid are a r² and (−2 a x, 1, −2 a z), to 1e-12 (closed form)', () => {
    const a = 0.2
    const surface = surfaceOf({ kind: 'dish', width: 2, rim: a }, groundSourceOf({ parts: [], meshes: new Map() }))!
    const place = newPlace()
    fc.assert(
      fc.property(n, n, (x, z) => {
        fc.pre(x * x + z * z < 1)
        expect(surface.at(x, z, place)).toBe(true)
        const length = Math.hypot(2 * a * x, 1, 2 * a * z)
        const expected = [a * (x * x + z * z), (-2 * a * x) / length, 1 / length, (-2 * a * z) / length]
        expected.forEach((want, i) => expect(Math.abs(place[i] - want)).toBeLessThan(1e-12))
      }),
    )
    expect(surface.at(0.8, 0.8, place)).toBe(false)
  })
  it.each([
    ['bytes', 255, Uint8Array.of(0, 51, 102, 153, 204, 255)],
    ['two bytes', 65_535, Uint16Array.of(0, 13_107, 26_214, 39_321, 52_428, 65_535)],
    ['two bytes of another white', 1000, Uint16Array.of(0, 200, 400, 600, 800, 1000)],
  ])(
    'of a picture of %s are those of its pixels at their middles, and straight between them (known bitmap)',
    (_, most, values) => {
      const file = 'a'.repeat(64)
      const meshes = new Map([[pictureKey(file), pictureMesh(writePgm({ width: 3, height: 2, values, most }), PGM)]])
      const shape: GroundShape = { kind: 'heights', file, fileName: 'h.png', width: 2, depth: 1, low: 0, high: 1 }
      const surface = surfaceOf(shape, groundSourceOf({ parts: [], meshes }))!
      const place = newPlace()
      const height = (x: number, z: number): number => (surface.at(x, z, place) ? place[0] : NaN)
      expect([height(-1, -0.5), height(0, -0.5), height(1, -0.5)]).toEqual([0, 0.2, 0.4])
      expect(height(1, 0.5)).toBe(1)
      expect(height(-0.5, -0.5)).toBeCloseTo(0.1, 12)
      expect(height(0.5, 0.5)).toBeCloseTo(0.9, 12)
      expect(height(1.01, 0)).toBeNaN()
    },
  )
})

describe('by its outline', () => {
  it('a ball comes to rest in a groove of two slopes with its middle r / cos of their angle above its bottom (closed form)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1.3, noNaN: true }),
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        (angle, r) => {
          const rise = 2 * Math.tan(angle)
          const slope: GroundShape = { kind: 'slope', width: 4, depth: 2, rise }
          // One rises to the back from z = 0, the other to the front.
          const back = ground('back', slope, { move: [0, 0, -1] })
          const front = ground('front', slope, { move: [0, 0, 1], turn: Math.PI })
          const { move } = settled(ball('b', 2 * r), [0, 3, 0], [back, front], settling(['back', 'front']))
          expect(Math.abs(move[1] + r - r / Math.cos(angle))).toBeLessThan(1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a ball in a funnel of flat sides touches each of them (closed form by the middle of a side)', () => {
    const sides = 24
    const funnel: Part = {
      ...box('funnel', 1),
      shape: {
        kind: 'lathe',
        profile: [
          { radius: 0, height: 0 },
          { radius: 1, height: 1 },
        ],
      },
      form: { segments: sides },
    }
    const r = 0.25
    const { move } = settled(
      ball('b', 2 * r),
      [0, 3, 0],
      [ground('g', { kind: 'part', part: 'funnel' })],
      settling(['g']),
      [funnel],
    )
    // A side rises by 1 over the distance of its middle from the axis.
    const slope = 1 / Math.cos(Math.PI / sides)
    // Corners of the mesh are singles.
    expect(Math.abs(move[1] + r - r * Math.hypot(slope, 1))).toBeLessThan(3e-7)
  })
  it('a ball in a paraboloid wider than it is rests on its bottom, on a mound on its top (closed form)', () => {
    for (const rim of [0.2, -0.2]) {
      const { move } = settled(
        ball('b', 0.3),
        [0, 1, 0],
        [ground('g', { kind: 'dish', width: 2, rim })],
        settling(['g']),
      )
      expect(Math.abs(move[1])).toBeLessThan(1e-9)
    }
  })
  it('a box upright on a round hill touches it with the edge nearest to the top (closed form)', () => {
    // On the mound y = −a r², a box beside the top touches at the place of its base that is nearest to the axis.
    const a = 0.2
    const { move } = settled(
      box('b', 0.2),
      [0.5, 1, 0],
      [ground('g', { kind: 'dish', width: 2, rim: -a })],
      settling(['g']),
    )
    expect(Math.abs(move[1] - -a * 0.4 * 0.4)).toBeLessThan(1e-9)
  })
  it('what bends more than the ball touches it on a rim: the deepest place free of it is where the distance is the radius', () => {
    // In a narrow paraboloid y = r²/(2 p), p below the ball's radius, the middle stands R²/(2p) + p/2 above its bottom (closed form).
    const [p, radius] = [0.05, 0.1]
    const { move } = settled(
      ball('b', 2 * radius),
      [0, 1, 0],
      [ground('g', { kind: 'dish', width: 1, rim: 0.25 / (2 * p) })],
      settling(['g']),
    )
    expect(Math.abs(move[1] + radius - (radius * radius + p * p) / (2 * p))).toBeLessThan(1e-8)
  })
})
