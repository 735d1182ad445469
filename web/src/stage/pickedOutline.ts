import * as THREE from 'three'

/**
 * The outlines of what is picked, over everything else. The lines stand in the scene from the start, with nothing in them:
 * their program is built with the first picture and not with the first pick, which it would hold up by half a second.
 */
export class PickedOutline {
  private readonly material = new THREE.LineBasicMaterial({ depthTest: false, transparent: true })
  readonly lines = new THREE.LineSegments(new THREE.BufferGeometry(), this.material)

  constructor() {
    this.lines.renderOrder = 5
    this.lines.frustumCulled = false
    this.show(undefined)
  }

  /** @param edges pairs of points in the world; nothing is drawn where it is undefined */
  show(edges: Float32Array | undefined): void {
    this.lines.geometry.dispose()
    this.lines.geometry = new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.BufferAttribute(edges ?? new Float32Array(0), 3),
    )
  }

  setColor(color: string): void {
    this.material.color.set(color)
  }
}
