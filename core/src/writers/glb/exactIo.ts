import { type Document, type JSONDocument, WebIO } from '@gltf-transform/core'

/**
 * Writes where every node stands as it is said. The writer of gltf-transform leaves out a move within 10 µm of none, and
 * a turn or a size within a hundred-thousandth: a copy set out 4 µm beside the origin stood on it.
 */
export class ExactIO extends WebIO {
  override async writeJSON(document: Document, options?: Parameters<WebIO['writeJSON']>[1]): Promise<JSONDocument> {
    const written = await super.writeJSON(document, options)
    // The writer numbers nodes as they are listed.
    for (const [i, node] of document.getRoot().listNodes().entries()) {
      const [translation, rotation, scale] = [node.getTranslation(), node.getRotation(), node.getScale()]
      Object.assign(
        written.json.nodes![i],
        translation.some((n) => n !== 0) && { translation },
        (rotation[3] !== 1 || rotation.slice(0, 3).some((n) => n !== 0)) && { rotation },
        scale.some((n) => n !== 1) && { scale },
      )
    }
    return written
  }
}
