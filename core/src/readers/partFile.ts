import type { FileUnit } from '../model/part'
import { type Result, refused } from '../words'
import { readGlb } from './glb'
import { readObj } from './obj'
import { readPly } from './ply'
import { MAX_PART_FILE_BYTES, type ReadMesh } from './readMesh'
import { readStl } from './stl'

export const partFileKinds = ['glb', 'gltf', 'obj', 'stl', 'ply'] as const
export type PartFileKind = (typeof partFileKinds)[number]

type Reader = (bytes: Uint8Array, name: string, unit?: FileUnit) => Result<ReadMesh> | Promise<Result<ReadMesh>>

const readers: Record<PartFileKind, Reader> = { glb: readGlb, gltf: readGlb, obj: readObj, stl: readStl, ply: readPly }

/** The kind of a mesh file by the ending of its name; undefined for kinds that are not read. */
export function partFileKind(name: string): PartFileKind | undefined {
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1].toLowerCase()
  return partFileKinds.find((kind) => kind === ending)
}

/**
 * Reads a mesh file of any kind as one part. A GLB keeps its metres; the other kinds carry no unit.
 *
 * @param unit what 1 in the file stands for; left out, metres for glTF and told from the size for the others
 */
export async function readPartFile(bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> {
  const kind = partFileKind(name)
  if (!kind) return refused(`${name} is not a kind of file that is read here. Choose a GLB, glTF, OBJ, STL or PLY.`)
  if (bytes.length === 0)
    return refused(
      `${name} is empty. Choose ${kind === 'obj' || kind === 'stl' ? 'an' : 'a'} ${kind.toUpperCase()} file with a mesh in it.`,
    )
  if (bytes.length > MAX_PART_FILE_BYTES) {
    return refused(
      `${name} has `,
      { count: Math.ceil(bytes.length / 2 ** 20) },
      ' MB; up to ',
      { count: MAX_PART_FILE_BYTES / 2 ** 20 },
      ' MB can be read. Reduce it first.',
    )
  }
  return readers[kind](bytes, name, unit)
}
