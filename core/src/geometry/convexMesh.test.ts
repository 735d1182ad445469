import * as THREE from 'three'
import { expect, it } from 'vitest'
import { isConvex } from './convexMesh'
import type { Mesh } from './mesh'

const meshOf = (geometry: THREE.BufferGeometry): Mesh => {
  const positions = Float32Array.from(geometry.getAttribute('position').array)
  return { positions, normals: positions, sections: [], indices: Uint32Array.from(geometry.index!.array) }
}

it.each([
  ['box', new THREE.BoxGeometry(1, 2, 3), true],
  ['ball', new THREE.SphereGeometry(0.3, 24, 16), true],
  ['cylinder', new THREE.CylinderGeometry(0.2, 0.3, 1, 20), true],
  ['ring', new THREE.TorusGeometry(1, 0.3, 12, 30), false],
  ['knot', new THREE.TorusKnotGeometry(1, 0.2, 90, 10), false],
  ['bowl', new THREE.SphereGeometry(0.3, 24, 16, 0, 2 * Math.PI, 1, 1).scale(1, -1, 1), false],
])('a %s is told to be convex or not', (_, geometry, is) => {
  expect(isConvex(meshOf(geometry))).toBe(is)
})
