import type { Mesh } from '../../geometry/mesh'

/** How copies are written: a node each, or a table of placements that readers with instancing understand. */
export const copyStyles = ['linked', 'instanced'] as const
export type CopyStyle = (typeof copyStyles)[number]

/** What a file takes beside meshes and copies, about. */
const FRAME = 1200
/** What one more copy takes, about: a node's text, or its row in a table of instances. */
const copyBytes: Record<CopyStyle, number> = { linked: 130, instanced: 40 }

/** What a mesh takes in a GLB: positions, normals, picture coordinates, indices as short as they can be, pictures. */
export const meshBytes = ({ positions, indices, uvs, colors, pictures }: Mesh): number =>
  positions.length * 8 +
  (uvs?.length ?? 0) * 4 +
  (colors?.length ?? 0) * 4 +
  indices.length * (positions.length / 3 < 65536 ? 2 : 4) +
  (pictures ?? []).reduce((n, p) => n + p.bytes.length, 0)

/** What a GLB of these meshes and so many copies will take, about. */
export const glbBytes = (meshes: readonly Mesh[], copies: number, style: CopyStyle): number =>
  meshes.reduce((n, mesh) => n + meshBytes(mesh), FRAME) + copies * copyBytes[style]
