import type { Mesh, Section } from './mesh'

/** Normals that lean less than this from each other shade alike, as the cosine of their angle. */
const ALIKE = Math.cos((5 * Math.PI) / 180)

/** A mesh in which vertices of one place, one shading and one place in their picture are one, as far apart as the tolerance. */
export function weldedMesh(mesh: Mesh, tolerance: number): Mesh {
  const { positions: p, normals: n, uvs, colors, indices } = mesh
  const cells = new Map<string, number[]>()
  const kept: number[] = []
  const now = new Map<number, number>()
  const cell = 4 * tolerance
  const same = (v: number, w: number): boolean =>
    Math.hypot(p[3 * v] - p[3 * w], p[3 * v + 1] - p[3 * w + 1], p[3 * v + 2] - p[3 * w + 2]) <= tolerance &&
    n[3 * v] * n[3 * w] + n[3 * v + 1] * n[3 * w + 1] + n[3 * v + 2] * n[3 * w + 2] > ALIKE &&
    (!uvs || (Math.abs(uvs[2 * v] - uvs[2 * w]) < 1e-5 && Math.abs(uvs[2 * v + 1] - uvs[2 * w + 1]) < 1e-5))
  const placeOf = (v: number): number => {
    const known = now.get(v)
    if (known !== undefined) return known
    const at = [0, 1, 2].map((k) => Math.floor(p[3 * v + k] / cell + 0.5))
    let found: number | undefined
    for (let i = -1; i <= 1 && found === undefined; i++)
      for (let j = -1; j <= 1 && found === undefined; j++)
        for (let k = -1; k <= 1 && found === undefined; k++)
          found = cells.get(`${at[0] + i} ${at[1] + j} ${at[2] + k}`)?.find((w) => same(v, kept[w]))
    if (found === undefined) {
      found = kept.length
      kept.push(v)
      const key = at.join(' ')
      cells.set(key, [...(cells.get(key) ?? []), found])
    }
    now.set(v, found)
    return found
  }
  const welded = indices.map(placeOf)
  const pick = (values: Float32Array, width: number): Float32Array =>
    Float32Array.from(kept.flatMap((v) => [...values.subarray(width * v, width * v + width)]))
  return {
    ...mesh,
    positions: pick(p, 3),
    normals: pick(n, 3),
    ...(uvs && { uvs: pick(uvs, 2) }),
    ...(colors && { colors: Uint8Array.from(kept.flatMap((v) => [...colors.subarray(3 * v, 3 * v + 3)])) }),
    indices: welded,
  }
}

/** A mesh whose sections of one look are one section, so that they can share their points. */
export function gatheredMesh(mesh: Mesh): Mesh {
  const pictures = [...new Map((mesh.pictures ?? []).map((p) => [p.bytes, p])).values()]
  const groups = new Map<string, { look: Omit<Section, 'start' | 'count'>; corners: number[] }>()
  for (const { start, count, ...own } of mesh.sections) {
    const bytes = own.picture === undefined ? undefined : mesh.pictures?.[own.picture].bytes
    const picture = bytes && pictures.findIndex((p) => p.bytes === bytes)
    const look = { ...own, ...(picture !== undefined && { picture }) }
    const key = JSON.stringify([look.color, look.roughness, look.metal, look.picture])
    const group = groups.get(key) ?? { look, corners: [] }
    groups.set(key, group)
    for (let i = start; i < start + count; i++) group.corners.push(mesh.indices[i])
  }
  const sections: Section[] = []
  const indices: number[] = []
  for (const { look, corners } of groups.values()) {
    sections.push({ ...look, start: indices.length, count: corners.length })
    for (const v of corners) indices.push(v)
  }
  return { ...mesh, indices: Uint32Array.from(indices), sections, ...(mesh.pictures && { pictures }) }
}
