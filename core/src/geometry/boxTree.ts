/**
 * A tree over boxes along the axes, for rays that look for what they meet: each node holds the box about what is below it, and
 * its items lie next to each other in one order. Plain arrays, made without allocation per item.
 *
 * Halves are split at the median of the axis along which the middles are spread most. Splitting by surface (SAH) was tried: rays were
 * a fifth faster and making the tree of 100 000 boxes took four times as long, which is felt at every change.
 */
export interface BoxTree {
  /** Lowest and highest corners, six numbers a node; the first node is the root. */
  readonly bounds: Float64Array
  /** Of a node: its first item in the order and how many; a node with children has none, and its second child's number first. */
  readonly nodes: Int32Array
  readonly order: Uint32Array
}

const LEAF = 4

/** @param boxes lowest and highest corners, six numbers a box */
export function boxTreeOf(boxes: Float64Array): BoxTree {
  const count = boxes.length / 6
  const order = Uint32Array.from({ length: count }, (_, i) => i)
  const most = Math.max(1, 2 * Math.ceil((2 * count) / LEAF) + 1)
  const bounds = new Float64Array(6 * most)
  const nodes = new Int32Array(2 * most)
  const middles = new Float64Array(3 * count)
  for (let i = 0; i < count; i++)
    for (let a = 0; a < 3; a++) middles[3 * i + a] = boxes[6 * i + a] + boxes[6 * i + 3 + a]
  let used = 0
  // First and last item of what is still to be split, and the node that waits for its second child; −1 where none does.
  const stack = [0, count, -1]
  while (stack.length > 0) {
    const parent = stack.pop()!
    const end = stack.pop()!
    const start = stack.pop()!
    const node = used++
    if (parent >= 0) nodes[2 * parent] = node
    const axis = enclose(boxes, middles, order, start, end, bounds, 6 * node)
    if (end - start <= LEAF || axis < 0) {
      nodes[2 * node] = start
      nodes[2 * node + 1] = end - start
      continue
    }
    const half = (start + end) >> 1
    select(order, middles, axis, start, end - 1, half)
    nodes[2 * node + 1] = 0
    // The first child follows at once; the second says where it lies when it is made.
    stack.push(half, end, node, start, half, -1)
  }
  return { bounds: bounds.subarray(0, 6 * used), nodes: nodes.subarray(0, 2 * used), order }
}

/** Writes the box about items; the axis along which their middles are spread most, −1 where all lie on one place. */
function enclose(
  boxes: Float64Array,
  middles: Float64Array,
  order: Uint32Array,
  start: number,
  end: number,
  out: Float64Array,
  at: number,
): number {
  let [axis, spread] = [-1, 0]
  for (let a = 0; a < 3; a++) {
    let [low, high, least, most] = [Infinity, -Infinity, Infinity, -Infinity]
    for (let k = start; k < end; k++) {
      const i = order[k]
      if (boxes[6 * i + a] < low) low = boxes[6 * i + a]
      if (boxes[6 * i + 3 + a] > high) high = boxes[6 * i + 3 + a]
      const middle = middles[3 * i + a]
      if (middle < least) least = middle
      if (middle > most) most = middle
    }
    out[at + a] = low
    out[at + 3 + a] = high
    if (most - least > spread) [axis, spread] = [a, most - least]
  }
  return axis
}

/** Orders items so that the one at a place is where it would be were all of them sorted (Hoare's selection). */
function select(
  order: Uint32Array,
  middles: Float64Array,
  axis: number,
  low: number,
  high: number,
  place: number,
): void {
  while (low < high) {
    const pivot = middles[3 * order[(low + high) >> 1] + axis]
    let [i, j] = [low, high]
    while (i <= j) {
      while (middles[3 * order[i] + axis] < pivot) i++
      while (middles[3 * order[j] + axis] > pivot) j--
      if (i > j) break
      const swapped = order[i]
      order[i++] = order[j]
      order[j--] = swapped
    }
    if (place <= j) high = j
    else if (place >= i) low = i
    else return
  }
}

const stack = new Int32Array(256)

/**
 * Visits the items whose boxes share a place with a box.
 *
 * @param boxes lowest and highest corners, six numbers a box
 * @param at where the box that is asked about begins among them
 * @param visit asks no tree itself: what is still to be visited is kept in one place
 */
export function visitMeeting(
  { bounds, nodes, order }: BoxTree,
  boxes: Float64Array,
  at: number,
  visit: (item: number) => void,
): void {
  if (order.length === 0) return
  let depth = 0
  stack[depth++] = 0
  while (depth > 0) {
    const node = stack[--depth]
    const b = 6 * node
    let meets = true
    for (let a = 0; a < 3 && meets; a++)
      meets = bounds[b + a] <= boxes[at + 3 + a] && bounds[b + 3 + a] >= boxes[at + a]
    if (!meets) continue
    const size = nodes[2 * node + 1]
    if (size === 0) {
      stack[depth++] = nodes[2 * node]
      stack[depth++] = node + 1
    } else for (let k = nodes[2 * node]; k < nodes[2 * node] + size; k++) visit(order[k])
  }
}

/**
 * Visits the items whose boxes a ray meets before it ends, nearer halves first.
 *
 * @param origin where the ray begins
 * @param direction need not be of unit length; distances are told in its lengths
 * @param visit how far along the ray the item is met, Infinity where it is not: what lies behind that is not visited any more
 */
export function visitAlong(
  { bounds, nodes, order }: BoxTree,
  origin: ArrayLike<number>,
  direction: ArrayLike<number>,
  visit: (item: number) => number,
  far = Infinity,
): void {
  if (order.length === 0) return
  const [ix, iy, iz] = [1 / direction[0], 1 / direction[1], 1 / direction[2]]
  const [ox, oy, oz] = [origin[0], origin[1], origin[2]]
  const enters = (node: number): number => {
    const b = 6 * node
    const [ax, bx] = [(bounds[b] - ox) * ix, (bounds[b + 3] - ox) * ix]
    const [ay, by] = [(bounds[b + 1] - oy) * iy, (bounds[b + 4] - oy) * iy]
    const [az, bz] = [(bounds[b + 2] - oz) * iz, (bounds[b + 5] - oz) * iz]
    // A ray in the plane of a face gives 0 × ∞, which bounds nothing.
    const from = Math.max(0, least(ax, bx, -Infinity), least(ay, by, -Infinity), least(az, bz, -Infinity))
    const to = Math.min(most(ax, bx, Infinity), most(ay, by, Infinity), most(az, bz, Infinity))
    return from <= to ? from : Infinity
  }
  let depth = 0
  stack[depth++] = 0
  while (depth > 0) {
    const node = stack[--depth]
    const at = enters(node)
    if (at === Infinity || at > far) continue
    const size = nodes[2 * node + 1]
    if (size > 0) {
      const start = nodes[2 * node]
      for (let k = start; k < start + size; k++) far = Math.min(far, visit(order[k]))
      continue
    }
    const [first, second] = [node + 1, nodes[2 * node]]
    const firstIsNearer = enters(first) <= enters(second)
    stack[depth++] = firstIsNearer ? second : first
    stack[depth++] = firstIsNearer ? first : second
  }
}

/** Visits the items whose boxes meet a box: lowest and highest corner, six numbers. */
export function visitInside(
  { bounds, nodes, order }: BoxTree,
  box: ArrayLike<number>,
  visit: (item: number) => void,
): void {
  if (order.length === 0) return
  let depth = 0
  const own = new Int32Array(256)
  own[depth++] = 0
  while (depth > 0) {
    const node = own[--depth]
    const b = 6 * node
    if (
      bounds[b] > box[3] ||
      bounds[b + 3] < box[0] ||
      bounds[b + 1] > box[4] ||
      bounds[b + 4] < box[1] ||
      bounds[b + 2] > box[5] ||
      bounds[b + 5] < box[2]
    )
      continue
    const size = nodes[2 * node + 1]
    if (size > 0) {
      const start = nodes[2 * node]
      for (let k = start; k < start + size; k++) visit(order[k])
      continue
    }
    own[depth++] = nodes[2 * node]
    own[depth++] = node + 1
  }
}

const least = (a: number, b: number, none: number): number => (Number.isNaN(a + b) ? none : a < b ? a : b)
const most = (a: number, b: number, none: number): number => (Number.isNaN(a + b) ? none : a > b ? a : b)
