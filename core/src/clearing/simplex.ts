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
  if (count === 1) return keep(s, atCorner(s, 0, out))
  if (count === 2) return keep(s, onEdge(s, out))
  if (count === 3) return keep(s, onTriangle(s, 0, 1, 2, out))
  return onTetrahedron(s, out)
}

const dot = (s: Float64Array, i: number, j: number): number =>
  s[3 * i] * s[3 * j] + s[3 * i + 1] * s[3 * j + 1] + s[3 * i + 2] * s[3 * j + 2]

/** The corners on which the nearest point rests, as they are found. */
const rests = new Uint8Array(3)
const aside = new Float64Array(9)

/** Leaves so many corners of those that are named, in the order in which they are. */
function keep(s: Float64Array, count: number, named = rests): number {
  for (let i = 0; i < count; i++) for (let k = 0; k < 3; k++) aside[3 * i + k] = s[3 * named[i] + k]
  for (let i = 0; i < 3 * count; i++) s[i] = aside[i]
  return count
}

function atCorner(s: Float64Array, a: number, out: Float64Array): number {
  out[0] = s[3 * a]
  out[1] = s[3 * a + 1]
  out[2] = s[3 * a + 2]
  rests[0] = a
  return 1
}

/** At a share of the way from one corner to another. */
function between(s: Float64Array, a: number, b: number, share: number, out: Float64Array): number {
  for (let k = 0; k < 3; k++) out[k] = (1 - share) * s[3 * a + k] + share * s[3 * b + k]
  rests[0] = a
  rests[1] = b
  return 2
}

function onEdge(s: Float64Array, out: Float64Array): number {
  const aa = dot(s, 0, 0)
  const ab = dot(s, 0, 1)
  const bb = dot(s, 1, 1)
  const length = aa - 2 * ab + bb
  const share = length > 0 ? (aa - ab) / length : 0
  if (share <= 0) return atCorner(s, 0, out)
  if (share >= 1) return atCorner(s, 1, out)
  return between(s, 0, 1, share, out)
}

/** On the triangle of three corners; tells how many of them count, and names them in `rests`. */
function onTriangle(s: Float64Array, a: number, b: number, c: number, out: Float64Array): number {
  const aa = dot(s, a, a)
  const ab = dot(s, a, b)
  const ac = dot(s, a, c)
  // Seen from a: along ab and ac towards the origin.
  const d1 = aa - ab
  const d2 = aa - ac
  if (d1 <= 0 && d2 <= 0) return atCorner(s, a, out)
  const bb = dot(s, b, b)
  const bc = dot(s, b, c)
  const d3 = ab - bb
  const d4 = ab - bc
  if (d3 >= 0 && d4 <= d3) return atCorner(s, b, out)
  const vc = d1 * d4 - d3 * d2
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return between(s, a, b, d1 / (d1 - d3), out)
  const d5 = ac - bc
  const d6 = ac - dot(s, c, c)
  if (d6 >= 0 && d5 <= d6) return atCorner(s, c, out)
  const vb = d5 * d2 - d1 * d6
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return between(s, a, c, d2 / (d2 - d6), out)
  const va = d3 * d6 - d5 * d4
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) return between(s, b, c, (d4 - d3) / (d4 - d3 + (d5 - d6)), out)
  const whole = 1 / (va + vb + vc)
  for (let k = 0; k < 3; k++) out[k] = (va * s[3 * a + k] + vb * s[3 * b + k] + vc * s[3 * c + k]) * whole
  rests[0] = a
  rests[1] = b
  rests[2] = c
  return 3
}

const trial = new Float64Array(3)
const best = new Uint8Array(3)
/** The faces of a tetrahedron, each with the corner that lies over it. */
const FACES = [0, 1, 2, 3, 0, 2, 3, 1, 0, 3, 1, 2, 1, 3, 2, 0]

function onTetrahedron(s: Float64Array, out: Float64Array): number {
  let least = Infinity
  let found = 0
  for (let f = 0; f < FACES.length; f += 4) {
    const a = FACES[f]
    const b = FACES[f + 1]
    const c = FACES[f + 2]
    if (!isOutside(s, a, b, c, FACES[f + 3])) continue
    const count = onTriangle(s, a, b, c, trial)
    const square = trial[0] * trial[0] + trial[1] * trial[1] + trial[2] * trial[2]
    if (!(square < least)) continue
    least = square
    found = count
    best.set(rests)
    out.set(trial)
  }
  if (found > 0) return keep(s, found, best)
  out[0] = 0
  out[1] = 0
  out[2] = 0
  return 4
}

/** Whether the origin lies on the other side of a face than its fourth corner; a flat tetrahedron has no inside. */
function isOutside(s: Float64Array, a: number, b: number, c: number, d: number): boolean {
  const x = s[3 * a]
  const y = s[3 * a + 1]
  const z = s[3 * a + 2]
  const ux = s[3 * b] - x
  const uy = s[3 * b + 1] - y
  const uz = s[3 * b + 2] - z
  const vx = s[3 * c] - x
  const vy = s[3 * c + 1] - y
  const vz = s[3 * c + 2] - z
  const nx = uy * vz - uz * vy
  const ny = uz * vx - ux * vz
  const nz = ux * vy - uy * vx
  const origin = -(x * nx + y * ny + z * nz)
  const fourth = (s[3 * d] - x) * nx + (s[3 * d + 1] - y) * ny + (s[3 * d + 2] - z) * nz
  return origin * fourth <= 0
}
