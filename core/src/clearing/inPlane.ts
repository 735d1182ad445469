import { goldenSection } from '../geometry/goldenSection'
import { mix } from '../slots'
import type { Bodies } from './bodies'
import type { Gap } from './gap'

const point = new Float64Array(3)
/** So many directions of a half circle are looked at before the best one is refined. */
const WAYS = 16
const REFINE = 24

/** By how much two bodies overlap seen along a direction of unit length: below 0 where they stand apart along it. */
export function overlapAlong(bodies: Bodies, i: number, j: number, x: number, y: number, z: number): number {
  bodies.support(i, x, y, z, point, 0)
  const first = x * point[0] + y * point[1] + z * point[2]
  bodies.support(j, -x, -y, -z, point, 0)
  return first - (x * point[0] + y * point[1] + z * point[2])
}

/**
 * The least move within the axes that are free that frees two bodies: along one axis the shorter of both ways; in a plane the
 * direction in which their shadows overlap least, looked for all round and refined by golden sections.
 *
 * @param way gets the direction, of unit length, from the first to the second
 * @returns by how much they overlap along it
 */
export function pushInPlane(
  bodies: Bodies,
  i: number,
  j: number,
  free: readonly [boolean, boolean, boolean],
  way: Float64Array,
  near: Readonly<Gap>,
): number {
  const axes = [0, 1, 2].filter((k) => free[k])
  way.fill(0)
  if (axes.length === 0) return -Infinity
  const { position: p, middle: m } = bodies
  const between = (k: number): number => p[3 * j + k] + m[3 * j + k] - p[3 * i + k] - m[3 * i + k]
  if (axes.length === 1) {
    const [k] = axes
    const aside = between(k) === 0 ? (mix(mix(i + 1) ^ j) & 1 ? 1 : -1) : Math.sign(between(k))
    way[k] = aside
    return overlapAlong(bodies, i, j, way[0], way[1], way[2])
  }
  const [a, b] = axes
  const at = (angle: number): number => {
    way[a] = Math.cos(angle)
    way[b] = Math.sin(angle)
    return overlapAlong(bodies, i, j, way[0], way[1], way[2])
  }
  // From the way between the middles, or that of the nearest points; for two in one place from a chance of theirs.
  const normal = [near.x, near.y, near.z]
  const [u, v] = [between(a), between(b)]
  const start =
    u !== 0 || v !== 0
      ? Math.atan2(v, u)
      : normal[a] !== 0 || normal[b] !== 0
        ? Math.atan2(normal[b], normal[a])
        : (2 * Math.PI * mix(mix(i + 1) ^ j)) / 2 ** 32
  let [best, least] = [start, at(start)]
  const step = (2 * Math.PI) / (2 * WAYS)
  for (let w = 1; w < 2 * WAYS; w++) {
    const overlap = at(start + w * step)
    if (overlap < least - 1e-12) [best, least] = [start + w * step, overlap]
  }
  const angle = goldenSection(at, best - step, best + step, REFINE)
  const refined = at(angle)
  return refined < least ? refined : at(best)
}
