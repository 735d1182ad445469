import { type Mesh, type Section, sameNumbers } from '../geometry/mesh'

/**
 * Meshes by what they hold: files are full of things that are equal number for number, each with a mesh of its own. Comparing numbers
 * takes a hundredth of comparing shapes.
 */
export class MeshesByContent {
  private readonly known = new Map<number, Mesh[]>()

  /** The first mesh asked for that holds the same numbers, looks and pictures as this one: itself, where there was none. */
  firstLike(mesh: Mesh): Mesh {
    const key = checksum(mesh)
    const like = this.known.get(key)
    const first = like?.find((other) => areEqual(mesh, other))
    if (first) return first
    if (like) like.push(mesh)
    else this.known.set(key, [mesh])
    return mesh
  }
}

/** FNV-1a over the bits of all places, so that hardly ever two meshes are compared that are not equal. */
function checksum({ positions, indices }: Mesh): number {
  const bits = new Uint32Array(positions.buffer, positions.byteOffset, positions.length)
  let hash = 0x811c9dc5 ^ indices.length
  for (let i = 0; i < bits.length; i++) hash = Math.imul(hash ^ bits[i], 0x01000193)
  return hash >>> 0
}

function areEqual(a: Mesh, b: Mesh): boolean {
  if (a === b) return true
  const [ours, theirs] = [a.pictures ?? [], b.pictures ?? []]
  return (
    sameNumbers(a.positions, b.positions) &&
    sameNumbers(a.indices, b.indices) &&
    sameNumbers(a.normals, b.normals) &&
    sameNumbers(a.uvs ?? [], b.uvs ?? []) &&
    sameNumbers(a.colors ?? [], b.colors ?? []) &&
    a.sections.length === b.sections.length &&
    a.sections.every((section, i) => sameSection(section, b.sections[i])) &&
    ours.length === theirs.length &&
    ours.every(({ mime, bytes }, i) => mime === theirs[i].mime && sameNumbers(bytes, theirs[i].bytes))
  )
}

const sameSection = (a: Section, b: Section): boolean =>
  a.start === b.start &&
  a.count === b.count &&
  a.color === b.color &&
  a.roughness === b.roughness &&
  a.metal === b.metal &&
  a.picture === b.picture
