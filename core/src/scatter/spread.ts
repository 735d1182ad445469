import { PlaceIndex } from '../geometry/placeIndex'
import type { Randomness } from '../random'
import { type Area, depthAt, isInside } from './area'

/** Points as pairs with the number of the dart that made each: its identity, whatever the count. */
export interface Scatter {
  readonly points: Float64Array
  readonly darts: Uint32Array
  readonly count: number
  /** True when no more could be placed. */
  readonly full: boolean
}

/** How far inside the edge the point of each dart is kept. */
export interface Margin {
  /** What none is below, and none above. */
  readonly least: number
  readonly most: number
  of(dart: number, index: number): number
  /** Whether a place takes a copy at all, by the chance of its dart; every one does where it is absent. */
  keeps?(x: number, y: number, dart: number): boolean
}

/** After so many darts beside a thin outline a random scatter gives up. */
const MOST_DARTS_EACH = 4000

/**
 * Points at random in an outline, each by a dart of its own: dart d lands at f(seed, d) in the box around the outline, and
 * counts when it hits. Raising the count therefore keeps every point that there was.
 */
export function atRandom(area: Area, margin: Margin, count: number, random: Randomness): Scatter {
  const { low, high } = area
  const points = new Float64Array(2 * count)
  const darts = new Uint32Array(count)
  let n = 0
  const limit = Math.max(count, 1) * MOST_DARTS_EACH
  for (let dart = 0; n < count && dart < limit; dart++) {
    const x = low[0] + random.value(dart, 0, 0) * (high[0] - low[0])
    const y = low[1] + random.value(dart, 0, 1) * (high[1] - low[1])
    if (!isInside(area, x, y, margin.of(dart, n))) {
      // Nothing of the outline is left inside so wide a margin.
      if (n === 0 && dart > 20_000) break
      continue
    }
    if (margin.keeps?.(x, y, dart) === false) continue
    points[2 * n] = x
    points[2 * n + 1] = y
    darts[n++] = dart
  }
  return { points, darts, count: n, full: n < count }
}

/**
 * Points at random of which no two are nearer than a least distance, until the count is reached or no room is left:
 * random sequential adsorption, whose discs jam at 0.547 of the area (Feder 1980).
 *
 * Darts are thrown at the cells that can still take one. When misses prevail, every open cell is cut in four and the parts
 * that lie wholly within reach of a point are dropped (after Ebeida and others 2012), so that it ends at a true jam. Which
 * points there are depends on seed, outline and distance alone: a higher count only goes on where a lower one stopped.
 */
export function evenly(area: Area, margin: Margin, count: number, least: number, random: Randomness): Scatter {
  const { low, high } = area
  const near = new PlaceIndex(least, { flat: true })
  // Two that are just as far apart as asked may stand.
  const below = least * (1 - Number.EPSILON)
  const points: number[] = []
  const darts: number[] = []
  let size = least / Math.SQRT2
  let open = new OpenSquares(0)
  for (let x = low[0]; x < high[0]; x += size)
    for (let y = low[1]; y < high[1]; y += size) open.take(area, margin, x, y, size, false)
  let dart = 0
  for (let level = 0; level < 24 && open.count > 0; level++) {
    // At each level a few more darts than there are open cells, spread over them by chance.
    const throws = Math.ceil(open.count * 1.2)
    for (let t = 0; t < throws && darts.length < count; t++, dart++) {
      const cell = Math.floor(random.value(dart, 0, 2) * open.count)
      const x = open.corners[2 * cell] + random.value(dart, 0, 0) * size
      const y = open.corners[2 * cell + 1] + random.value(dart, 0, 1) * size
      if (near.find(x, y, 0, below) >= 0 || !(open.inner[cell] || isInside(area, x, y, margin.of(dart, darts.length))))
        continue
      near.add(x, y, 0)
      // One that is not kept leaves its place empty: it would be filled by others in the end, and nothing be lighter anywhere.
      if (margin.keeps?.(x, y, dart) === false) continue
      points.push(x, y)
      darts.push(dart)
    }
    if (darts.length === count) break
    const half = size / 2
    const still = new OpenSquares(level + 1)
    for (let c = 0; c < open.count; c++) {
      for (let quarter = 0; quarter < 4; quarter++) {
        const x = open.corners[2 * c] + (quarter & 1 ? half : 0)
        const y = open.corners[2 * c + 1] + (quarter & 2 ? half : 0)
        if (!isCovered(near, x, y, half, least)) still.take(area, margin, x, y, half, open.inner[c])
      }
    }
    open = still
    size = half
  }
  return {
    points: Float64Array.from(points),
    darts: Uint32Array.from(darts),
    count: darts.length,
    full: darts.length < count,
  }
}

/** So often squares near the edge are cut, where only the smaller of unlike copies fit. */
const STRIP_LEVELS = 3

/** Squares that can still take a point, each with whether it lies wholly inside, which its quarters then do too. */
class OpenSquares {
  /** @param level how often they were cut */
  constructor(private readonly level: number) {}

  readonly corners: number[] = []
  readonly inner: boolean[] = []

  get count(): number {
    return this.inner.length
  }

  /** Adds a square unless it lies wholly outside. */
  take(area: Area, { least, most }: Margin, x: number, y: number, size: number, inner: boolean): void {
    const reach = size * Math.SQRT1_2
    const depth = inner ? Infinity : depthAt(area, x + size / 2, y + size / 2)
    // Where only the smaller fit, chance decides who comes: to jam that strip too, squares would be cut in it without end.
    if (depth - (this.level < STRIP_LEVELS ? least : most) < -reach) return
    this.corners.push(x, y)
    this.inner.push(depth - most >= reach)
  }
}

/** Whether a square lies wholly nearer than a distance to one point. */
function isCovered(near: PlaceIndex, x: number, y: number, size: number, distance: number): boolean {
  const wholly = (n: number): boolean => {
    const [px, py] = near.at(n)
    const dx = Math.max(Math.abs(px - x), Math.abs(px - x - size))
    const dy = Math.max(Math.abs(py - y), Math.abs(py - y - size))
    return dx * dx + dy * dy < distance * distance
  }
  return near.find(x + size / 2, y + size / 2, 0, distance, wholly) >= 0
}

/** π(3 − √5): the angle that divides a turn in the golden ratio (Vogel 1979). */
export const GOLDEN_ANGLE = Math.PI * (3 - Math.sqrt(5))

/**
 * The seeds of a sunflower about an outline's centre, r = c·√(i + ½) at i times the golden angle, each with the same area
 * to itself: c = √(area of one ÷ π). Those outside the outline are passed over.
 *
 * @param each the area that one point has, in square metres
 */
export function sunflower(area: Area, margin: Margin, count: number, each: number): Scatter {
  const { low, high, centre } = area
  const c = Math.sqrt(each / Math.PI)
  const farthest = Math.hypot(
    Math.max(centre[0] - low[0], high[0] - centre[0]),
    Math.max(centre[1] - low[1], high[1] - centre[1]),
  )
  const points = new Float64Array(2 * count)
  const darts = new Uint32Array(count)
  let n = 0
  for (let i = 0; n < count; i++) {
    const r = c * Math.sqrt(i + 0.5)
    if (r > farthest) break
    const x = centre[0] + r * Math.cos(i * GOLDEN_ANGLE)
    const y = centre[1] + r * Math.sin(i * GOLDEN_ANGLE)
    if (!isInside(area, x, y, margin.of(i, n)) || margin.keeps?.(x, y, i) === false) continue
    points[2 * n] = x
    points[2 * n + 1] = y
    darts[n++] = i
  }
  return { points, darts, count: n, full: n < count }
}
