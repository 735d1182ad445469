import type { Extent } from '../spacing/row'
import { ofBox, ofPoints, outlineOf } from '../solids/outline'
import type { Box } from '../geometry/box'
import { boxOf, type Support } from '../spacing/support'
import { type Part, isSolid, partsInside } from '../model/part'
import { type Vec3, turnOf } from '../values/values'
import { type PartSource, partMesh } from './partMesh'

/**
 * The support of a part's convex hull. A solid in its plain form is taken by its numbers, everything else
 * by its points; until a mesh has been read, by the box that the document keeps of it.
 */
export function supportOfPart(part: Part, source: PartSource): Support {
  const { shape, form, frame } = part
  const plain = isSolid(shape) && (!form || (!form.bend && !form.twist && (form.taper ?? 1) === 1))
  if (shape.kind === 'twin') {
    const of = source.parts.find((p) => p.id === shape.of)
    return of ? mirrored(supportOfPart(of, source)) : () => ({ low: 0, high: 0 })
  }
  let own: Support
  if (plain) own = outlineOf(shape)
  else if (shape.kind === 'mesh' && !partMesh(part, source)) own = (d) => ofBox(shape.low, shape.high, d)
  else return (d) => ofMesh(part, source, d)
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return own
  return (d) => {
    const at3 = (i: number): number => rows[0][i] * d[0] + rows[1][i] * d[1] + rows[2][i] * d[2]
    const back: Vec3 = [at3(0), at3(1), at3(2)]
    const { low, high } = own(back)
    const at = back[0] * frame.pivot[0] + back[1] * frame.pivot[1] + back[2] * frame.pivot[2]
    return { low: low - at, high: high - at }
  }
}

const mirrored =
  (support: Support): Support =>
  ([x, y, z]) =>
    support([-x, y, z])

function ofMesh(part: Part, source: PartSource, d: Readonly<Vec3>): Extent {
  const mesh = partMesh(part, source)
  return mesh && mesh.positions.length > 0 ? ofPoints(mesh.positions, d) : { low: 0, high: 0 }
}

/** The box about a part, about its pivot. */
export const boundsOfPart = (part: Part, source: PartSource): Box => boxOf(supportOfPart(part, source))

/** Whether a part is put together from others, so that its copies are copies of those. */
export const isAssembly = (part: Part): boolean => part.shape.kind === 'assembly' && partsInside(part).length > 0
