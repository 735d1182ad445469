import * as THREE from 'three'
import type { MirrorHandle } from './handles'
import { letGoOfAll } from './letGo'

/** Mirror planes on the stage: a wash of madder that things stand in, with an edge. */
export class MirrorPlanes {
  readonly root = new THREE.Group()

  show(mirrors: readonly MirrorHandle[], color: string): void {
    letGoOfAll(this.root)
    for (const { corners } of mirrors) {
      const face = new THREE.BufferGeometry().setFromPoints([...corners])
      face.setIndex([0, 1, 2, 0, 2, 3])
      const wash = new THREE.MeshBasicMaterial({
        color,
        transparent: true,
        opacity: 0.1,
        side: THREE.DoubleSide,
        depthWrite: false,
      })
      const washed = new THREE.Mesh(face, wash)
      washed.renderOrder = 3
      const rim = new THREE.BufferGeometry().setFromPoints([...corners])
      this.root.add(washed, new THREE.LineLoop(rim, new THREE.LineBasicMaterial({ color })))
    }
  }
}
