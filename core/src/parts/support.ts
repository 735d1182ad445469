import { convexOfMesh } from '../clearing/convex'
import { ofBox, ofPoints, outlineOf } from '../solids/outline'
import type { Box } from '../geometry/box'
import { unmeasured } from '../spacing/row'
import { type Support, boxOf } from '../spacing/support'
import { type Part, partsInside } from '../model/part'
import { type Vec3, turnOf } from '../values/values'
import { type PartSource, partMesh } from './partMesh'
import { plainSolidOf } from './plainSolid'

/**
 * The support of a part's convex hull. A solid in its plain form and a placeholder are taken by their numbers, everything else
 * by its points; until a mesh has been read, by the box that the document keeps of it.
 */
export function supportOfPart(part: Part, source: PartSource): Support {
  const { shape, frame } = part
  if (shape.kind === 'twin') {
    const of = source.parts.find((p) => p.id === shape.of)
    return of ? mirrored(supportOfPart(of, source)) : nowhere
  }
  let own: Support
  const solid = plainSolidOf(part)
  if (solid) own = outlineOf(solid)
  else if (shape.kind === 'mesh' && !partMesh(part, source)) own = (d, into) => ofBox(shape.low, shape.high, d, into)
  else return ofMesh(part, source)
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return own
  const { pivot } = frame
  const back: Vec3 = [0, 0, 0]
  return (d, into = unmeasured()) => {
    for (let i = 0; i < 3; i++) back[i] = rows[0][i] * d[0] + rows[1][i] * d[1] + rows[2][i] * d[2]
    own(back, into)
    const at = back[0] * pivot[0] + back[1] * pivot[1] + back[2] * pivot[2]
    into.low -= at
    into.high -= at
    return into
  }
}

function mirrored(support: Support): Support {
  const ahead: Vec3 = [0, 0, 0]
  return ([x, y, z], into) => {
    ahead[0] = -x
    ahead[1] = y
    ahead[2] = z
    return support(ahead, into)
  }
}

const nowhere: Support = (_, into = unmeasured()) => {
  into.low = into.high = 0
  return into
}

/** From so many questions on a mesh is asked by the corners of its hull: a crowd asks, a single copy is not worth a hull. */
const OFTEN = 64

/** The support of a part's points; its mesh is built when it is first asked. */
function ofMesh(part: Part, source: PartSource): Support {
  let points: Float32Array | Float64Array | undefined
  let asked = 0
  return (d, into) => {
    const mesh = asked === 0 || asked === OFTEN ? partMesh(part, source) : undefined
    if (mesh && mesh.positions.length > 0) points = asked === OFTEN ? convexOfMesh(mesh).points : mesh.positions
    asked++
    return points ? ofPoints(points, d, into) : nowhere(d, into)
  }
}

/** The box about a part, about its pivot. */
export const boundsOfPart = (part: Part, source: PartSource): Box => boxOf(supportOfPart(part, source))

/** Whether a part is put together from others, so that its copies are copies of those. */
export const isAssembly = (part: Part): boolean => part.shape.kind === 'assembly' && partsInside(part).length > 0
