import { type Part, isSolid, partsInside } from './model/part'
import { type Vec3, turnOf } from './model/values'
import type { InstanceTable } from './instances'
import { Flag } from './instances'
import { type PartSource, partMesh } from './parts/partMesh'
import { type Quaternion, inverse, rotate } from './rotation'
import { ofBox, ofPoints, outlineOf } from './solids/outline'
import type { Outline } from './spacing/row'

/** How far a thing reaches along a direction from its pivot; the direction need not be of unit length. */
export type Reach = (direction: Readonly<Vec3>) => Outline

/**
 * The reach of a part: the support of its convex hull. A solid in its plain form is taken by its numbers, everything else
 * by its points; until a mesh has been read, by the box that the document keeps of it.
 */
export function reachOfPart(part: Part, source: PartSource): Reach {
  const { shape, form, frame } = part
  const plain = isSolid(shape) && (!form || (!form.bend && !form.twist && (form.taper ?? 1) === 1))
  if (shape.kind === 'twin') {
    const of = source.parts.find((p) => p.id === shape.of)
    return of ? mirrored(reachOfPart(of, source)) : () => ({ low: 0, high: 0 })
  }
  let own: Reach
  if (plain) own = (d) => outlineOf(shape, d)
  else if (shape.kind === 'mesh' && !partMesh(part, source)) own = (d) => ofBox(shape.low, shape.high, d)
  else return (d) => ofMesh(part, source, d)
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return own
  return (d) => {
    const back = [0, 1, 2].map((i) => rows[0][i] * d[0] + rows[1][i] * d[1] + rows[2][i] * d[2]) as Vec3
    const { low, high } = own(back)
    const at = back[0] * frame.pivot[0] + back[1] * frame.pivot[1] + back[2] * frame.pivot[2]
    return { low: low - at, high: high - at }
  }
}

const mirrored =
  (reach: Reach): Reach =>
  ([x, y, z]) =>
    reach([-x, y, z])

function ofMesh(part: Part, source: PartSource, d: Readonly<Vec3>): Outline {
  const mesh = partMesh(part, source)
  return mesh && mesh.positions.length > 0 ? ofPoints(mesh.positions, d) : { low: 0, high: 0 }
}

/** The box about a part, about its pivot. */
export const boundsOfPart = (part: Part, source: PartSource): { low: Vec3; high: Vec3 } =>
  boxOf(reachOfPart(part, source))

/** Whether a part is put together from others, so that its copies are copies of those. */
export const isAssembly = (part: Part): boolean => part.shape.kind === 'assembly' && partsInside(part).length > 0

/**
 * The reach of a whole pattern: that of all copies that are there, turned and sized as they are, about the pattern's origin.
 *
 * @param reachOf the reach of each thing in the table
 */
export function reachOfTable(table: InstanceTable, reachOf: (thing: number) => Reach): Reach {
  return (direction) => {
    let [low, high] = [Infinity, -Infinity]
    for (let k = 0; k < table.count; k++) {
      if (table.flags[k] & Flag.empty) continue
      const along =
        table.position[3 * k] * direction[0] +
        table.position[3 * k + 1] * direction[1] +
        table.position[3 * k + 2] * direction[2]
      const own = reachOfCopy(table, k, reachOf(table.part[k]), direction)
      low = Math.min(low, along + own.low)
      high = Math.max(high, along + own.high)
    }
    return low <= high ? { low, high } : { low: 0, high: 0 }
  }
}

/** How far one copy reaches from its pivot along a direction of its pattern's axes, turned and sized as it is. */
export function reachOfCopy(table: InstanceTable, k: number, reach: Reach, direction: Readonly<Vec3>): Outline {
  const q = table.quaternion
  const turn: Quaternion = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
  const [ahead, y, z] = rotate(inverse(turn), direction)
  const x = table.flags[k] & Flag.twin ? -ahead : ahead
  const s = table.scale
  return reach([x * s[3 * k], y * s[3 * k + 1], z * s[3 * k + 2]])
}

/** The box about a thing, by its reach along the three axes. */
export function boxOf(reach: Reach): { low: Vec3; high: Vec3 } {
  const [x, y, z] = [reach([1, 0, 0]), reach([0, 1, 0]), reach([0, 0, 1])]
  return { low: [x.low, y.low, z.low], high: [x.high, y.high, z.high] }
}
