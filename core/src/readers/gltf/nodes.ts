import type { Document, Node } from '@gltf-transform/core'
import type { InstancedMesh } from '@gltf-transform/extensions'
import { type Matrix, composed, IDENTITY, times } from '../../geometry/matrix'

/** The nodes at the top of the scene that is shown. */
function topNodes(document: Document): Node[] {
  const root = document.getRoot()
  const scene = root.getDefaultScene() ?? root.listScenes()[0]
  return scene ? scene.listChildren() : root.listNodes().filter((node) => !node.getParentNode())
}

/** A node of the scene that is shown, with the matrix that places it, and who it stands under. */
export interface PlacedNode {
  readonly node: Node
  readonly matrix: Matrix
  readonly parent: PlacedNode | undefined
}

/** The nodes of the scene that is shown, each after its parent and the children in their order; files may be thousands deep. */
export function* placedNodes(document: Document): Generator<PlacedNode> {
  const next: { node: Node; parent: PlacedNode | undefined }[] = []
  const put = (nodes: readonly Node[], parent: PlacedNode | undefined): void => {
    for (let i = nodes.length - 1; i >= 0; i--) next.push({ node: nodes[i], parent })
  }
  put(topNodes(document), undefined)
  for (let one = next.pop(); one; one = next.pop()) {
    const { node, parent } = one
    const placed = { node, parent, matrix: times(parent?.matrix ?? IDENTITY, node.getMatrix()) }
    yield placed
    put(node.listChildren(), placed)
  }
}

/** The matrices of a node's instances in its own axes; one that changes nothing where it has none. */
export function instancesOf(node: Node): Matrix[] {
  const instanced = node.getExtension<InstancedMesh>('EXT_mesh_gpu_instancing')
  if (!instanced) return [IDENTITY]
  const [t, r, s] = ['TRANSLATION', 'ROTATION', 'SCALE'].map((name) => instanced.getAttribute(name))
  const count = (t ?? r ?? s)?.getCount() ?? 0
  return Array.from({ length: count }, (_, i) =>
    composed(
      t?.getElement(i, []) ?? [0, 0, 0],
      r?.getElement(i, []) ?? [0, 0, 0, 1],
      s?.getElement(i, []) ?? [1, 1, 1],
    ),
  )
}
