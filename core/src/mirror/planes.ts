import type { MirrorPlane } from '../values/reflection'
import type { Vec3 } from '../values/values'
import { type Result, done, refused } from '../words'
import { type Isometry, type Plane, UNMOVED, afterEach, reflectionIn, sameIsometry } from '../geometry/isometry'

/** What a plane may go through, in the axes in which it is asked for. */
export interface PlaneContext {
  /** The middle of what is mirrored. */
  readonly centre: () => Vec3 | undefined
  /** The pivot of a copy. */
  readonly copyAt: (pattern: string, slot: string) => Vec3 | undefined
}

/** A plane in figures; a sentence where the copy that it goes through is not there. */
export function planeOf({ facing, through, offset }: MirrorPlane, { centre, copyAt }: PlaneContext): Result<Plane> {
  const normal = facing.kind === 'free' ? unit(facing.normal) : facingAxis(facing.axis, facing.angle)
  let at: Vec3 = [0, 0, 0]
  if (through.kind === 'point') at = through.at
  if (through.kind === 'centre') at = centre() ?? at
  if (through.kind === 'copy') {
    const pivot = copyAt(through.pattern, through.slot)
    if (!pivot) return refused('The copy that the plane goes through is not there. Choose another, or a place.')
    at = pivot
  }
  return done({ normal, distance: at[0] * normal[0] + at[1] * normal[1] + at[2] * normal[2] + offset })
}

function unit(v: Vec3): Vec3 {
  const n = Math.hypot(...v)
  return [v[0] / n, v[1] / n, v[2] / n]
}

/** The normal of a plane that faces an axis and is turned about up, or about deep where it is level. */
function facingAxis(axis: 'across' | 'up' | 'deep', angle: number): Vec3 {
  if (angle === 0) return axis === 'across' ? [1, 0, 0] : axis === 'up' ? [0, 1, 0] : [0, 0, 1]
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
  if (axis === 'across') return [cos, 0, -sin]
  return axis === 'up' ? [-sin, cos, 0] : [sin, 0, cos]
}

/** The plane through two points that stands upright, or through three; undefined where they do not settle one. */
export function planeThrough(points: readonly Readonly<Vec3>[]): { normal: Vec3; at: Vec3 } | undefined {
  const [a, b, c] = points
  const u = [0, 1, 2].map((i) => b[i] - a[i])
  const v = c ? [0, 1, 2].map((i) => c[i] - a[i]) : [0, 1, 0]
  const n: Vec3 = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const size = Math.hypot(...n)
  if (size <= 1e-9 * Math.hypot(...u) * Math.hypot(...v) || size === 0) return undefined
  return { normal: [n[0] / size, n[1] / size, n[2] / size], at: [...a] }
}

/** So many images can come of planes together; the largest set that closes up in space has 120 (Coxeter, Regular Polytopes, ch. 5). */
const MOST_IMAGES = 120

/**
 * All that reflecting across planes again and again comes to, the things themselves first: two of one plane, four of two at
 * right angles, 2k of two at 180° ÷ k, eight of three at right angles.
 *
 * @returns a sentence where planes lie in each other, or where they never close up
 */
export function imagesOf(planes: readonly Plane[]): Result<readonly Isometry[]> {
  for (const [i, a] of planes.entries()) {
    for (const b of planes.slice(0, i)) {
      const fault = angleFault(a, b)
      if (fault) return fault
    }
  }
  const length = Math.max(...planes.map((p) => Math.abs(p.distance)))
  const mirrors = planes.map(reflectionIn)
  const images: Isometry[] = [UNMOVED]
  for (let i = 0; i < images.length; i++) {
    for (const mirror of mirrors) {
      const next = afterEach(mirror, images[i])
      if (images.some((known) => sameIsometry(known, next, length))) continue
      if (images.length >= MOST_IMAGES)
        return refused(
          'These planes make copies without end. Let all of them meet in one point, at 180° ÷ a whole number.',
        )
      images.push(next)
    }
  }
  return done(images)
}

function angleFault(a: Plane, b: Plane): ReturnType<typeof refused> | undefined {
  const dot = a.normal[0] * b.normal[0] + a.normal[1] * b.normal[1] + a.normal[2] * b.normal[2]
  const cross = Math.hypot(
    a.normal[1] * b.normal[2] - a.normal[2] * b.normal[1],
    a.normal[2] * b.normal[0] - a.normal[0] * b.normal[2],
    a.normal[0] * b.normal[1] - a.normal[1] * b.normal[0],
  )
  const angle = Math.atan2(cross, Math.abs(dot))
  if (angle < 1e-9)
    return refused(
      Math.abs(a.distance - Math.sign(dot) * b.distance) < 1e-9
        ? 'Two of the planes are the same one. Turn one of them, or take it away.'
        : 'Two of the planes are parallel: between them copies never end. Turn one of them, or take it away.',
    )
  if (Math.abs(Math.PI / angle - Math.round(Math.PI / angle)) < 1e-7) return undefined
  const below = Math.PI / Math.ceil(Math.PI / angle)
  const above = Math.PI / Math.max(2, Math.floor(Math.PI / angle))
  return refused(
    'The planes stand at ',
    { angle },
    ': images close up only at 180° ÷ a whole number. Try ',
    { angle: below },
    ' or ',
    { angle: above },
    '.',
  )
}
