/**
 * The point of a simplex that is nearest to the origin, by the regions of its corners, edges and faces (Ericson, Real-Time
 * Collision Detection, 2005, section 5.1).
 *
 * @param s corners, three numbers each; those that the nearest point does not rest on are taken out
 * @param count how many corners it has, 1 to 4
 * @param out the nearest point
 * @returns how many corners are left; 4 where the origin lies inside
 */
export function closestOnSimplex(s: Float64Array, count: number, out: Float64Array): number {
  if (count === 1) {
    out.set(s.subarray(0, 3))
    return 1
  }
  if (count === 2) return onEdge(s, out)
  if (count === 3) return onTriangle(s, 0, 1, 2, out)
  return onTetrahedron(s, out)
}

const dot = (s: Float64Array, i: number, t: Float64Array, j: number): number =>
  s[3 * i] * t[3 * j] + s[3 * i + 1] * t[3 * j + 1] + s[3 * i + 2] * t[3 * j + 2]

const aside = new Float64Array(12)

function keep(s: Float64Array, corners: readonly number[]): number {
  for (let i = 0; i < corners.length; i++) for (let k = 0; k < 3; k++) aside[3 * i + k] = s[3 * corners[i] + k]
  for (let i = 0; i < 3 * corners.length; i++) s[i] = aside[i]
  return corners.length
}

function onEdge(s: Float64Array, out: Float64Array): number {
  const [aa, ab, bb] = [dot(s, 0, s, 0), dot(s, 0, s, 1), dot(s, 1, s, 1)]
  const length = aa - 2 * ab + bb
  const t = length > 0 ? (aa - ab) / length : 0
  if (t <= 0) {
    out.set(s.subarray(0, 3))
    return 1
  }
  if (t >= 1) {
    out.set(s.subarray(3, 6))
    return keep(s, [1])
  }
  for (let k = 0; k < 3; k++) out[k] = (1 - t) * s[k] + t * s[3 + k]
  return 2
}

/** On the triangle of three corners; leaves only those that count. */
function onTriangle(s: Float64Array, a: number, b: number, c: number, out: Float64Array): number {
  const kept = regionOfTriangle(s, a, b, c, out)
  return keep(s, kept)
}

function regionOfTriangle(s: Float64Array, a: number, b: number, c: number, out: Float64Array): number[] {
  const at = (corner: number, u = 1, other = corner, v = 0): void => {
    for (let k = 0; k < 3; k++) out[k] = u * s[3 * corner + k] + v * s[3 * other + k]
  }
  // Seen from a: along ab and ac towards the origin.
  const d1 = dot(s, a, s, a) - dot(s, a, s, b)
  const d2 = dot(s, a, s, a) - dot(s, a, s, c)
  if (d1 <= 0 && d2 <= 0) {
    at(a)
    return [a]
  }
  const d3 = dot(s, a, s, b) - dot(s, b, s, b)
  const d4 = dot(s, a, s, b) - dot(s, b, s, c)
  if (d3 >= 0 && d4 <= d3) {
    at(b)
    return [b]
  }
  const vc = d1 * d4 - d3 * d2
  if (vc <= 0 && d1 >= 0 && d3 <= 0) {
    const v = d1 / (d1 - d3)
    at(a, 1 - v, b, v)
    return [a, b]
  }
  const d5 = dot(s, a, s, c) - dot(s, b, s, c)
  const d6 = dot(s, a, s, c) - dot(s, c, s, c)
  if (d6 >= 0 && d5 <= d6) {
    at(c)
    return [c]
  }
  const vb = d5 * d2 - d1 * d6
  if (vb <= 0 && d2 >= 0 && d6 <= 0) {
    const w = d2 / (d2 - d6)
    at(a, 1 - w, c, w)
    return [a, c]
  }
  const va = d3 * d6 - d5 * d4
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    const w = (d4 - d3) / (d4 - d3 + (d5 - d6))
    at(b, 1 - w, c, w)
    return [b, c]
  }
  const whole = 1 / (va + vb + vc)
  for (let k = 0; k < 3; k++) out[k] = (va * s[3 * a + k] + vb * s[3 * b + k] + vc * s[3 * c + k]) * whole
  return [a, b, c]
}

const trial = new Float64Array(3)
/** The faces of a tetrahedron, each with the corner that lies over it. */
const FACES = [
  [0, 1, 2, 3],
  [0, 2, 3, 1],
  [0, 3, 1, 2],
  [1, 3, 2, 0],
] as const

function onTetrahedron(s: Float64Array, out: Float64Array): number {
  let [best, least]: [number[] | undefined, number] = [undefined, Infinity]
  for (const [a, b, c, d] of FACES) {
    if (!isOutside(s, a, b, c, d)) continue
    const kept = regionOfTriangle(s, a, b, c, trial)
    const square = trial[0] * trial[0] + trial[1] * trial[1] + trial[2] * trial[2]
    if (square < least) {
      least = square
      best = kept
      out.set(trial)
    }
  }
  if (!best) {
    out.fill(0)
    return 4
  }
  return keep(s, best)
}

/** Whether the origin lies on the other side of a face than its fourth corner; a flat tetrahedron has no inside. */
function isOutside(s: Float64Array, a: number, b: number, c: number, d: number): boolean {
  const [ux, uy, uz] = [s[3 * b] - s[3 * a], s[3 * b + 1] - s[3 * a + 1], s[3 * b + 2] - s[3 * a + 2]]
  const [vx, vy, vz] = [s[3 * c] - s[3 * a], s[3 * c + 1] - s[3 * a + 1], s[3 * c + 2] - s[3 * a + 2]]
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
  const origin = -(s[3 * a] * nx + s[3 * a + 1] * ny + s[3 * a + 2] * nz)
  const fourth = (s[3 * d] - s[3 * a]) * nx + (s[3 * d + 1] - s[3 * a + 1]) * ny + (s[3 * d + 2] - s[3 * a + 2]) * nz
  return origin * fourth <= 0
}
