import * as THREE from 'three'

/**
 * Takes all that stands in a group out of it and frees what it holds on the graphics card: geometries, materials with their
 * pictures, the places of instances, shadow maps. What is shared with something that is still shown must not be in it.
 */
export function letGoOfAll(group: THREE.Object3D): void {
  group.traverse((thing) => {
    if (thing === group) return
    if ('geometry' in thing && thing.geometry instanceof THREE.BufferGeometry) thing.geometry.dispose()
    if ('material' in thing) letGoOfMaterial(thing.material as THREE.Material | THREE.Material[])
    if (thing instanceof THREE.InstancedMesh || thing instanceof THREE.Light) thing.dispose()
  })
  group.clear()
}

/** Frees materials and the pictures on them. */
export function letGoOfMaterial(material: THREE.Material | THREE.Material[]): void {
  for (const one of [material].flat()) {
    if ('map' in one && one.map instanceof THREE.Texture) one.map.dispose()
    one.dispose()
  }
}
