import type { Mesh } from '../geometry/mesh'

/** A picture as it is kept among the meshes. */
export const pictureMesh = (bytes: Uint8Array, mime: string): Mesh => ({
  positions: new Float32Array(0),
  normals: new Float32Array(0),
  indices: new Uint32Array(0),
  sections: [],
  pictures: [{ mime, bytes }],
})
