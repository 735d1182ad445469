import type { DrawnPlane } from '@hilera/core/mirror/notes'
import * as THREE from 'three'
import type { MirrorHandle, PatternAxes } from './handles'
import type { Pin } from './pins'

/** A mirror plane is drawn this much larger than what it mirrors. */
const MARGIN = 0.12
/** Of something small it is drawn at least so large, in metres. */
const LEAST = 0.05

/** The planes of a pattern's mirrors as rectangles about what they mirror, each with a pin to move it along its normal. */
export function mirrorHandles(
  planes: readonly DrawnPlane[],
  frame: PatternAxes,
): { mirrors: MirrorHandle[]; pins: Pin[] } {
  const mirrors: MirrorHandle[] = []
  const pins: Pin[] = []
  for (const plane of planes) {
    const normal = new THREE.Vector3(...plane.normal)
    // Up as nearly as the plane allows; a level plane lies deep.
    const upright = Math.abs(normal.y) < 0.99 ? new THREE.Vector3(0, 1, 0) : new THREE.Vector3(0, 0, -1)
    const v = upright.addScaledVector(normal, -upright.dot(normal)).normalize()
    const u = new THREE.Vector3().crossVectors(v, normal)
    const [low, high] = [new THREE.Vector2(Infinity, Infinity), new THREE.Vector2(-Infinity, -Infinity)]
    for (let c = 0; c < 8; c++) {
      const corner = new THREE.Vector3(
        ...[0, 1, 2].map((i) => ((c >> i) & 1 ? plane.high[i] + frame.high[i] : plane.low[i] + frame.low[i])),
      )
      const at = new THREE.Vector2(corner.dot(u), corner.dot(v))
      low.min(at)
      high.max(at)
    }
    const margin = Math.max(MARGIN * low.distanceTo(high), LEAST)
    low.subScalar(margin)
    high.addScalar(margin)
    const foot = normal.clone().multiplyScalar(plane.distance)
    const on = (x: number, y: number): THREE.Vector3 =>
      frame.world(foot.clone().addScaledVector(u, x).addScaledVector(v, y).toArray())
    mirrors.push({ corners: [on(low.x, low.y), on(high.x, low.y), on(high.x, high.y), on(low.x, high.y)] })
    pins.push({
      does: 'plane',
      index: plane.index,
      ...(plane.step !== undefined && { step: plane.step }),
      name: `plane ${plane.index}${plane.step ? ` ${plane.step}` : ''}`,
      words: planes.length > 1 ? `plane ${plane.index + 1}` : 'plane',
      at: on((low.x + high.x) / 2, high.y),
      along: frame.direction(plane.normal),
    })
  }
  return { mirrors, pins }
}
