import type { Form } from './schema'
import type { Mesh, Section } from '../geometry/mesh'

/** Pieces into which the height is cut before it is bent, twisted or tapered. */
const RINGS = 24

/**
 * Tapers, twists and bends a mesh that stands on its base: first its sections across the up axis shrink or grow evenly towards
 * the top and turn about it, then its height is laid along an arc towards the right, its length along the middle kept. Normals are carried by the
 * inverse transpose of the change at their vertex.
 */
export function formed(mesh: Mesh, { taper = 1, bend = 0, twist = 0, segments = RINGS }: Form): Mesh {
  if (taper === 1 && bend === 0 && twist === 0) return mesh
  const cut = cutAcross(mesh, Math.max(segments, 3))
  const { positions: p, normals: n } = cut
  let [low, high, wide] = [Infinity, -Infinity, 0]
  for (let i = 0; i < p.length; i += 3) {
    low = Math.min(low, p[i + 1])
    high = Math.max(high, p[i + 1])
    wide = Math.max(wide, p[i])
  }
  const height = high - low
  if (height <= 0) return cut
  const slope = (taper - 1) / height
  for (let i = 0; i < p.length; i += 3) {
    const [x, y, z] = [p[i], p[i + 1] - low, p[i + 2]]
    const s = 1 + slope * y
    p[i] = x * s
    p[i + 2] = z * s
    n[i + 1] = n[i + 1] * s - slope * (n[i] * x + n[i + 2] * z)
    if (twist !== 0) twistVertex(p, n, i, low, twist / height)
    if (bend !== 0) bendVertex(p, n, i, low, bend / height)
    const length = Math.hypot(n[i], n[i + 1], n[i + 2]) || 1
    for (let k = 0; k < 3; k++) n[i + k] /= length
  }
  return cut
}

function twistVertex(p: Float32Array, n: Float32Array, i: number, low: number, rate: number): void {
  const [sin, cos] = [Math.sin((p[i + 1] - low) * rate), Math.cos((p[i + 1] - low) * rate)]
  const turned = (v: Float32Array): void => {
    const [x, z] = [v[i], v[i + 2]]
    v[i] = x * cos + z * sin
    v[i + 2] = -x * sin + z * cos
  }
  turned(p)
  turned(n)
  n[i + 1] -= rate * (p[i + 2] * n[i] - p[i] * n[i + 2])
}

function bendVertex(p: Float32Array, n: Float32Array, i: number, low: number, rate: number): void {
  const radius = 1 / rate
  const [x, y] = [p[i], p[i + 1] - low]
  const [sin, cos] = [Math.sin(y * rate), Math.cos(y * rate)]
  p[i] = radius - (radius - x) * cos
  p[i + 1] = low + (radius - x) * sin
  // How much the height is stretched at this distance from the middle.
  const stretch = Math.max((radius - x) * rate, 1e-3)
  const [nx, ny] = [n[i], n[i + 1] / stretch]
  n[i] = nx * cos + ny * sin
  n[i + 1] = -nx * sin + ny * cos
}

/** Splits every edge that spans more than one of so many layers, again and again, so that both faces beside it stay joined. */
function cutAcross(mesh: Mesh, layers: number): Mesh {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 1; i < mesh.positions.length; i += 3) {
    low = Math.min(low, mesh.positions[i])
    high = Math.max(high, mesh.positions[i])
  }
  const limit = ((high - low) / layers) * 1.001
  const positions = Array.from(mesh.positions)
  const normals = Array.from(mesh.normals)
  const uvs = mesh.uvs && Array.from(mesh.uvs)
  const colors = mesh.colors && Array.from(mesh.colors)
  const middles = new Map<string, number>()
  const middle = (a: number, b: number): number => {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`
    const known = middles.get(key)
    if (known !== undefined) return known
    const at = positions.length / 3
    for (let k = 0; k < 3; k++) {
      positions.push((positions[3 * a + k] + positions[3 * b + k]) / 2)
      normals.push(normals[3 * a + k] + normals[3 * b + k])
    }
    const length = Math.hypot(...normals.slice(3 * at)) || 1
    for (let k = 0; k < 3; k++) normals[3 * at + k] /= length
    uvs?.push((uvs[2 * a] + uvs[2 * b]) / 2, (uvs[2 * a + 1] + uvs[2 * b + 1]) / 2)
    for (let k = 0; k < 3; k++) colors?.push(Math.round((colors[3 * a + k] + colors[3 * b + k]) / 2))
    middles.set(key, at)
    return at
  }
  const long = (a: number, b: number): boolean => Math.abs(positions[3 * a + 1] - positions[3 * b + 1]) > limit
  const indices: number[] = []
  const split = (a: number, b: number, c: number): void => {
    const [ab, bc, ca] = [long(a, b), long(b, c), long(c, a)]
    if (!ab && !bc && !ca) return void indices.push(a, b, c)
    if (ab && bc && ca) {
      const [d, e, f] = [middle(a, b), middle(b, c), middle(c, a)]
      for (const t of [
        [a, d, f],
        [d, b, e],
        [f, e, c],
        [d, e, f],
      ] as const)
        split(...t)
    } else if (ab && ca) {
      const [d, f] = [middle(a, b), middle(c, a)]
      for (const t of [
        [a, d, f],
        [d, b, c],
        [d, c, f],
      ] as const)
        split(...t)
    } else if (ab && bc) {
      const [d, e] = [middle(a, b), middle(b, c)]
      for (const t of [
        [b, e, d],
        [e, c, a],
        [e, a, d],
      ] as const)
        split(...t)
    } else if (bc && ca) {
      const [e, f] = [middle(b, c), middle(c, a)]
      for (const t of [
        [c, f, e],
        [f, a, b],
        [f, b, e],
      ] as const)
        split(...t)
    } else if (ab) {
      const d = middle(a, b)
      for (const t of [
        [a, d, c],
        [d, b, c],
      ] as const)
        split(...t)
    } else if (bc) {
      const e = middle(b, c)
      for (const t of [
        [b, e, a],
        [e, c, a],
      ] as const)
        split(...t)
    } else {
      const f = middle(c, a)
      for (const t of [
        [c, f, b],
        [f, a, b],
      ] as const)
        split(...t)
    }
  }
  const sections: Section[] = mesh.sections.map((section) => {
    const start = indices.length
    for (let t = section.start; t < section.start + section.count; t += 3)
      split(mesh.indices[t], mesh.indices[t + 1], mesh.indices[t + 2])
    return { ...section, start, count: indices.length - start }
  })
  return {
    ...mesh,
    positions: new Float32Array(positions),
    normals: new Float32Array(normals),
    ...(uvs && { uvs: new Float32Array(uvs) }),
    ...(colors && { colors: new Uint8Array(colors) }),
    indices: new Uint32Array(indices),
    sections,
  }
}
