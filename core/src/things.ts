import type { Part } from './model/part'
import { meshKey } from './model/part'
import type { Vec3 } from './model/values'
import type { MeshLibrary } from './evaluate'
import type { InstanceTable } from './instances'
import { Flag } from './instances'
import { type Quaternion, inverse, rotate } from './rotation'
import type { Mesh } from './solids/mesh'
import { outlineAlong } from './solids/outline'
import type { Outline } from './spacing/row'

/** How far a thing reaches along a direction from its pivot; the direction need not be of unit length. */
export type Reach = (direction: Readonly<Vec3>) => Outline

/** The triangles of a part that came as a file; undefined until they have been read, and for solids. */
export const meshFor = (part: Part, meshes: MeshLibrary): Mesh | undefined =>
  part.shape.kind === 'mesh' ? meshes.get(meshKey(part.shape)) : undefined

export const reachOfPart =
  (part: Part, meshes: MeshLibrary): Reach =>
  (direction) =>
    outlineAlong(part.shape, direction, meshFor(part, meshes))

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
  const [x, y, z] = rotate(inverse(turn), direction)
  const s = table.scale
  return reach([x * s[3 * k], y * s[3 * k + 1], z * s[3 * k + 2]])
}

/** The box about a thing, by its reach along the three axes. */
export function boxOf(reach: Reach): { low: Vec3; high: Vec3 } {
  const [x, y, z] = [reach([1, 0, 0]), reach([0, 1, 0]), reach([0, 0, 1])]
  return { low: [x.low, y.low, z.low], high: [x.high, y.high, z.high] }
}
