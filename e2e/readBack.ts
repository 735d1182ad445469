import * as THREE from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'

export interface PlacedCopy {
  readonly mesh: string
  readonly position: readonly [number, number, number]
  readonly quaternion: readonly [number, number, number, number]
  readonly scale: readonly [number, number, number]
}

// The loader asks for these when it runs outside a browser.
Object.assign(globalThis, { self: globalThis, ProgressEvent: class {} })

/** An exported file as three's own loader reads it, with its animations. */
export const loaded = (bytes: Uint8Array) => new GLTFLoader().parseAsync(bytes.slice().buffer, '')

/** The copies of an exported file as three's own loader places them in the world, in the order of the file. */
export async function copiesIn(bytes: Uint8Array): Promise<PlacedCopy[]> {
  const { scene } = await loaded(bytes)
  scene.updateMatrixWorld(true)
  const copies: PlacedCopy[] = []
  const add = (mesh: string, matrix: THREE.Matrix4): void => {
    const [p, q, s] = [new THREE.Vector3(), new THREE.Quaternion(), new THREE.Vector3()]
    matrix.decompose(p, q, s)
    copies.push({
      mesh,
      position: p.toArray(),
      quaternion: q.toArray() as [number, number, number, number],
      scale: s.toArray(),
    })
  }
  scene.traverse((object) => {
    if (object instanceof THREE.InstancedMesh) {
      const own = new THREE.Matrix4()
      for (let i = 0; i < object.count; i++) {
        object.getMatrixAt(i, own)
        add(object.name, own.clone().premultiply(object.matrixWorld))
      }
    } else if (object instanceof THREE.Mesh && !(object.parent instanceof THREE.Group && object.parent.userData.seen)) {
      // A mesh of several looks arrives as a group of meshes: it is one copy.
      if (
        object.parent &&
        object.parent.children.every((c) => c instanceof THREE.Mesh) &&
        object.parent.children.length > 1 &&
        object.parent.type === 'Group'
      )
        object.parent.userData.seen = true
      add(object.parent?.userData.seen ? object.parent.name : object.name, object.matrixWorld)
    }
  })
  return copies
}
