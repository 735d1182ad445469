import * as THREE from 'three'
import type { MirrorHandle } from './handles'

/** Mirror planes on the stage: a wash of madder that things stand in, with an edge. */
export class MirrorPlanes {
  readonly root = new THREE.Group()
  private readonly wash = new THREE.MeshBasicMaterial({
    transparent: true,
    opacity: 0.1,
    side: THREE.DoubleSide,
    depthWrite: false,
  })
  private readonly edge = new THREE.LineBasicMaterial()

  show(mirrors: readonly MirrorHandle[], color: string): void {
    this.clear()
    this.wash.color.set(color)
    this.edge.color.set(color)
    for (const { corners } of mirrors) {
      const flat = corners.flatMap((c) => c.toArray())
      const face = new THREE.BufferGeometry().setAttribute('position', new THREE.Float32BufferAttribute(flat, 3))
      face.setIndex([0, 1, 2, 0, 2, 3])
      const rim = new THREE.BufferGeometry().setAttribute('position', new THREE.Float32BufferAttribute(flat, 3))
      const washed = new THREE.Mesh(face, this.wash)
      washed.renderOrder = 3
      this.root.add(washed, new THREE.LineLoop(rim, this.edge))
    }
  }

  private clear(): void {
    for (const child of [...this.root.children]) {
      this.root.remove(child)
      ;(child as THREE.Mesh).geometry.dispose()
    }
  }

  dispose(): void {
    this.clear()
    this.wash.dispose()
    this.edge.dispose()
  }
}
