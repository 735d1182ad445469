import type { Document } from '@gltf-transform/core'
import { times } from '../../geometry/matrix'
import type { FileUnit } from '../../model/part'
import type { Result } from '../../words'
import type { ReadMesh } from '../readMesh'
import { type Piece, joined } from './joined'
import { instancesOf, placedNodes } from './nodes'
import { openGlb } from './open'

/**
 * Reads a glTF 2.0 file (.glb, or .gltf with everything inside it) as one part: every triangle of its scene, placed as its
 * nodes say, origin kept. Nodes that mirror have their faces turned round, so that they look outward. Colours with their
 * pictures, roughness and metal come along as sections; skins and movement do not.
 *
 * @param name the file's name, for the sentences
 * @param unit what 1 in the file stands for; metres, as glTF says, when left out
 * @returns a sentence for what cannot be read: not a glTF file, cut off, leaning on other files, compressed in a way that
 *   is not read here, or without a triangle
 */
export async function readGlb(bytes: Uint8Array, name: string, unit: FileUnit = 'm'): Promise<Result<ReadMesh>> {
  const opened = await openGlb(bytes, name)
  return opened.ok ? joined(piecesOf(opened.value), name, unit) : opened
}

/** Every primitive of the scene with the matrix that places it; instanced ones once for each instance. */
function piecesOf(document: Document): Piece[] {
  const pieces: Piece[] = []
  for (const { node, matrix } of placedNodes(document)) {
    for (const own of instancesOf(node)) {
      for (const primitive of node.getMesh()?.listPrimitives() ?? [])
        pieces.push({ primitive, matrix: times(matrix, own) })
    }
  }
  return pieces
}
