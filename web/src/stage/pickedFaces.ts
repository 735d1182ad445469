import type { Mesh } from '@hilera/core/geometry/mesh'
import * as THREE from 'three'

/** Some triangles of a mesh as a colour over its surface, drawn just before it. */
export function pickedFaces(mesh: Mesh, picked: ReadonlySet<number>, color: string): THREE.Mesh {
  const geometry = new THREE.BufferGeometry().setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3))
  geometry.setIndex([...picked].flatMap((t) => [...mesh.indices.subarray(3 * t, 3 * t + 3)]))
  const material = new THREE.MeshBasicMaterial({
    color,
    transparent: true,
    opacity: 0.55,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: -1,
    polygonOffsetUnits: -1,
  })
  return new THREE.Mesh(geometry, material)
}
