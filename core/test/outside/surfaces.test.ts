import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { surfaceOf } from '../../src/geometry/closed'
import type { Mesh } from '../../src/geometry/mesh'

/** A solid of three's as a mesh; without an index each face has corners of its own. */
function meshOf(geometry: THREE.BufferGeometry): Mesh {
  const positions = Float32Array.from(geometry.getAttribute('position').array)
  const indices = Uint32Array.from(geometry.index?.array ?? Array.from({ length: positions.length / 3 }, (_, i) => i))
  return { positions, normals: new Float32Array(positions.length), indices, sections: [] }
}
const withFaces = (mesh: Mesh, keep: (face: number) => boolean, turn = false): Mesh => ({
  ...mesh,
  indices: Uint32Array.from(
    Array.from({ length: mesh.indices.length / 3 }, (_, f) => f)
      .filter(keep)
      .flatMap((f) => {
        const [a, b, c] = mesh.indices.subarray(3 * f, 3 * f + 3)
        return turn ? [a, c, b] : [a, b, c]
      }),
  ),
})

/** Closed surfaces have an Euler characteristic of 2 − 2 × handles (Euler 1758, L'Huilier 1813). */
describe('M4: surfaces of solids by another library', () => {
  const closed: [string, THREE.BufferGeometry, number][] = [
    ['box', new THREE.BoxGeometry(1, 2, 3, 3, 2, 4), 2],
    ['ball', new THREE.SphereGeometry(0.3, 24, 16), 2],
    ['cylinder', new THREE.CylinderGeometry(0.2, 0.3, 1, 20, 3), 2],
    ['cone', new THREE.ConeGeometry(0.2, 1, 20), 2],
    ['tetrahedron', new THREE.TetrahedronGeometry(1), 2],
    ['icosahedron, divided', new THREE.IcosahedronGeometry(1, 3), 2],
    ['ring', new THREE.TorusGeometry(1, 0.3, 12, 30), 0],
    ['knot', new THREE.TorusKnotGeometry(1, 0.2, 90, 10), 0],
  ]
  it.each(closed)('%s is closed', (_, geometry, euler) => {
    const surface = surfaceOf(meshOf(geometry))
    expect(surface).toMatchObject({ open: 0, wrong: 0, flat: 0, euler })
    expect(surface.volume).toBeGreaterThan(0)
  })

  it.each(closed)('%s inside out encloses less than nothing', (_, geometry) => {
    const mesh = meshOf(geometry)
    const [surface, turned] = [surfaceOf(mesh), surfaceOf(withFaces(mesh, () => true, true))]
    expect(turned).toMatchObject({ open: 0, wrong: 0 })
    expect(turned.volume).toBeCloseTo(-surface.volume, 9)
  })

  it.each(closed)('%s without a face is open along its three edges', (_, geometry) => {
    expect(surfaceOf(withFaces(meshOf(geometry), (f) => f !== 7 % 4)).open).toBe(3)
  })

  it.each(closed)('%s with one face turned is wound wrongly along its three edges', (_, geometry) => {
    const mesh = meshOf(geometry)
    const [a, b, c] = mesh.indices
    const indices = Uint32Array.from(mesh.indices)
    indices.set([a, c, b])
    expect(surfaceOf({ ...mesh, indices })).toMatchObject({ open: 0, wrong: 3 })
  })

  it('open solids are open along their rims', () => {
    expect(surfaceOf(meshOf(new THREE.CylinderGeometry(0.2, 0.2, 1, 20, 1, true))).open).toBe(2 * 20)
    expect(surfaceOf(meshOf(new THREE.PlaneGeometry(1, 1, 4, 3)))).toMatchObject({ open: 2 * (4 + 3), euler: 1 })
  })

  it('faces without an area are counted: corners at one place, and corners on one line', () => {
    const positions = Float32Array.from([0, 0, 0, 1, 0, 0, 0.5, 0, 0, 0, 1, 0])
    const mesh = { positions, normals: positions, sections: [], indices: Uint32Array.from([0, 1, 2, 0, 0, 3, 0, 1, 3]) }
    expect(surfaceOf(mesh).flat).toBe(2)
  })
})
