import { type Quaternion, turnMatrix } from '../geometry/rotation'
import { type Mesh, type MeshPicture, type Section, sameNumbers } from '../geometry/mesh'
import type { Cloud } from './cloud'
import { type Corners, type SurfaceFault, faultOf } from './corners'

/** Triangles of a mesh by the lowest of their points, to look one up. Kept for the shape that others are compared with. */
export class Surface {
  private readonly starts: Uint32Array
  /** First corners of triangles, sorted by their lowest points. */
  private readonly sorted: Uint32Array
  private readonly sectionOf: Uint32Array
  /** 1 for each triangle that makes a flat quadrangle with a neighbour: it may be cut along the other diagonal elsewhere. */
  private readonly flat: Uint8Array
  private readonly flatCount: number
  /** The corner of the triangle found last at which the first point asked for lies, and that triangle's first corner. */
  private corner = 0
  private triangle = 0

  constructor(readonly cloud: Cloud) {
    const { mesh, count, pointOf } = cloud
    const { indices } = mesh
    this.starts = new Uint32Array(count + 1)
    const lowest = (t: number): number =>
      Math.min(pointOf[indices[t]], pointOf[indices[t + 1]], pointOf[indices[t + 2]])
    for (let t = 0; t < indices.length; t += 3) this.starts[lowest(t) + 1]++
    for (let i = 0; i < count; i++) this.starts[i + 1] += this.starts[i]
    const next = this.starts.slice()
    this.sorted = new Uint32Array(indices.length / 3)
    for (let t = 0; t < indices.length; t += 3) this.sorted[next[lowest(t)]++] = t
    this.sectionOf = sectionsOf(mesh.sections, indices.length)
    this.flat = new Uint8Array(indices.length / 3)
    const triangles = Array.from(this.flat, (_, n) => [0, 1, 2].map((i) => pointOf[indices[3 * n + i]]))
    for (const [key, pair] of quadsOf(triangles))
      if (isFlat(cloud.points, key.split(' ').map(Number))) for (const n of pair) this.flat[n] = 1
    this.flatCount = this.flat.reduce((n, f) => n + f, 0)
  }

  /** Looks for a triangle through three points in this sense of turning that is not used yet. */
  private find(a: number, b: number, c: number, used: Uint8Array): boolean {
    const { pointOf, mesh } = this.cloud
    const { indices } = mesh
    const lowest = Math.min(a, b, c)
    for (let n = this.starts[lowest]; n < this.starts[lowest + 1]; n++) {
      const t = this.sorted[n]
      if (used[t / 3]) continue
      const p = pointOf[indices[t]]
      const q = pointOf[indices[t + 1]]
      const r = pointOf[indices[t + 2]]
      let corner = -1
      if (p === a && q === b && r === c) corner = 0
      else if (q === a && r === b && p === c) corner = 1
      else if (r === a && p === b && q === c) corner = 2
      if (corner < 0) continue
      this.corner = corner
      this.triangle = t
      return true
    }
    return false
  }

  /**
   * Compares another cloud's triangles, shading, pictures and looks with these.
   *
   * @param matched the point here for each point of the other
   * @param turn from the other to here
   * @param mirrored whether the other was mirrored across first
   */
  compare(other: Cloud, matched: Uint32Array, turn: Quaternion, mirrored: boolean): SurfaceFault | undefined {
    const ours = this.cloud.mesh
    const theirs = other.mesh
    const { pointOf } = other
    const used = new Uint8Array(this.sorted.length)
    const theirSection = sectionsOf(theirs.sections, theirs.indices.length)
    const alike = ours.sections.map((a) => theirs.sections.map((b) => sameLook(ours, a, theirs, b)))
    const corners: Corners = { ours, theirs, m: turnMatrix(turn), mirrored }
    const left: number[] = []
    for (let t = 0; t < theirs.indices.length; t += 3) {
      const va = theirs.indices[t]
      const vb = theirs.indices[mirrored ? t + 2 : t + 1]
      const vc = theirs.indices[mirrored ? t + 1 : t + 2]
      if (!this.find(matched[pointOf[va]], matched[pointOf[vb]], matched[pointOf[vc]], used)) {
        left.push(t)
        if (left.length > this.flatCount) return 'triangles'
        continue
      }
      const found = this.triangle
      const first = this.corner
      used[found / 3] = 1
      const section = this.sectionOf[found / 3]
      if (!alike[section][theirSection[t / 3]]) return 'look'
      const pictured = ours.sections[section].picture !== undefined
      for (let i = 0; i < 3; i++) {
        const at = first + i
        const v = ours.indices[found + (at < 3 ? at : at - 3)]
        const fault = faultOf(corners, v, i === 0 ? va : i === 1 ? vb : vc, pictured)
        if (fault) return fault
      }
    }
    if (left.length === 0) return undefined
    const rest = Array.from(used.keys()).filter((n) => !used[n])
    return this.compareQuads(
      other,
      matched,
      corners,
      left,
      rest,
      (n, t) => alike[this.sectionOf[n]][theirSection[t / 3]],
    )
  }

  /** Whether what is left over on both sides are the same flat quadrangles, only cut along their other diagonals. */
  private compareQuads(
    other: Cloud,
    matched: Uint32Array,
    corners: Corners,
    left: readonly number[],
    rest: readonly number[],
    lookAlike: (ours: number, theirs: number) => boolean,
  ): SurfaceFault | undefined {
    if (left.length !== rest.length || rest.some((n) => !this.flat[n])) return 'triangles'
    const { pointOf, mesh, points } = this.cloud
    const theirs = left.map((t) => [0, 1, 2].map((i) => matched[other.pointOf[other.mesh.indices[t + i]]]))
    const ours = rest.map((n) => [0, 1, 2].map((i) => pointOf[mesh.indices[3 * n + i]]))
    const [a, b] = [quadsOf(ours), quadsOf(theirs)]
    const covered = new Set<number>()
    const theirsCovered = new Set<number>()
    for (const [key, pair] of a) {
      const match = b.get(key)
      if (!match || !isFlat(points, key.split(' ').map(Number))) continue
      for (const n of pair) covered.add(n)
      for (const n of match) theirsCovered.add(n)
      if (pair.some((n) => match.some((k) => !lookAlike(rest[n], left[k])))) return 'look'
      const pictured = mesh.sections[this.sectionOf[rest[pair[0]]]].picture !== undefined
      // Both cuts have a corner at each of the four points, though not in triangles that answer each other.
      for (const k of match)
        for (const [i, point] of theirs[k].entries()) {
          const n = pair.find((n) => ours[n].includes(point))!
          const v = mesh.indices[3 * rest[n] + ours[n].indexOf(point)]
          const fault = faultOf(corners, v, other.mesh.indices[left[k] + i], pictured)
          if (fault) return fault
        }
    }
    return covered.size === ours.length && theirsCovered.size === theirs.length ? undefined : 'triangles'
  }
}

/** Pairs of triangles that share an edge, by their four points. */
function quadsOf(triangles: readonly (readonly number[])[]): Map<string, readonly [number, number]> {
  const byEdge = new Map<string, number>()
  const quads = new Map<string, readonly [number, number]>()
  for (const [n, corners] of triangles.entries()) {
    for (let i = 0; i < 3; i++) {
      const [p, q] = [corners[i], corners[(i + 1) % 3]].sort((x, y) => x - y)
      const key = `${p} ${q}`
      const before = byEdge.get(key)
      if (before === undefined) byEdge.set(key, n)
      else {
        const four = [...new Set([...triangles[before], ...corners])].sort((x, y) => x - y)
        if (four.length === 4) quads.set(four.join(' '), [before, n])
      }
    }
  }
  return quads
}

/** Whether four points lie in one plane, by the height of the last above the first three. */
function isFlat(p: Float64Array, [a, b, c, d]: readonly number[]): boolean {
  const way = (i: number): readonly [number, number, number] => [
    p[3 * i] - p[3 * a],
    p[3 * i + 1] - p[3 * a + 1],
    p[3 * i + 2] - p[3 * a + 2],
  ]
  const [u, v, w] = [way(b), way(c), way(d)]
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = Math.hypot(...n)
  return length > 0 && Math.abs(n[0] * w[0] + n[1] * w[1] + n[2] * w[2]) / length < 1e-4
}

function sectionsOf(sections: readonly Section[], corners: number): Uint32Array {
  const of = new Uint32Array(corners / 3)
  for (const [s, { start, count }] of sections.entries()) of.fill(s, start / 3, (start + count) / 3)
  return of
}

const sameLook = (ours: Mesh, a: Section, theirs: Mesh, b: Section): boolean =>
  a.color === b.color &&
  a.roughness === b.roughness &&
  a.metal === b.metal &&
  samePicture(pictureOf(ours, a), pictureOf(theirs, b))

const pictureOf = (mesh: Mesh, { picture }: Section): MeshPicture | undefined =>
  picture === undefined ? undefined : mesh.pictures?.[picture]

const samePicture = (a: MeshPicture | undefined, b: MeshPicture | undefined): boolean =>
  a === b || (!!a && !!b && sameNumbers(a.bytes, b.bytes))
