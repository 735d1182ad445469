import { type Area, depthAt } from './area'

/** Places on a level are brought to it to so much, in metres. */
const EXACT = 1e-12
const ROUNDS = 8
/** What lies no further from a depth is on it, in metres. */
const ON_IT = 1e-9

/**
 * The closed curves on which places lie just so deep inside an area: for a depth above 0 its outline drawn in by as much, with the parts
 * that meet left out.
 *
 * Squares of one size are walked round (marching squares, Lorensen and Cline's cubes in the plane); where a curve crosses their sides is
 * then brought to the depth itself. Depth changes by no more than one goes, so that of the squares far from the curve nothing is asked:
 * drawing in edge by edge and cutting what crosses was tried first, and lost loops where outlines of lettering nearly touch.
 *
 * @param depth in metres
 * @param step the side of the squares: what is smaller than they are may be missed, and corners are rounded within one
 * @returns the corners of each curve as pairs, in order round it; the last one goes on to the first
 */
export function curvesAtDepth(area: Area, depth: number, step: number): Float64Array[] {
  const { low, high } = area
  // Half a square beyond the outline, so that no curve ends at the last one.
  const from = [low[0] - step / 2, low[1] - step / 2]
  const cuts = Math.ceil(Math.log2(Math.max(high[0] - low[0], high[1] - low[1], step) / step + 2))
  const side = 2 ** cuts + 1
  const depths = new Map<number, number>()
  const over = (i: number, j: number): number => {
    const key = i * side + j
    const known = depths.get(key)
    if (known !== undefined) return known
    const made = depthAt(area, from[0] + i * step, from[1] + j * step) - depth
    depths.set(key, made)
    return made
  }
  /** The two sides of squares between which a curve runs, by either. */
  const links = new Map<number, number[]>()
  const link = (a: number, b: number): void => {
    for (const [one, other] of [
      [a, b],
      [b, a],
    ])
      links.set(one, [...(links.get(one) ?? []), other])
  }
  const walk = (i: number, j: number, size: number): void => {
    const half = size / 2
    const middle = depthAt(area, from[0] + (i + half) * step, from[1] + (j + half) * step) - depth
    if (Math.abs(middle) > half * step * Math.SQRT2) return
    if (size > 1) {
      for (let quarter = 0; quarter < 4; quarter++)
        walk(i + (quarter & 1 ? half : 0), j + (quarter & 2 ? half : 0), half)
      return
    }
    // The sides of the square: below, right, above, left, each between two corners in turn round it.
    const inside = [over(i, j), over(i + 1, j), over(i + 1, j + 1), over(i, j + 1)].map((n) => n >= 0)
    const sides = [keyOf(i, j, 0), keyOf(i + 1, j, 1), keyOf(i, j + 1, 0), keyOf(i, j, 1)]
    const crossed = [0, 1, 2, 3].filter((s) => inside[s] !== inside[(s + 1) % 4])
    if (crossed.length === 2) link(sides[crossed[0]], sides[crossed[1]])
    if (crossed.length < 4) return
    // Opposite corners are inside: the middle tells whether they hang together.
    const [a, b] = inside[0] === middle >= 0 ? [1, 3] : [3, 1]
    link(sides[0], sides[a])
    link(sides[2], sides[b])
  }
  const keyOf = (i: number, j: number, upward: 0 | 1): number => 2 * (i * side + j) + upward
  walk(0, 0, 2 ** cuts)

  /** Where the curve crosses a side of a square. */
  const crossing = (key: number): [number, number] => {
    const [upward, corner] = [key % 2, Math.floor(key / 2)]
    const [i, j] = [Math.floor(corner / side), corner % side]
    const [a, b] = [over(i, j), upward ? over(i, j + 1) : over(i + 1, j)]
    const share = a === b ? 0.5 : a / (a - b)
    const [x, y] = [from[0] + i * step, from[1] + j * step]
    return atDepth(area, depth, upward ? x : x + share * step, upward ? y + share * step : y, step)
  }
  const curves: Float64Array[] = []
  const done = new Set<number>()
  for (const start of links.keys()) {
    if (done.has(start)) continue
    const points: number[] = []
    for (let at: number | undefined = start; at !== undefined; at = links.get(at)!.find((next) => !done.has(next))) {
      done.add(at)
      points.push(...crossing(at))
    }
    if (points.length >= 6) curves.push(withCorners(area, depth, points, step))
  }
  return curves
}

/** Where the pieces before and after one lean this much from each other, as the cosine of their angle, a corner may lie between them. */
const BEND = Math.cos(Math.PI / 9)

/**
 * A curve with the corners that squares have cut off: where the pieces before and after one, gone on with, meet at the depth itself (as
 * Kobbelt and others, 2001, put back the features of surfaces).
 */
function withCorners(area: Area, depth: number, p: readonly number[], step: number): Float64Array {
  const count = p.length / 2
  const out: number[] = []
  const corner = (k: number): readonly [number, number] => [p[2 * (k % count)], p[2 * (k % count) + 1]]
  for (let k = 0; k < count; k++) {
    const [[ax, ay], [bx, by], [cx, cy], [dx, dy]] = [corner(k), corner(k + 1), corner(k + 2), corner(k + 3)]
    // After the second one of four: two pieces that are told alike end there and begin there.
    out.push(bx, by)
    const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy]
    const sizes = Math.hypot(ux, uy) * Math.hypot(vx, vy)
    const cross = ux * vy - uy * vx
    if (sizes === 0 || ux * vx + uy * vy > BEND * sizes || cross === 0) continue
    const share = ((cx - bx) * vy - (cy - by) * vx) / cross
    const [x, y] = [bx + share * ux, by + share * uy]
    if (Math.hypot(x - bx, y - by) < 2 * step && Math.abs(depthAt(area, x, y) - depth) < ON_IT) out.push(x, y)
  }
  return Float64Array.from(out)
}

/** The place beside another that lies just so deep: straight up or down the slope of the depth. */
export function atDepth(area: Area, depth: number, x: number, y: number, step: number): [number, number] {
  const aside = step * 1e-4
  let [px, py] = [x, y]
  for (let round = 0; round < ROUNDS; round++) {
    const lacks = depth - depthAt(area, px, py)
    if (Math.abs(lacks) <= EXACT) break
    const gx = depthAt(area, px + aside, py) - depthAt(area, px - aside, py)
    const gy = depthAt(area, px, py + aside) - depthAt(area, px, py - aside)
    const square = gx * gx + gy * gy
    if (square === 0) break
    // Of a slope of less than one, on a ridge, no more than what is missing.
    const by = Math.min((lacks * 2 * aside) / square, Math.abs(lacks) / Math.sqrt(square))
    const bounded = Math.max(by, -Math.abs(lacks) / Math.sqrt(square))
    px += bounded * gx
    py += bounded * gy
  }
  return [px, py]
}
