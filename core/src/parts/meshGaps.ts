import { meshGaps } from '../contact/meshGaps'
import { type PartSource, partMesh } from './partMesh'
import type { Bodies } from '../clearing/bodies'
import type { Gaps } from '../clearing/gap'

/** Tells gaps between copies by the triangles of their parts; whole patterns and lights stay with their outlines. */
export const gapsByMesh =
  (source: PartSource): ((bodies: Bodies, things: Uint32Array, far: number) => Gaps) =>
  (bodies, things, far) =>
    meshGaps(
      bodies,
      (k) => {
        const part = source.parts[things[k]]
        return part && part.shape.kind !== 'light' ? partMesh(part, source) : undefined
      },
      far,
    )
