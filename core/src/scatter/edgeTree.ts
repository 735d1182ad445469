/** So many edges that follow each other have one box. */
const LEAF = 8
/** Distances that differ by no more than this share of what outlines measure may be rounding. */
const ROUNDING = 1e-12

/** The boxes of an outline, each about one half of what the one above it is about: that of heap place 1 about all of it. */
interface Ring {
  readonly corners: Float64Array
  /** Of each heap place: low x, low y, high x, high y. */
  readonly boxes: Float64Array
  /** Heap places from here on are about edges themselves, `LEAF` each. */
  readonly leaves: number
}

/**
 * The edges of closed outlines, so laid out that few are asked for how deep a place lies: a figure with thousands of corners is filled
 * with thousands of copies. Depths are to the bit what asking every edge gives, since the same sums are made of those that matter.
 *
 * Edges that follow each other lie near each other, so that their order is the tree: nothing is sorted. Squares of the plane with the edges
 * that can be nearest in each were tried: in the middle of a disc all can be, and laying them out took longer than it saved.
 */
export class EdgeTree {
  private readonly rings: readonly Ring[]
  private readonly slack: number
  private readonly stack = new Int32Array(128)

  /** @param rings corners of each outline as pairs, in order round it */
  constructor(rings: readonly Float64Array[]) {
    this.rings = rings.map(ringOf)
    this.slack = ROUNDING * Math.max(...boundsOf(this.rings).map(Math.abs))
  }

  /** How far a place lies inside the outlines: its distance to the nearest edge, negative outside (even-odd rule). */
  depth(x: number, y: number): number {
    let nearest = Infinity
    let inside = false
    for (const ring of this.rings) {
      nearest = this.nearest(ring, x, y, nearest)
      if (this.isInside(ring, x, y)) inside = !inside
    }
    return inside ? Math.sqrt(nearest) : -Math.sqrt(nearest)
  }

  /** The square of the distance to the nearest edge of a ring, or that of before where it has no nearer one. */
  private nearest({ corners, boxes, leaves }: Ring, x: number, y: number, before: number): number {
    const { stack, slack } = this
    let least = before
    let limit = (Math.sqrt(least) + slack) ** 2
    let height = 0
    stack[height++] = 1
    while (height > 0) {
      const place = stack[--height]
      if (squareToBox(boxes, place, x, y) > limit) continue
      if (place >= leaves) {
        const end = Math.min((place - leaves + 1) * LEAF, corners.length / 2)
        for (let edge = (place - leaves) * LEAF; edge < end; edge++)
          least = Math.min(least, squareToEdge(corners, edge, x, y))
        limit = (Math.sqrt(least) + slack) ** 2
        continue
      }
      // The nearer half is asked first: it is on top.
      const left = 2 * place
      const isLeftNearer = squareToBox(boxes, left, x, y) <= squareToBox(boxes, left + 1, x, y)
      stack[height++] = isLeftNearer ? left + 1 : left
      stack[height++] = isLeftNearer ? left : left + 1
    }
    return least
  }

  /** Whether the way from a place to the right crosses a ring an odd number of times. */
  private isInside({ corners, boxes, leaves }: Ring, x: number, y: number): boolean {
    const { stack, slack } = this
    const count = corners.length / 2
    let inside = false
    let height = 0
    stack[height++] = 1
    while (height > 0) {
      const place = stack[--height]
      if (boxes[4 * place + 1] > y || boxes[4 * place + 3] < y || boxes[4 * place + 2] < x - slack) continue
      if (place < leaves) {
        stack[height++] = 2 * place
        stack[height++] = 2 * place + 1
        continue
      }
      const end = Math.min((place - leaves + 1) * LEAF, count)
      for (let edge = (place - leaves) * LEAF; edge < end; edge++) {
        const j = 2 * (edge > 0 ? edge - 1 : count - 1)
        const ax = corners[j]
        const ay = corners[j + 1]
        const bx = corners[2 * edge]
        const by = corners[2 * edge + 1]
        if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside
      }
    }
    return inside
  }
}

/** Edge k goes from the corner before to corner k. */
function ringOf(corners: Float64Array): Ring {
  const count = corners.length / 2
  const leaves = 2 ** Math.ceil(Math.log2(Math.max(count / LEAF, 1)))
  const boxes = new Float64Array(8 * leaves)
  for (let place = 1; place < 2 * leaves; place++) boxes.set([Infinity, Infinity, -Infinity, -Infinity], 4 * place)
  const take = (place: number, x: number, y: number): void => {
    boxes[4 * place] = Math.min(boxes[4 * place], x)
    boxes[4 * place + 1] = Math.min(boxes[4 * place + 1], y)
    boxes[4 * place + 2] = Math.max(boxes[4 * place + 2], x)
    boxes[4 * place + 3] = Math.max(boxes[4 * place + 3], y)
  }
  for (let edge = 0; edge < count; edge++)
    for (const corner of [edge > 0 ? edge - 1 : count - 1, edge])
      take(leaves + Math.floor(edge / LEAF), corners[2 * corner], corners[2 * corner + 1])
  for (let place = 2 * leaves - 1; place > 1; place--) {
    if (boxes[4 * place] === Infinity) continue
    take(place >> 1, boxes[4 * place], boxes[4 * place + 1])
    take(place >> 1, boxes[4 * place + 2], boxes[4 * place + 3])
  }
  return { corners, boxes, leaves }
}

function boundsOf(rings: readonly Ring[]): number[] {
  const of = (k: number): number[] => rings.map(({ boxes }) => boxes[4 + k])
  return [Math.min(...of(0)), Math.min(...of(1)), Math.max(...of(2)), Math.max(...of(3))]
}

/** Of a box about nothing, Infinity. */
function squareToBox(boxes: Float64Array, place: number, x: number, y: number): number {
  const dx = Math.max(boxes[4 * place] - x, x - boxes[4 * place + 2], 0)
  const dy = Math.max(boxes[4 * place + 1] - y, y - boxes[4 * place + 3], 0)
  return dx * dx + dy * dy
}

function squareToEdge(corners: Float64Array, edge: number, x: number, y: number): number {
  const j = edge > 0 ? 2 * edge - 2 : corners.length - 2
  const ax = corners[j]
  const ay = corners[j + 1]
  const dx = corners[2 * edge] - ax
  const dy = corners[2 * edge + 1] - ay
  const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)))
  const ex = x - ax - t * dx
  const ey = y - ay - t * dy
  return ex * ex + ey * ey
}
