import * as THREE from 'three'
import { COMPLETING } from './copies/drawnBatch'

const DAY_SKY = 1.75
const DAY_SUN = 2.1

/** Soft daylight from the left, and the paper on which shadows fall. */
export class Daylight {
  readonly root = new THREE.Group()
  private readonly sky = new THREE.HemisphereLight('#ffffff', '#d9c9a8', DAY_SKY)
  private readonly sun = new THREE.DirectionalLight('#fff4e2', DAY_SUN)
  private readonly paper = new THREE.Mesh(
    new THREE.PlaneGeometry(1, 1),
    new THREE.ShadowMaterial({ color: '#3c301c', opacity: 0.16 }),
  )

  constructor(private readonly fine: boolean) {
    this.root.add(this.sky, this.sun, this.sun.target)
    // They shine on what completes a picture as well.
    for (const lamp of [this.sky, this.sun]) lamp.layers.enable(COMPLETING)
    this.paper.rotation.x = -Math.PI / 2
    this.paper.receiveShadow = true
    if (fine) this.root.add(this.paper)
    this.sun.castShadow = fine
    this.sun.shadow.mapSize.set(2048, 2048)
    this.sun.shadow.radius = 5
    this.sun.shadow.normalBias = 0.002
  }

  /** By night only so much is left that things do not vanish. */
  setNight(night: boolean): void {
    this.sky.intensity = night ? 0.16 : DAY_SKY
    this.sun.intensity = night ? 0 : DAY_SUN
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
