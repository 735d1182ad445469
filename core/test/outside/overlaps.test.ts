import * as THREE from 'three'
import { OBB } from 'three/addons/math/OBB.js'
import { describe, expect, it } from 'vitest'
import { aPattern, aProject } from '../projects'
import { Bodies } from '../../src/clearing/bodies'
import { convexOf } from '../../src/parts/convex'
import { gapOf } from '../../src/clearing/gap'
import { InstanceTable } from '../../src/instances'
import { Evaluator } from '../../src/evaluate'
import { lookThrough } from '../../src/findings/lookThrough'
import type { Spots } from '../../src/layouts/spots/schema'
import type { Part } from '../../src/model/part'
import type { Solid } from '../../src/solids/schema'
import type { Vec3 } from '../../src/values/values'
import { type Quaternion, fromTurns } from '../../src/geometry/rotation'
import { anyTurn } from '../../src/steps/vary/varyRows'
import { minimalStandard } from '../shapes'

const partOf = (shape: Solid): Part => ({
  id: 'p',
  name: 'P',
  shape,
  look: { color: '#888888', roughness: 1, metal: 0 },
  // About its middle, as the formulas below have it.
  ...(shape.kind === 'box' && { frame: { pivot: [0, shape.height / 2, 0] as Vec3, up: 'top', front: 'front' } }),
})
const cube = partOf({ kind: 'box', width: 1, height: 1, depth: 1 })

/** Two copies of a part, the first at the origin. */
function pair(part: Part, at: Vec3, first: Quaternion, second: Quaternion, size: Vec3 = [1, 1, 1]): Bodies {
  const table = new InstanceTable()
  table.neutral(2)
  table.position.set(at, 3)
  table.quaternion.set(first, 0)
  table.quaternion.set(second, 4)
  table.scale.set(size, 3)
  const shape = convexOf(part, { parts: [part], meshes: new Map() })
  return new Bodies(table, () => shape)
}
const still: Quaternion = [0, 0, 0, 1]
const eighth = (axis: 0 | 1 | 2): Quaternion => fromTurns([0, 1, 2].map((i) => (i === axis ? Math.PI / 4 : 0)) as Vec3)

describe('how near convex shapes are', () => {
  it('O3: a unit cube and one turned by 45° about up touch at ½ + √½', () => {
    const touch = 0.5 + Math.SQRT1_2
    for (const [by, sign] of [
      [1e-6, 1],
      [-1e-6, -1],
    ])
      expect(Math.sign(gapOf(pair(cube, [touch + by, 0, 0], still, eighth(1)), 0, 1).gap)).toBe(sign)
  })

  it('O4: edge against edge they touch at √2; apart .5857864376, overlapping .0142135624 (three, rapier, manifold agree)', () => {
    const at = (x: number) => gapOf(pair(cube, [x, 0, 0], eighth(2), eighth(1)), 0, 1).gap
    expect(at(2)).toBeCloseTo(0.5857864376269049, 9)
    expect(at(1.4)).toBeCloseTo(-0.0142135624, 6)
    expect(Math.abs(at(Math.SQRT2))).toBeLessThan(1e-6)
  })

  it('O2: 20 000 random pairs of boxes: the separating axes of three 0.187 agree on all that are not within 1e-6 of touching', () => {
    const random = minimalStandard(5)
    let [hits, asked] = [0, 0]
    for (let i = 0; i < 20_000; i++) {
      const [q, r] = [anyTurn(random(), random(), random()), anyTurn(random(), random(), random())]
      const at: Vec3 = [3 * random() - 1.5, 3 * random() - 1.5, 3 * random() - 1.5]
      const size: Vec3 = [0.4 + random(), 0.4 + random(), 0.4 + random()]
      const { gap } = gapOf(pair(cube, at, q, r, size), 0, 1)
      if (Math.abs(gap) < 1e-6) continue
      const obb = (p: Vec3, s: Vec3, turn: Quaternion) => {
        const m = new THREE.Matrix3().setFromMatrix4(
          new THREE.Matrix4().makeRotationFromQuaternion(new THREE.Quaternion(...turn)),
        )
        return new OBB(new THREE.Vector3(...p), new THREE.Vector3(...s).multiplyScalar(0.5), m)
      }
      const touches = obb([0, 0, 0], [1, 1, 1], q).intersectsOBB(obb(at, size, r))
      expect(gap < 0).toBe(touches)
      hits += touches ? 1 : 0
      asked++
    }
    expect(hits / asked).toBeGreaterThan(0.2)
    expect(hits / asked).toBeLessThan(0.8)
  })

  it('round ones nearly in one place lie in each other by their width less what their middles are apart (closed form)', () => {
    const cylinder = partOf({ kind: 'cylinder', width: 1, height: 2 })
    for (const apart of [1e-4, 1e-3, 0.0128, 0.05, 0.3])
      for (const angle of [0, 0.7, 2])
        expect(
          gapOf(pair(cylinder, [apart * Math.cos(angle), 0, apart * Math.sin(angle)], still, still), 0, 1).gap,
        ).toBeCloseTo(apart - 1, 6)
  })

  it('O5: turned unit cubes whose middles lie in a box overlap as often as their mean excluded volume of 11 says (Blaschke, Santaló)', () => {
    const random = minimalStandard(11)
    const [side, tries] = [4, 20_000]
    let hits = 0
    for (let i = 0; i < tries; i++) {
      const at: Vec3 = [side * (random() - 0.5), side * (random() - 0.5), side * (random() - 0.5)]
      const [q, r] = [anyTurn(random(), random(), random()), anyTurn(random(), random(), random())]
      if (gapOf(pair(cube, at, q, r), 0, 1).gap < 0) hits++
    }
    // Standard error .0027 of the rate, .17 of the volume.
    expect((hits / tries) * side ** 3).toBeGreaterThan(11 - 0.6)
    expect((hits / tries) * side ** 3).toBeLessThan(11 + 0.6)
  })

  it('the least move that frees two bodies frees them: spheres, cylinders, cones, rounded boxes, capsules, tori, any turns and sizes', () => {
    const random = minimalStandard(17)
    const solids: Solid[] = [
      { kind: 'cylinder', width: 1, height: 0.8 },
      { kind: 'cone', width: 1, top: 0.2, height: 1 },
      { kind: 'roundedBox', width: 1, height: 0.6, depth: 0.8, radius: 0.15 },
      { kind: 'capsule', width: 0.5, height: 1.2 },
      { kind: 'torus', width: 1, thickness: 0.3 },
      { kind: 'sphere', width: 1 },
    ]
    for (const solid of solids) {
      for (let i = 0; i < 60; i++) {
        const at: Vec3 = [random() - 0.5, random() - 0.5, random() - 0.5]
        const [q, r] = [anyTurn(random(), random(), random()), anyTurn(random(), random(), random())]
        const bodies = pair(partOf(solid), at, q, r, [0.8 + random(), 0.8, 1])
        const { gap, x, y, z } = { ...gapOf(bodies, 0, 1) }
        if (gap >= 0) continue
        for (const [k, way] of [x, y, z].entries()) bodies.position[3 + k] -= way * (gap - 1e-3)
        expect(gapOf(bodies, 0, 1).gap).toBeGreaterThan(0)
        expect(gapOf(bodies, 0, 1).gap).toBeLessThan(3e-3)
      }
    }
  })
})

describe('overlaps between patterns', () => {
  it('are those that the separating axes of three 0.187 find among all pairs of 2 000 boxes in ten patterns', () => {
    const random = minimalStandard(11)
    const [patterns, each] = [10, 200]
    const project = aProject(
      [cube],
      ...Array.from({ length: patterns }, (_, p) => {
        const spots = Array.from({ length: each }, (_, slot) => ({
          slot,
          move: [12 * random(), 12 * random(), 12 * random()] as Vec3,
          turn: [...anyTurn(random(), random(), random())] as [number, number, number, number],
          size: [0.3 + random(), 0.3 + random(), 0.3 + random()] as Vec3,
        }))
        return aPattern({ kind: 'spots', spots }, ['p'], { id: `pattern-${p}`, name: `Pattern ${p}` })
      }),
    )
    const found = lookThrough(project, new Map(), new Evaluator().evaluate(project, new Map()))
    const told = found.filter(({ what }) => what === 'between').reduce((n, { count }) => n + count, 0)

    /** The boxes, each so much smaller or larger on all sides: what touches to within that is anybody's to tell. */
    const boxes = (by: number) =>
      project.patterns.map(({ layout }) =>
        (layout as Spots).spots.map(({ move, turn, size }) => {
          const half = new THREE.Vector3(...(size as Vec3)).multiplyScalar(0.5).addScalar(by)
          const axes = new THREE.Matrix3().setFromMatrix4(
            new THREE.Matrix4().makeRotationFromQuaternion(new THREE.Quaternion(...turn!)),
          )
          return new OBB(new THREE.Vector3(...move), half, axes)
        }),
      )
    const overlapping = (by: number): number => {
      const all = boxes(by)
      let count = 0
      for (let a = 0; a < patterns; a++)
        for (let b = a + 1; b < patterns; b++)
          for (const one of all[a]) for (const other of all[b]) if (one.intersectsOBB(other)) count++
      return count
    }
    const [least, most] = [overlapping(-2e-5), overlapping(2e-5)]
    expect(least).toBeGreaterThan(500)
    expect(most - least).toBeLessThan(5)
    expect(told).toBeGreaterThanOrEqual(least)
    expect(told).toBeLessThanOrEqual(most)
  })
})
