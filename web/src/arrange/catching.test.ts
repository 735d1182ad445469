import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import type { Hit } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'
import { caughtBy } from './catching'

/** A view from above, 1000 pixels to the metre. */
const viewer = {
  canvas: { getBoundingClientRect: () => ({ left: 0, top: 0 }) },
  toScreen: (p: THREE.Vector3) => ({ x: 1000 * p.x, y: 1000 * p.z, seen: true }),
  ray: (x: number, y: number) => new THREE.Ray(new THREE.Vector3(x / 1000, 1, y / 1000), new THREE.Vector3(0, -1, 0)),
} as unknown as Viewer

/** The top of a box, 200 mm square, 100 mm high; its pivot stands under the middle. */
const corners = [
  [-0.1, 0.1, -0.1],
  [0.1, 0.1, -0.1],
  [0.1, 0.1, 0.1],
  [-0.1, 0.1, 0.1],
]
const edges = Float32Array.from(corners.flatMap((c, i) => [...c, ...corners[(i + 1) % 4]]))
const hit: Hit = {
  patternId: 'p',
  row: 0,
  distance: 0.9,
  normal: new THREE.Vector3(0, 1, 0),
  part: 0,
  matrix: new THREE.Matrix4(),
  edges: () => edges,
  middle: () => undefined,
}
const pivot: [number, number, number] = [0, 0, 0]
const caught = (x: number, y: number): number[] =>
  caughtBy(hit, viewer, x, y, pivot).at.map((n) => Math.round(n * 1e6) / 1e6)

describe('a click on a copy', () => {
  it('lands where it was clicked, on its face', () => expect(caught(40, -30)).toEqual([0.04, 0.1, -0.03]))
  it('catches a corner that is near', () => expect(caught(92, 95)).toEqual([0.1, 0.1, 0.1]))
  it('catches an edge that is near, at the place beside the click', () =>
    expect(caught(-94, 20)).toEqual([-0.1, 0.1, 0.02]))
  it('catches the middle of an edge, and only what is wanted', () => {
    expect(caughtBy(hit, viewer, 3, 97, pivot)).toEqual({ at: [0, 0.1, 0.1], what: 'middles' })
    expect(caughtBy(hit, viewer, 92, 95, pivot, (what) => what === 'edges').what).toBe('edges')
    expect(caughtBy(hit, viewer, 92, 95, pivot, () => false)).toEqual({ at: [0.092, 0.1, 0.095], what: 'faces' })
  })
  it('catches the middle of the face that was hit, seen beside the pivot', () => {
    const aside: [number, number, number] = [0.05, 0, 0.05]
    const middle = () => new THREE.Vector3(0, 0.1, 0)
    expect(caughtBy({ ...hit, middle }, viewer, 5, -6, aside)).toEqual({ at: [0, 0.1, 0], what: 'centres' })
    expect(caughtBy(hit, viewer, 5, -6, aside).what).toBe('faces')
  })
  it('of edges that a flat view shows as one the nearer one is caught', () => {
    const lower = Float32Array.from(edges, (n, i) => (i % 3 === 1 ? 0 : n))
    const both = { ...hit, edges: () => Float32Array.from([...lower, ...edges, ...lower]) }
    for (const [x, y] of [
      [3, 97],
      [92, 95],
      [-94, 20],
    ])
      expect(caughtBy(both, viewer, x, y, pivot)).toEqual(caughtBy(hit, viewer, x, y, pivot))
  })
  it('catches the pivot that is near', () => expect(caught(5, 6)).toEqual([0, 0, 0]))
})
