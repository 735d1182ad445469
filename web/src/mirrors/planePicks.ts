import type { MirrorPlane } from '@hilera/core/values/reflection'
import type { Vec3 } from '@hilera/core/values/values'
import { planeThrough } from '@hilera/core/mirror/planes'
import { usePicking } from '../stores/picking'
import type { ReflectionEdits } from './mirrorEdits'
import { usePlaneAxes } from './planeAxes'

/** Mirror planes that are settled by clicks on the stage. */
export function usePlanePicks(patternId: () => string, edits: () => ReflectionEdits) {
  const picking = usePicking()
  const axes = usePlaneAxes(patternId)

  function put(index: number, normal: Vec3, at: Vec3): void {
    const own = axes.direction(normal)
    const straight = (['across', 'up', 'deep'] as const).find((_, i) => Math.abs(own[i]) > 1 - 1e-9)
    const facing: MirrorPlane['facing'] = straight
      ? { kind: 'axis', axis: straight, angle: 0 }
      : { kind: 'free', normal: own }
    edits().change('plane', (r) => {
      r.planes[index] = { facing, through: { kind: 'point', at: axes.place(at) }, offset: 0 }
    })
  }

  /** The plane of a face that is clicked. */
  async function onFace(index: number): Promise<void> {
    // A click beside everything meets no face: it is asked for again.
    for (;;) {
      const picked = await picking.place('Click a face: the plane lies on it')
      if (!picked) return
      if (picked.normal) return put(index, picked.normal, picked.point)
    }
  }

  /** The upright plane through two places, or the one through three. */
  async function through(index: number, count: 2 | 3): Promise<void> {
    const places = await picking.places(
      `Click ${count === 2 ? 'two' : 'three'} places: corners, edges or faces`,
      count,
      count,
    )
    const plane = places && planeThrough(places)
    if (plane) put(index, plane.normal, plane.at)
  }

  return { onFace, through }
}
