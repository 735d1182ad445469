import { planAxes } from '@hilera/core/plans/plan'
import * as THREE from 'three'
import type { Handles } from '../stage/handles'
import { type Under, isPlan } from './underEdits'

/** The axes of the plane of a plan or a ground, before it is turned: to the right, upward and out of it. The ground's by default. */
export function planeOf(under?: Under): [THREE.Vector3, THREE.Vector3, THREE.Vector3] {
  const lies = under && isPlan(under) ? under.lies : 'ground'
  return planAxes({ lies, turn: 0 }).map((axis) => new THREE.Vector3(...axis)) as ReturnType<typeof planeOf>
}

/**
 * The pins of what lies under the arrangement: it is moved by its middle, and turned by its right edge.
 *
 * @param box about it as it is drawn, in the world
 */
export function underHandles(under: Under, box: THREE.Box3): Handles {
  const [right, up, out] = planeOf(under)
  const at = new THREE.Vector3(...under.move)
  const half = isPlan(under)
    ? (under.perPixel * under.pixels[0]) / 2
    : Math.max(0.1, Math.min(box.max.x - at.x, box.max.z - at.z))
  const arm = right.clone().multiplyScalar(Math.cos(under.turn)).addScaledVector(up, Math.sin(under.turn))
  // On the surface, where it is seen and not buried in it.
  const over = isPlan(under) || box.isEmpty() ? 0 : box.max.y - at.y
  const lifted = (p: THREE.Vector3): THREE.Vector3 => p.addScaledVector(out, over)
  return {
    origin: at,
    direction: (local) => new THREE.Vector3(...local),
    pins: [
      { does: 'move', name: 'move', words: 'move', at: lifted(at.clone()) },
      { does: 'turn', name: 'turn', words: 'turn', at: lifted(at.clone().addScaledVector(arm, half)) },
    ],
    dimensions: [],
    guides: [],
    dots: [],
    mirrors: [],
  }
}
