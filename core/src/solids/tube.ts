import { buildCurve } from '../curves/build'
import { carried } from '../curves/frames'
import type { Curve } from '../values/curve'
import type { Vec3 } from '../values/values'
import { type Mesh, MeshBuilder } from '../geometry/mesh'
import { pointsAlong } from './flatten'

const unit = (v: Readonly<Vec3>): Vec3 => {
  const n = Math.hypot(...v) || 1
  return [v[0] / n, v[1] / n, v[2] / n]
}
const minus = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/**
 * A round tube along a curve, its section carried without turning about the curve, its ends closed flat. Where the curve
 * has a corner the section is widened, so that the tube keeps its thickness on both sides.
 *
 * @param thickness its diameter, in metres
 * @param sides flat sides round it
 */
export function tubeMesh(curve: Curve, thickness: number, sides = 16): Mesh {
  const mesh = new MeshBuilder()
  const built = buildCurve(curve)
  for (const contour of built.ok ? built.value : [])
    sweep(mesh, pointsAlong(contour), contour.closed, thickness / 2, sides)
  return mesh.build()
}

function sweep(mesh: MeshBuilder, points: readonly Vec3[], closed: boolean, radius: number, sides: number): void {
  const count = points.length
  if (count < 2) return
  const way = (i: number): Vec3 => unit(minus(points[(i + 1) % count], points[i % count]))
  const tangent = (i: number): Vec3 => {
    if (!closed && i === 0) return way(0)
    if (!closed && i === count - 1) return way(count - 2)
    const [a, b] = [way((i + count - 1) % count), way(i)]
    return unit([a[0] + b[0], a[1] + b[1], a[2] + b[2]])
  }
  const first = tangent(0)
  const up: Vec3 = Math.abs(first[1]) < 0.9 ? [0, 1, 0] : [0, 0, 1]
  const dot = up[0] * first[0] + up[1] * first[1] + up[2] * first[2]
  let top = unit([up[0] - dot * first[0], up[1] - dot * first[1], up[2] - dot * first[2]])
  const rings: number[] = []
  const stations = closed ? count + 1 : count
  for (let i = 0; i < stations; i++) {
    const k = i % count
    const t = tangent(k)
    if (i > 0) {
      const before = (i - 1) % count
      top = unit(carried(top, { point: points[before], tangent: tangent(before) }, { point: points[k], tangent: t }))
    }
    rings.push(ring(mesh, points[k], t, top, way(closed || k < count - 1 ? k : count - 2), radius, sides))
  }
  for (let i = 0; i + 1 < rings.length; i++) {
    for (let s = 0; s < sides; s++) mesh.quad(rings[i] + s, rings[i] + s + 1, rings[i + 1] + s + 1, rings[i + 1] + s)
  }
  if (closed) return
  cap(mesh, points[0], tangent(0), rings[0], sides, -1)
  cap(mesh, points[count - 1], tangent(count - 1), rings[rings.length - 1], sides, 1)
}

function ring(mesh: MeshBuilder, at: Vec3, tangent: Vec3, top: Vec3, way: Vec3, radius: number, sides: number): number {
  const side: Vec3 = [
    tangent[1] * top[2] - tangent[2] * top[1],
    tangent[2] * top[0] - tangent[0] * top[2],
    tangent[0] * top[1] - tangent[1] * top[0],
  ]
  // At a corner the section is an ellipse, longer in the plane of the two ways.
  const cos = Math.max(0.25, tangent[0] * way[0] + tangent[1] * way[1] + tangent[2] * way[2])
  const bend = minus(way, tangent.map((n) => n * cos) as Vec3)
  const bent = Math.hypot(...bend) > 1e-6 ? unit(bend) : undefined
  let start = -1
  for (let s = 0; s <= sides; s++) {
    const angle = (2 * Math.PI * (s % sides)) / sides
    const [c, d] = [Math.cos(angle), Math.sin(angle)]
    const n: Vec3 = [top[0] * c + side[0] * d, top[1] * c + side[1] * d, top[2] * c + side[2] * d]
    const wide = bent ? (n[0] * bent[0] + n[1] * bent[1] + n[2] * bent[2]) * (1 / cos - 1) : 0
    const p = [0, 1, 2].map((i) => at[i] + radius * (n[i] + (bent ? bent[i] * wide : 0)))
    const v = mesh.vertex(p[0], p[1], p[2], n[0], n[1], n[2])
    if (s === 0) start = v
  }
  return start
}

function cap(mesh: MeshBuilder, at: Vec3, tangent: Vec3, rim: number, sides: number, sign: 1 | -1): void {
  const n = tangent.map((v) => v * sign)
  const corner = (s: number): number => {
    const p = mesh.placeOf(rim + s)
    return mesh.vertex(p[0], p[1], p[2], n[0], n[1], n[2])
  }
  const centre = mesh.vertex(at[0], at[1], at[2], n[0], n[1], n[2])
  const corners = Array.from({ length: sides }, (_, s) => corner(s))
  for (let s = 0; s < sides; s++) {
    const [a, b] = [corners[s], corners[(s + 1) % sides]]
    if (sign > 0) mesh.triangle(centre, a, b)
    else mesh.triangle(centre, b, a)
  }
}
