import type { OutlineShape } from '../values/outline'

/** A closed outline in the plane as a polygon, with what a scatter asks of it. Lengths in metres. */
export interface Area {
  /** Corners as pairs, in order round the outline. */
  readonly corners: Float64Array
  /** Exact for all three shapes. */
  readonly size: number
  readonly low: readonly [number, number]
  readonly high: readonly [number, number]
  readonly centre: readonly [number, number]
}

/** An ellipse is walked round in so many chords; its own size stays exact. */
const ELLIPSE_SIDES = 360

export function areaOf(outline: OutlineShape): Area {
  const corners = cornersOf(outline)
  const low: [number, number] = [Infinity, Infinity]
  const high: [number, number] = [-Infinity, -Infinity]
  for (let i = 0; i < corners.length; i++) {
    low[i % 2] = Math.min(low[i % 2], corners[i])
    high[i % 2] = Math.max(high[i % 2], corners[i])
  }
  const { size, centre } = polygonSize(corners)
  const exact = outline.kind === 'ellipse' ? (Math.PI * outline.width * outline.depth) / 4 : size
  return { corners, size: exact, low, high, centre }
}

function cornersOf(outline: OutlineShape): Float64Array {
  if (outline.kind === 'polygon') return Float64Array.from(outline.points.flat())
  const [w, d] = [outline.width / 2, outline.depth / 2]
  if (outline.kind === 'rectangle') return Float64Array.of(-w, -d, w, -d, w, d, -w, d)
  const corners = new Float64Array(2 * ELLIPSE_SIDES)
  for (let i = 0; i < ELLIPSE_SIDES; i++) {
    const angle = (2 * Math.PI * i) / ELLIPSE_SIDES
    corners[2 * i] = w * Math.cos(angle)
    corners[2 * i + 1] = d * Math.sin(angle)
  }
  return corners
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

/** How far a point lies inside the outline: its distance to the nearest edge, negative outside (even-odd rule). */
export function depthAt({ corners: p }: Area, x: number, y: number): number {
  let inside = false
  let nearest = Infinity
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
