import * as THREE from 'three'
import { MeshBVH } from 'three-mesh-bvh'

interface File {
  readonly nodes: readonly {
    readonly name?: string
    readonly mesh?: number
    readonly children?: readonly number[]
    readonly translation?: readonly [number, number, number]
    readonly rotation?: readonly [number, number, number, number]
    readonly scale?: readonly [number, number, number]
  }[]
  readonly meshes: readonly {
    readonly primitives: readonly { readonly attributes: { readonly POSITION: number }; readonly indices: number }[]
  }[]
  readonly accessors: readonly {
    readonly bufferView: number
    readonly byteOffset?: number
    readonly componentType: number
    readonly count: number
  }[]
  readonly bufferViews: readonly {
    readonly byteOffset?: number
    readonly byteLength: number
    readonly byteStride?: number
  }[]
}

/** A copy in a file: its pivot and its triangles, in the axes of the pattern under which it stands. */
export interface MeasuredCopy {
  readonly pivot: THREE.Vector3
  readonly geometry: THREE.BufferGeometry
}

/** A ruler that knows nothing but the bytes of a GLB: the copies of one pattern, in the order of their nodes. */
export function copiesInFile(bytes: Uint8Array, pattern: string): MeasuredCopy[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const length = view.getUint32(12, true)
  const file = JSON.parse(new TextDecoder().decode(bytes.subarray(20, 20 + length))) as File
  const data = bytes.slice(20 + length + 8)
  const read = (index: number): ArrayLike<number> => {
    const { bufferView, byteOffset = 0, componentType, count } = file.accessors[index]
    const at = (file.bufferViews[bufferView].byteOffset ?? 0) + byteOffset
    // Points may lie between normals and colours.
    const stride = file.bufferViews[bufferView].byteStride ?? 12
    const points = new DataView(data.buffer)
    if (componentType === 5126)
      return Float64Array.from({ length: 3 * count }, (_, i) =>
        points.getFloat32(at + Math.floor(i / 3) * stride + 4 * (i % 3), true),
      )
    return componentType === 5125 ? new Uint32Array(data.buffer, at, count) : new Uint16Array(data.buffer, at, count)
  }
  const group = file.nodes.find((node) => node.name === pattern && node.mesh === undefined)
  return (group?.children ?? []).map((child) => {
    const { mesh, translation = [0, 0, 0], rotation = [0, 0, 0, 1], scale = [1, 1, 1] } = file.nodes[child]
    const pivot = new THREE.Vector3(...translation)
    const matrix = new THREE.Matrix4().compose(pivot, new THREE.Quaternion(...rotation), new THREE.Vector3(...scale))
    const positions: number[] = []
    for (const { attributes, indices } of mesh === undefined ? [] : file.meshes[mesh].primitives) {
      const [points, corners] = [read(attributes.POSITION), read(indices)]
      for (let i = 0; i < corners.length; i++)
        positions.push(points[3 * corners[i]], points[3 * corners[i] + 1], points[3 * corners[i] + 2])
    }
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3))
    // In doubles: a matrix on 32-bit points would round anew.
    const wide = new Float64Array(positions.length)
    const p = new THREE.Vector3()
    for (let i = 0; i < positions.length; i += 3) p.fromArray(positions, i).applyMatrix4(matrix).toArray(wide, i)
    geometry.setAttribute('position', new THREE.BufferAttribute(wide, 3))
    return { pivot, geometry }
  })
}

/** From where to where a copy reaches along an axis. */
export function reachIn({ geometry }: MeasuredCopy, axis: 0 | 1 | 2): [number, number] {
  const { array } = geometry.getAttribute('position')
  let [low, high] = [Infinity, -Infinity]
  for (let i = axis; i < array.length; i += 3) {
    low = Math.min(low, array[i])
    high = Math.max(high, array[i])
  }
  return [low, high]
}

/** The nearest distance between the surfaces of two copies that are apart; 0 where they meet. */
export function nearestBetween(a: MeasuredCopy, b: MeasuredCopy): number {
  const [one, other] = [a, b].map(({ geometry }) => {
    const own = geometry.clone()
    own.setAttribute(
      'position',
      new THREE.Float32BufferAttribute(Array.from(geometry.getAttribute('position').array), 3),
    )
    return own
  })
  const tree = new MeshBVH(one)
  other.boundsTree = new MeshBVH(other)
  if (tree.intersectsGeometry(other, new THREE.Matrix4())) return 0
  const found = { point: new THREE.Vector3(), distance: 0, faceIndex: 0 }
  return (
    tree.closestPointToGeometry(other, new THREE.Matrix4(), found, { ...found, point: new THREE.Vector3() })
      ?.distance ?? NaN
  )
}
