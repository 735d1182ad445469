import type { OutlineShape } from '../values/outline'
import { EdgeTree } from './edgeTree'

/** Closed outlines in the plane as polygons, inside by the even-odd rule, with what a scatter asks of them. Lengths in metres. */
export interface Area {
  /** Corners of each as pairs, in order round it; the first is the outline itself. */
  readonly rings: readonly Float64Array[]
  /** Exact for all three shapes; of polygons that do not cross each other. */
  readonly size: number
  readonly low: readonly [number, number]
  readonly high: readonly [number, number]
  readonly centre: readonly [number, number]
  /** How far a place is from what is kept out, less how far it is to be: below 0 where nothing may stand; absent where nothing is. */
  readonly beyond?: (x: number, y: number) => number
}

/** An ellipse is walked round in so many chords; its own size stays exact. */
const ELLIPSE_SIDES = 360

export function areaOf(outline: OutlineShape): Area {
  const rings = ringsOf(outline)
  const low: [number, number] = [Infinity, Infinity]
  const high: [number, number] = [-Infinity, -Infinity]
  for (const corners of rings)
    for (let i = 0; i < corners.length; i++) {
      low[i % 2] = Math.min(low[i % 2], corners[i])
      high[i % 2] = Math.max(high[i % 2], corners[i])
    }
  const { size, centre } = sizeOfRings(rings)
  const exact = outline.kind === 'ellipse' ? (Math.PI * outline.width * outline.depth) / 4 : size
  return { rings, size: exact, low, high, centre }
}

function ringsOf(outline: OutlineShape): Float64Array[] {
  if (outline.kind === 'polygon')
    return [outline.points, ...(outline.more ?? [])].map((points) => Float64Array.from(points.flat()))
  const [w, d] = [outline.width / 2, outline.depth / 2]
  if (outline.kind === 'rectangle') return [Float64Array.of(-w, -d, w, -d, w, d, -w, d)]
  const corners = new Float64Array(2 * ELLIPSE_SIDES)
  for (let i = 0; i < ELLIPSE_SIDES; i++) {
    const angle = (2 * Math.PI * i) / ELLIPSE_SIDES
    corners[2 * i] = w * Math.cos(angle)
    corners[2 * i + 1] = d * Math.sin(angle)
  }
  return [corners]
}

/** What all enclose: those inside an odd number of others are taken out. */
function sizeOfRings(rings: readonly Float64Array[]): { size: number; centre: [number, number] } {
  const each = rings.map(polygonSize)
  if (rings.length === 1) return each[0]
  let [size, x, y] = [0, 0, 0]
  for (const [i, { size: own, centre }] of each.entries()) {
    const [px, py] = rings[i]
    const around = rings.filter((ring, k) => k !== i && crossings(ring, px, py) % 2 === 1).length
    const counted = around % 2 === 0 ? own : -own
    size += counted
    x += counted * centre[0]
    y += counted * centre[1]
  }
  return { size, centre: size > 0 ? [x / size, y / size] : each[0].centre }
}

/** Area by the shoelace formula, and the centroid. */
function polygonSize(p: Float64Array): { size: number; centre: [number, number] } {
  let [twice, cx, cy] = [0, 0, 0]
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
    const cross = p[j] * p[i + 1] - p[i] * p[j + 1]
    twice += cross
    cx += (p[j] + p[i]) * cross
    cy += (p[j + 1] + p[i + 1]) * cross
  }
  return { size: Math.abs(twice) / 2, centre: twice === 0 ? [p[0], p[1]] : [cx / (3 * twice), cy / (3 * twice)] }
}

/** How often the way from a point to the right crosses a polygon. */
function crossings(p: Float64Array, x: number, y: number): number {
  let count = 0
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
    const [ax, ay, bx, by] = [p[j], p[j + 1], p[i], p[i + 1]]
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) count++
  }
  return count
}

/** How far a point may move before it leaves what may be filled: negative outside, and where it is kept out. */
export function depthAt(area: Area, x: number, y: number): number {
  const depth = depthIn(area.rings, x, y)
  return area.beyond ? Math.min(depth, area.beyond(x, y)) : depth
}

/** Outlines of more corners than this are asked through a tree of their edges. */
const MANY_CORNERS = 96
const trees = new WeakMap<Area['rings'], EdgeTree>()

/** How far a point lies inside outlines: its distance to the nearest edge, negative outside (even-odd rule). */
export function depthIn(rings: Area['rings'], x: number, y: number): number {
  let tree = trees.get(rings)
  if (!tree && rings.reduce((n, p) => n + p.length / 2, 0) > MANY_CORNERS)
    trees.set(rings, (tree = new EdgeTree(rings)))
  if (tree) return tree.depth(x, y)
  let inside = false
  let nearest = Infinity
  for (const p of rings)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
      const [ax, ay, bx, by] = [p[j], p[j + 1], p[i], p[i + 1]]
      if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside
      const [dx, dy] = [bx - ax, by - ay]
      const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)))
      const [ex, ey] = [x - ax - t * dx, y - ay - t * dy]
      nearest = Math.min(nearest, ex * ex + ey * ey)
    }
  return inside ? Math.sqrt(nearest) : -Math.sqrt(nearest)
}

/** Whether a point lies inside, at least so far from the edge. */
export const isInside = (area: Area, x: number, y: number, margin: number): boolean => depthAt(area, x, y) >= margin

/** Squares are cut in four so often at the edge of what is kept out, to measure it. */
const CUTS = 7

/**
 * The same area without what is kept out.
 *
 * Its size is measured by squares that are cut in four as long as an edge may run through them; the last ones count by how far
 * the edge is from their middles, which is off by less than a thousandth of what is kept out. What is kept out is asked for no more than that takes: it may be far away from a long curve.
 */
export function areaBeyond(area: Area, beyond: NonNullable<Area['beyond']>): Area {
  const { rings, low, high } = area
  const keptOut = (x: number, y: number, w: number, d: number, cuts: number): number => {
    const [mx, my] = [x + w / 2, y + d / 2]
    const depth = Math.min(depthIn(rings, mx, my), -beyond(mx, my))
    const reach = Math.hypot(w, d) / 2
    if (depth <= -reach) return 0
    if (depth >= reach) return w * d
    // As though a straight edge ran along one of its sides.
    if (cuts === 0) return w * d * Math.min(1, Math.max(0, 0.5 + depth / Math.sqrt(w * d)))
    let sum = 0
    for (let quarter = 0; quarter < 4; quarter++)
      sum += keptOut(x + (quarter & 1 ? w / 2 : 0), y + (quarter & 2 ? d / 2 : 0), w / 2, d / 2, cuts - 1)
    return sum
  }
  const taken = keptOut(low[0], low[1], high[0] - low[0], high[1] - low[1], CUTS)
  return { ...area, size: Math.max(0, area.size - taken), beyond }
}
