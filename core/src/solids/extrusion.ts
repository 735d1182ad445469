import earcut from 'earcut'
import { buildCurve } from '../curves/build'
import type { Curve } from '../values/curve'
import type { Vec3 } from '../values/values'
import { type Mesh, MeshBuilder } from '../geometry/mesh'
import { pointsAlong } from './flatten'

type Flat = readonly [x: number, y: number]
type Ring = readonly Flat[]

/** Neighbouring walls that meet under this angle or less, in radians, are shaded as one smooth surface. */
const CREASE = Math.PI / 6

/**
 * Closed outlines made deep: standing upright on their lowest point, in the middle of their width and depth. An outline
 * that lies inside an odd number of others is a hole. A curve that lies on the ground is stood up, its far side at the top.
 *
 * @param depth from back to front, in metres
 */
export function extrusionMesh(curve: Curve, depth: number): Mesh {
  const mesh = new MeshBuilder()
  const built = buildCurve(curve)
  if (!built.ok) return mesh.build()
  const contours = built.value.map(pointsAlong)
  const lies = contours.every((points) => points.every((p) => Math.abs(p[1]) < 1e-9))
  const rings = centred(contours.map((points) => points.map((p): Flat => (lies ? [p[0], -p[2]] : [p[0], p[1]]))))
  const depths = rings.map((ring, i) => rings.filter((other, j) => i !== j && inside(ring[0], other)).length)
  for (const [i, ring] of rings.entries()) {
    if (depths[i] % 2 === 1) continue
    const holes = rings.filter((other, j) => depths[j] === depths[i] + 1 && inside(other[0], ring))
    solidOf(
      mesh,
      wound(ring, 1),
      holes.map((hole) => wound(hole, -1)),
      depth / 2,
    )
  }
  return mesh.build()
}

function centred(rings: readonly Ring[]): Ring[] {
  let [left, right, low] = [Infinity, -Infinity, Infinity]
  for (const [x, y] of rings.flat()) {
    left = Math.min(left, x)
    right = Math.max(right, x)
    low = Math.min(low, y)
  }
  const middle = (left + right) / 2
  return rings.filter((ring) => ring.length > 2).map((ring) => ring.map(([x, y]): Flat => [x - middle, y - low]))
}

const areaOf = (ring: Ring): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]
    return sum + (x * ny - nx * y) / 2
  }, 0)

const wound = (ring: Ring, sense: 1 | -1): Ring => (areaOf(ring) * sense < 0 ? [...ring].reverse() : ring)

/** Whether a point lies inside a ring, by crossings of a ray to the right. */
function inside([x, y]: Flat, ring: Ring): boolean {
  let odd = false
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [[ax, ay], [bx, by]] = [ring[i], ring[j]]
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) odd = !odd
  }
  return odd
}

function solidOf(mesh: MeshBuilder, outer: Ring, holes: readonly Ring[], half: number): void {
  const starts: number[] = []
  const all: Flat[] = [...outer]
  for (const hole of holes) {
    starts.push(all.length)
    all.push(...hole)
  }
  const triangles = earcut(
    all.flatMap(([x, y]) => [x, y]),
    starts,
  )
  for (const sign of [1, -1] as const) {
    const face = all.map(([x, y]) => mesh.vertex(x, y, sign * half, 0, 0, sign))
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((i) => face[triangles[t + i]])
      const [pa, pb, pc] = [0, 1, 2].map((i) => all[triangles[t + i]])
      const left = (pb[0] - pa[0]) * (pc[1] - pa[1]) - (pb[1] - pa[1]) * (pc[0] - pa[0]) > 0
      if (left === sign > 0) mesh.triangle(a, b, c)
      else mesh.triangle(a, c, b)
    }
  }
  for (const ring of [outer, ...holes]) wall(mesh, ring, half)
}

function wall(mesh: MeshBuilder, ring: Ring, half: number): void {
  const count = ring.length
  const normals = ring.map(([x, y], i): Vec3 => {
    const [nx, ny] = ring[(i + 1) % count]
    const n = Math.hypot(nx - x, ny - y) || 1
    return [(ny - y) / n, -(nx - x) / n, 0]
  })
  const joint = (a: number, b: number): Vec3 | undefined => {
    const [p, q] = [normals[a], normals[b]]
    if (p[0] * q[0] + p[1] * q[1] < Math.cos(CREASE)) return undefined
    const n = Math.hypot(p[0] + q[0], p[1] + q[1])
    return [(p[0] + q[0]) / n, (p[1] + q[1]) / n, 0]
  }
  for (let i = 0; i < count; i++) {
    const next = (i + 1) % count
    const from = joint((i + count - 1) % count, i) ?? normals[i]
    const to = joint(i, next) ?? normals[i]
    const corner = ([x, y]: Flat, z: number, [nx, ny]: Vec3): number => mesh.vertex(x, y, z, nx, ny, 0)
    mesh.quad(
      corner(ring[i], half, from),
      corner(ring[i], -half, from),
      corner(ring[next], -half, to),
      corner(ring[next], half, to),
    )
  }
}
