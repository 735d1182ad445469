import type { LengthUnit } from '@hilera/core/numbers/units'
import * as THREE from 'three'
import type { Viewer } from './viewer'
import { niceStep } from '@hilera/core/numbers/niceStep'
import { hiddenAxis } from './views'

const HALF = 40

/** The dots on the paper, at a step that suits how near one is. */
export class Dots {
  readonly points: THREE.Points
  step = 0.1
  private readonly material = new THREE.PointsMaterial({
    size: 1.8,
    sizeAttenuation: false,
    transparent: true,
    depthWrite: false,
    vertexColors: true,
  })

  constructor() {
    const at: number[] = []
    const shades: number[] = []
    for (let i = -HALF; i <= HALF; i++) {
      for (let j = -HALF; j <= HALF; j++) {
        const away = Math.hypot(i, j) / HALF
        if (away >= 1) continue
        at.push(i, 0, j)
        // They fade with distance, so that the horizon does not fill with them.
        shades.push(1, 1, 1, 0.55 * (1 - away) ** 1.5)
      }
    }
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(at, 3))
    geometry.setAttribute('color', new THREE.Float32BufferAttribute(shades, 4))
    this.points = new THREE.Points(geometry, this.material)
    this.points.frustumCulled = false
    this.points.renderOrder = -1
  }

  setColor(color: string): void {
    this.material.color.set(color)
  }

  follow(viewer: Viewer, unit: LengthUnit): void {
    const target = viewer.controls.getTarget(new THREE.Vector3())
    this.step = niceStep(34 * viewer.metresPerPixel(target), unit)
    const snap = (value: number): number => Math.round(value / this.step) * this.step
    const hidden = hiddenAxis[viewer.view] ?? 1
    this.points.rotation.set(...planeTurns[hidden])
    this.points.scale.setScalar(this.step)
    const at = [snap(target.x), snap(target.y), snap(target.z)]
    at[hidden] = 0
    this.points.position.set(at[0], at[1], at[2])
    this.points.updateMatrixWorld()
  }
}

/** How the dots lie, by the axis along which they are looked at. */
const planeTurns: readonly [number, number, number][] = [
  [0, 0, Math.PI / 2],
  [0, 0, 0],
  [Math.PI / 2, 0, 0],
]
