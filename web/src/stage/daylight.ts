import * as THREE from 'three'

/** Soft daylight from the left, and the paper on which shadows fall. */
export class Daylight {
  readonly root = new THREE.Group()
  private readonly sun = new THREE.DirectionalLight('#fff4e2', 2.1)
  private readonly paper = new THREE.Mesh(
    new THREE.PlaneGeometry(1, 1),
    new THREE.ShadowMaterial({ color: '#3c301c', opacity: 0.16 }),
  )

  constructor(private readonly fine: boolean) {
    this.root.add(new THREE.HemisphereLight('#ffffff', '#d9c9a8', 1.75), this.sun, this.sun.target)
    this.paper.rotation.x = -Math.PI / 2
    this.paper.receiveShadow = true
    if (fine) this.root.add(this.paper)
    this.sun.castShadow = fine
    this.sun.shadow.mapSize.set(2048, 2048)
    this.sun.shadow.radius = 5
    this.sun.shadow.normalBias = 0.002
  }

  /** Fits the light to what is on the stage. */
  cover(box: THREE.Box3): void {
    if (!this.fine || box.isEmpty()) return
    const sphere = box.getBoundingSphere(new THREE.Sphere())
    const r = Math.max(sphere.radius, 0.05)
    const { sun, paper } = this
    sun.position.copy(sphere.center).add(new THREE.Vector3(-0.9, 2.2, 0.8).normalize().multiplyScalar(3 * r))
    sun.target.position.copy(sphere.center)
    sun.target.updateMatrixWorld()
    Object.assign(sun.shadow.camera, {
      left: -1.3 * r,
      right: 1.3 * r,
      top: 1.3 * r,
      bottom: -1.3 * r,
      near: r,
      far: 6 * r,
    })
    sun.shadow.camera.updateProjectionMatrix()
    sun.shadow.normalBias = r * 0.004
    paper.position.set(sphere.center.x, Math.min(box.min.y, 0) - 1e-4 * r, sphere.center.z)
    paper.scale.setScalar(8 * r)
  }
}
