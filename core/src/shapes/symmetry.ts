import type { Vec3 } from '../values/values'
import { type Quaternion, turnMatrix } from '../geometry/rotation'
import type { Mesh } from '../geometry/mesh'
import { alike, anchorsOf } from './anchors'
import type { PlaceIndex } from '../geometry/placeIndex'
import { type Cloud, cloudOf, indexOf, MARKS, pointAt, ROUNDING } from './cloud'
import { Creases } from './creases'

/** A plane in which a shape is its own mirror image: normal · p = distance, in metres about the shape's pivot. */
export interface SymmetryPlane {
  readonly normal: Vec3
  readonly distance: number
  /** The largest distance of a mirrored vertex from the vertex that it falls on, in metres. */
  readonly deviation: number
}

/** By how much a shape may miss its mirror image, as a share of its spread. */
const TOLERANCE = 2e-5
/** So many points are compared at the most; a finer shape is told its planes as far as they were found by then. */
const MOST_WORK = 8e6

/** The ways in which a shape falls on itself. */
export class Symmetry {
  readonly planes: readonly SymmetryPlane[]
  /** The middle of its vertices; every symmetry leaves it where it is. */
  readonly middle: Vec3
  private readonly cloud: Cloud
  private readonly index: PlaceIndex
  private readonly creases: Creases
  private readonly room: number
  private readonly known = new Map<string, boolean>()
  private work = 0

  constructor(mesh: Mesh) {
    this.cloud = cloudOf(mesh)
    this.middle = [...this.cloud.middle]
    this.index = indexOf(this.cloud)
    this.creases = new Creases(this.cloud)
    const far = Math.hypot(...this.cloud.middle) / this.cloud.spread
    this.room = TOLERANCE + 8 * ROUNDING * (1 + far)
    this.planes = this.findPlanes()
  }

  /** Whether a turn about the middle brings the shape onto itself. */
  turnsOntoItself(turn: Quaternion): boolean {
    // As q and −q are one turn, the sign is that of the largest number.
    const sign = turn[turn.reduce((most, n, i) => (Math.abs(n) > Math.abs(turn[most]) ? i : most), 0)] < 0 ? -1 : 1
    const key = turn.map((n) => Math.round(sign * n * 1e7)).join(' ')
    let answer = this.known.get(key)
    if (answer === undefined) {
      answer = this.fallsOnItself(turnMatrix(turn), false) !== undefined
      this.known.set(key, answer)
    }
    return answer
  }

  private findPlanes(): SymmetryPlane[] {
    const found: SymmetryPlane[] = []
    for (const normal of this.candidates()) {
      const [x, y, z] = normal
      const householder = Float64Array.of(
        1 - 2 * x * x,
        -2 * x * y,
        -2 * x * z,
        -2 * x * y,
        1 - 2 * y * y,
        -2 * y * z,
        -2 * x * z,
        -2 * y * z,
        1 - 2 * z * z,
      )
      const deviation = this.fallsOnItself(householder, true)
      if (deviation !== undefined) {
        const distance = this.middle.reduce((sum, n, i) => sum + n * normal[i], 0)
        found.push({ normal, distance, deviation: deviation * this.cloud.spread })
      }
      if (this.work > MOST_WORK) break
    }
    return found
  }

  /**
   * Normals of planes that may do: a mirroring brings the rarest point onto one with like surroundings, which settles the
   * plane, or leaves it and the second rarest in the plane. All planes go through the middle. Those that face an axis come first.
   */
  private candidates(): Vec3[] {
    const { cloud, room } = this
    const anchors = anchorsOf(cloud)
    if (!anchors) return []
    const [p, q] = [pointAt(cloud.points, anchors.first), pointAt(cloud.points, anchors.second)]
    const out: Vec3[] = []
    const add = (v: Vec3): void => {
      const normal = tidied(v)
      if (normal && !out.some((n) => Math.abs(n[0] * normal[0] + n[1] * normal[1] + n[2] * normal[2]) > 1 - 1e-9))
        out.push(normal)
    }
    for (const i of alike(cloud, anchors.first, cloud, room))
      if (i !== anchors.first) add(pointAt(cloud.points, i).map((n, k) => n - p[k]) as Vec3)
    for (const j of alike(cloud, anchors.second, cloud, room)) {
      const r = pointAt(cloud.points, j)
      if (j !== anchors.second) add(r.map((n, k) => n - q[k]) as Vec3)
      else add([p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0]])
    }
    const straight = (n: Vec3): number => Math.round(1e6 * Math.max(...n.map(Math.abs)))
    const along = (n: Vec3): number => n.findIndex((c) => Math.abs(c) > 0.5)
    return out.sort((a, b) => straight(b) - straight(a) || along(a) - along(b))
  }

  /** The largest deviation, in spreads, where a matrix about the middle brings points, edges and surface onto themselves. */
  private fallsOnItself(m: Float64Array, mirrored: boolean): number | undefined {
    const { points, count, marks } = this.cloud
    const matched = new Uint32Array(count)
    const taken = new Uint8Array(count)
    let worst = 0
    const match = (i: number): number => {
      const [x, y, z] = [points[3 * i], points[3 * i + 1], points[3 * i + 2]]
      const [rx, ry, rz] = [
        m[0] * x + m[1] * y + m[2] * z,
        m[3] * x + m[4] * y + m[5] * z,
        m[6] * x + m[7] * y + m[8] * z,
      ]
      this.work++
      const j = this.index.nearest(rx, ry, rz, this.room)
      if (j < 0 || Math.abs(marks[MARKS * i] - marks[MARKS * j]) > 2 * this.room) return -1
      worst = Math.max(worst, Math.hypot(points[3 * j] - rx, points[3 * j + 1] - ry, points[3 * j + 2] - rz))
      return j
    }
    // Points spread over the whole first, so that a wrong plane shows at once.
    const stride = Math.max(1, Math.floor(count / 16))
    for (let i = 0; i < count; i += stride) if (match(i) < 0) return undefined
    for (let i = 0; i < count; i++) {
      const j = match(i)
      if (j < 0 || taken[j]) return undefined
      taken[j] = 1
      matched[i] = j
    }
    return this.creases.fallOnThemselves(matched, m, mirrored) ? worst : undefined
  }
}

/** A direction of unit length whose first number that is not 0 is above 0, rounding along axes taken out; undefined for none. */
function tidied(v: Vec3): Vec3 | undefined {
  const size = Math.hypot(...v)
  if (!(size > 1e-6)) return undefined
  const n = v.map((c) => (Math.abs(c / size) < 1e-6 ? 0 : c / size))
  const again = Math.hypot(...n)
  const sign = n.find((c) => c !== 0)! < 0 ? -1 : 1
  return n.map((c) => (sign * c) / again + 0) as Vec3
}

const known = new WeakMap<Mesh, Symmetry>()
/** The symmetries of a mesh, found once. */
export function symmetryOf(mesh: Mesh): Symmetry {
  const found = known.get(mesh) ?? new Symmetry(mesh)
  known.set(mesh, found)
  return found
}
