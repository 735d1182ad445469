import { type Mesh, MeshBuilder } from '../geometry/mesh'

export interface ProfilePoint {
  readonly radius: number
  readonly height: number
  /** Colour of the surface from this point to the next. */
  readonly color?: string
}

export interface RevolveOptions {
  /** Flat sides round the axis. */
  readonly sides?: number
  /** The last point joins the first, as in a torus. */
  readonly closed?: boolean
  /** Neighbouring stretches that meet under this angle or less, in radians, are shaded as one smooth surface. */
  readonly crease?: number
}

const defaults: Required<RevolveOptions> = { sides: 48, closed: false, crease: Math.PI / 5 }

/**
 * Turns a profile about the up axis. Run from the bottom of the axis outward and up, so that outside is on its right.
 *
 * @example revolve([{ radius: 0, height: 0 }, { radius: 1, height: 0 }, { radius: 1, height: 2 }, { radius: 0, height: 2 }])
 */
export function revolve(profile: readonly ProfilePoint[], options: RevolveOptions = {}): Mesh {
  const { closed, crease } = { ...defaults, ...options }
  const sides = options.sides ?? defaults.sides
  const points = profile.filter(
    (p, i) => i === 0 || p.radius !== profile[i - 1].radius || p.height !== profile[i - 1].height,
  )
  const stretches = closed ? points.length : points.length - 1
  const normals = Array.from({ length: stretches }, (_, i) => normalOf(points[i], points[(i + 1) % points.length]))
  const mesh = new MeshBuilder()

  const ring = (point: ProfilePoint, [outward, upward]: Normal): number => {
    let first = -1
    for (let s = 0; s <= sides; s++) {
      const angle = (2 * Math.PI * s) / sides
      const [sin, cos] = s === sides ? [0, 1] : [Math.sin(angle), Math.cos(angle)]
      const vertex = mesh.vertex(
        point.radius * sin,
        point.height,
        point.radius * cos,
        outward * sin,
        upward,
        outward * cos,
      )
      if (s === 0) first = vertex
    }
    return first
  }
  /** The normal at the joint of two stretches, or undefined where it stays sharp or the colour changes. */
  const joint = (before: number, after: number): Normal | undefined => {
    if (before < 0 || after >= stretches)
      return closed ? joint((before + stretches) % stretches, after % stretches) : undefined
    const [a, b] = [normals[before], normals[after]]
    if (colorAt(before) !== colorAt(after) || a[0] * b[0] + a[1] * b[1] < Math.cos(crease)) return undefined
    return unit(a[0] + b[0], a[1] + b[1])
  }
  const colorAt = (stretch: number): string | undefined => points[stretch].color

  let shared: number | undefined
  for (let i = 0; i < stretches; i++) {
    const [from, to] = [points[i], points[(i + 1) % points.length]]
    const start = shared ?? ring(from, joint(i - 1, i) ?? normals[i])
    const next = joint(i, i + 1)
    const end = ring(to, next ?? normals[i])
    mesh.section(from.color)
    for (let s = 0; s < sides; s++) {
      if (from.radius > 0) mesh.triangle(start + s, start + s + 1, end + s + 1)
      if (to.radius > 0) mesh.triangle(start + s, end + s + 1, end + s)
    }
    shared = next ? end : undefined
  }
  return mesh.build()
}

type Normal = readonly [outward: number, upward: number]

const unit = (a: number, b: number): Normal => {
  const length = Math.hypot(a, b) || 1
  return [a / length, b / length]
}

const normalOf = (a: ProfilePoint, b: ProfilePoint): Normal => unit(b.height - a.height, a.radius - b.radius)
