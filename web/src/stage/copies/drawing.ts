import type { Part } from '@hilera/core/model/part'
import { flatMiddles } from '@hilera/core/geometry/flatFaces'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Vec3 } from '@hilera/core/geometry/vec'
import * as THREE from 'three'
import { MeshBVH } from 'three-mesh-bvh'

/** Above this many triangles a part is drawn without ink edges: there they would cover it. */
const INK_LIMIT = 100_000

/** Above this many triangles flat faces are not looked for: while something is dragged that would be felt. */
const FACED_LIMIT = 20_000

/** What the stage needs of a part: its triangles with colours, its ink edges, and the sphere around it. */
export interface PartDrawing {
  readonly surface: THREE.BufferGeometry
  readonly ink: Float32Array | undefined
  readonly sphere: THREE.Sphere
  readonly bvh: MeshBVH
  /** The middle of the flat face that a triangle lies in, in the part's axes; of a part of very many none. Looked for when first asked. */
  middleOf(triangle: number): Vec3 | undefined
}

export function drawingOf(part: Part, mesh: Mesh): PartDrawing {
  const surface = new THREE.BufferGeometry()
  // Corners that lie in two sections need two colours, so triangles are spread out section by section.
  const split = mesh.sections.some((section) => section.color !== undefined || section.picture !== undefined)
  const positions = split ? gather(mesh.positions, mesh.indices) : mesh.positions
  const normals = split ? gather(mesh.normals, mesh.indices) : mesh.normals
  surface.setAttribute('position', new THREE.BufferAttribute(positions, 3))
  surface.setAttribute('normal', new THREE.BufferAttribute(normals, 3))
  if (mesh.uvs)
    surface.setAttribute('uv', new THREE.BufferAttribute(split ? gather(mesh.uvs, mesh.indices, 2) : mesh.uvs, 2))
  if (!split) surface.setIndex(new THREE.BufferAttribute(mesh.indices, 1))
  const colors = new Float32Array(positions.length)
  const color = new THREE.Color(part.look.color)
  if (split) {
    for (const section of mesh.sections) {
      color.set(section.color ?? part.look.color)
      // One material for plain surfaces, and one for each picture.
      if (mesh.pictures)
        surface.addGroup(section.start, section.count, section.picture === undefined ? 0 : section.picture + 1)
      for (let i = section.start; i < section.start + section.count; i++) color.toArray(colors, 3 * i)
    }
  } else {
    for (let i = 0; i < colors.length; i += 3) color.toArray(colors, i)
  }
  if (mesh.colors) tint(colors, mesh.colors, split ? mesh.indices : undefined)
  surface.setAttribute('color', new THREE.BufferAttribute(colors, 3))
  surface.computeBoundingSphere()
  let faces: ReturnType<typeof flatMiddles> | undefined
  const triangles = mesh.indices.length / 3
  const small = triangles < INK_LIMIT
  const isFaced = triangles <= FACED_LIMIT
  return {
    surface,
    ink: small ? (new THREE.EdgesGeometry(plain(mesh), 32).getAttribute('position').array as Float32Array) : undefined,
    sphere: surface.boundingSphere!,
    // Sorted aside: the triangles are the mesh's own, and their order tells which piece or face one is.
    bvh: new MeshBVH(surface, { indirect: true }),
    middleOf: (triangle) => (isFaced ? (faces ??= flatMiddles(mesh))(triangle) : undefined),
  }
}

/** The mesh by positions alone, so that an edge between two colours is found as the edge of one surface. */
function plain(mesh: Mesh): THREE.BufferGeometry {
  const geometry = new THREE.BufferGeometry()
  geometry.setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3))
  geometry.setIndex(new THREE.BufferAttribute(mesh.indices, 1))
  return geometry
}

/** Tints colours in linear light by those of the vertices, as seen. */
function tint(colors: Float32Array, by: Uint8Array, indices: Uint32Array | undefined): void {
  const linear = Float32Array.from(
    { length: 256 },
    (_, n) => new THREE.Color().setRGB(n / 255, 0, 0, THREE.SRGBColorSpace).r,
  )
  for (let i = 0; i < colors.length; i++) {
    const at = indices ? 3 * indices[Math.floor(i / 3)] + (i % 3) : i
    colors[i] *= linear[by[at]]
  }
}

function gather(values: Float32Array, indices: Uint32Array, width = 3): Float32Array {
  const out = new Float32Array(width * indices.length)
  for (let i = 0; i < indices.length; i++) {
    for (let c = 0; c < width; c++) out[width * i + c] = values[width * indices[i] + c]
  }
  return out
}
