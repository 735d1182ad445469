import { type Section, sameColor } from '../geometry/mesh'
import type { Cloud } from './cloud'
import { LEAN, samePlace } from './corners'

/** Normals on the two sides of an edge that lean less than this from each other make one flat face. */
const FLAT = 1 - 1e-7

/**
 * What makes a surface of a cloud of points, but for how its flat faces are cut into triangles: the edges at which it bends,
 * ends or changes its look, each in the sense in which its face runs round, and what the vertices at each point carry.
 */
export class Creases {
  /** first · count + second for each edge. */
  private readonly edges = new Set<number>()
  /** The vertices at each point begin here in `vertices`. */
  private readonly starts: Uint32Array
  private readonly vertices: Uint32Array
  /** The looks that meet in a vertex, as bits. */
  private readonly looks: Uint32Array

  constructor(private readonly cloud: Cloud) {
    const { mesh, count, pointOf } = cloud
    const { indices, positions } = mesh
    const lookOf = looksOf(mesh.sections, indices.length)
    const normals = new Float64Array(indices.length)
    const sideOf = new Map<number, number>()
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((i) => pointOf[indices[t + i]])
      if (a === b || b === c || c === a) continue
      const [p, q, r] = [0, 1, 2].map((i) => 3 * indices[t + i])
      const u = [0, 1, 2].map((k) => positions[q + k] - positions[p + k])
      const v = [0, 1, 2].map((k) => positions[r + k] - positions[p + k])
      const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
      const size = Math.hypot(...n) || 1
      for (let k = 0; k < 3; k++) normals[t + k] = n[k] / size
      for (const [from, to] of [
        [a, b],
        [b, c],
        [c, a],
      ])
        sideOf.set(from * count + to, t)
    }
    for (const [edge, t] of sideOf) {
      const [from, to] = [Math.floor(edge / count), edge % count]
      const other = sideOf.get(to * count + from)
      const flat =
        other !== undefined &&
        lookOf[t / 3] === lookOf[other / 3] &&
        normals[t] * normals[other] + normals[t + 1] * normals[other + 1] + normals[t + 2] * normals[other + 2] > FLAT
      if (!flat) this.edges.add(edge)
    }
    this.starts = new Uint32Array(count + 1)
    for (const p of pointOf) this.starts[p + 1]++
    for (let i = 0; i < count; i++) this.starts[i + 1] += this.starts[i]
    this.vertices = new Uint32Array(pointOf.length)
    const next = this.starts.slice()
    for (let v = 0; v < pointOf.length; v++) this.vertices[next[pointOf[v]]++] = v
    this.looks = new Uint32Array(pointOf.length)
    for (let i = 0; i < indices.length; i++) this.looks[indices[i]] |= 1 << (lookOf[Math.floor(i / 3)] % 31)
  }

  /**
   * Whether a matrix brings the surface onto itself, once it is known where it brings each point.
   *
   * @param matched the point on which each point falls
   */
  fallOnThemselves(matched: Uint32Array, m: Float64Array, mirrored: boolean): boolean {
    const { count, pointOf, mesh } = this.cloud
    for (const edge of this.edges) {
      const [from, to] = [matched[Math.floor(edge / count)], matched[edge % count]]
      if (!this.edges.has(mirrored ? to * count + from : from * count + to)) return false
    }
    const { normals, uvs, colors } = mesh
    for (let v = 0; v < pointOf.length; v++) {
      if (this.looks[v] === 0) continue
      const [x, y, z] = [normals[3 * v], normals[3 * v + 1], normals[3 * v + 2]]
      const nx = m[0] * x + m[1] * y + m[2] * z
      const ny = m[3] * x + m[4] * y + m[5] * z
      const nz = m[6] * x + m[7] * y + m[8] * z
      const point = matched[pointOf[v]]
      let found = false
      for (let i = this.starts[point]; i < this.starts[point + 1] && !found; i++) {
        const w = this.vertices[i]
        found =
          this.looks[w] === this.looks[v] &&
          nx * normals[3 * w] + ny * normals[3 * w + 1] + nz * normals[3 * w + 2] > LEAN &&
          (!uvs || samePlace(uvs, v, uvs, w)) &&
          (!colors || sameColor(colors, v, colors, w))
      }
      if (!found) return false
    }
    return true
  }
}

/** Which look each triangle has: those that look alike have one number. */
function looksOf(sections: readonly Section[], corners: number): Uint32Array {
  const of = new Uint32Array(corners / 3)
  const numbers = new Map<string, number>()
  for (const { start, count, color, roughness, metal, picture } of sections) {
    const key = `${color} ${roughness} ${metal} ${picture}`
    const number = numbers.get(key) ?? numbers.size
    numbers.set(key, number)
    of.fill(number, start / 3, (start + count) / 3)
  }
  return of
}
