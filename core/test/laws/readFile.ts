import { placedBy } from './places'

interface Node {
  readonly mesh?: number
  readonly children?: readonly number[]
  readonly translation?: readonly number[]
  readonly rotation?: readonly number[]
  readonly scale?: readonly number[]
  readonly matrix?: readonly number[]
}

/** Where the meshes of a GLB stand, in the world: read from its bytes by nothing of ours. */
export function placesInFile(bytes: Uint8Array): number[][] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const length = view.getUint32(12, true)
  const text = new TextDecoder().decode(bytes.subarray(20, 20 + length))
  const { nodes, scenes } = JSON.parse(text) as { nodes: readonly Node[]; scenes: readonly { nodes?: number[] }[] }
  const found: number[][] = []
  const walk = (at: number, parents: readonly Node[]): void => {
    const node = nodes[at]
    if (node.matrix) throw new Error('a matrix where places are written as move, turn and size')
    const chain = [...parents, node]
    if (node.mesh !== undefined)
      found.push(
        chain.reduceRight(
          (p, { translation = [0, 0, 0], rotation = [0, 0, 0, 1], scale = [1, 1, 1] }) => {
            const sized = p.map((n, i) => n * scale[i])
            return placedBy({ move: translation, turn: rotation }, sized)
          },
          [0, 0, 0],
        ),
      )
    for (const child of node.children ?? []) walk(child, chain)
  }
  for (const root of scenes[0].nodes ?? []) walk(root, [])
  return found
}
