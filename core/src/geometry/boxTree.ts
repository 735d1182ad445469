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
    const axis = end - start <= LEAF ? -1 : widest(middles, order, start, end)
    if (axis < 0) {
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
  // Children follow their parents: from the last to the first each finds theirs enclosed.
  for (let node = used - 1; node >= 0; node--) {
    const size = nodes[2 * node + 1]
    bounds.fill(Infinity, 6 * node, 6 * node + 3)
    bounds.fill(-Infinity, 6 * node + 3, 6 * node + 6)
    if (size === 0 && count > 0) {
      enclose(bounds, 6 * (node + 1), bounds, 6 * node)
      enclose(bounds, 6 * nodes[2 * node], bounds, 6 * node)
    } else for (let k = nodes[2 * node]; k < nodes[2 * node] + size; k++) enclose(boxes, 6 * order[k], bounds, 6 * node)
  }
  return { bounds: bounds.subarray(0, 6 * used), nodes: nodes.subarray(0, 2 * used), order }
}

/** The axis along which the middles of items are spread most; −1 where all lie on one place. */
function widest(middles: Float64Array, order: Uint32Array, start: number, end: number): number {
  let [axis, spread] = [-1, 0]
  for (let a = 0; a < 3; a++) {
    let [least, most] = [Infinity, -Infinity]
    for (let k = start; k < end; k++) {
      const middle = middles[3 * order[k] + a]
      if (middle < least) least = middle
      if (middle > most) most = middle
    }
    if (most - least > spread) [axis, spread] = [a, most - least]
  }
  return axis
}

/** Widens a box so that it holds another. */
function enclose(boxes: Float64Array, i: number, out: Float64Array, at: number): void {
  for (let a = 0; a < 3; a++) {
    if (boxes[i + a] < out[at + a]) out[at + a] = boxes[i + a]
    if (boxes[i + 3 + a] > out[at + 3 + a]) out[at + 3 + a] = boxes[i + 3 + a]
  }
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

const stack = new Int32Array(512)

/**
 * Visits each pair of items whose boxes share a place, once. The tree is walked against itself, so that items that lie next to each other
 * are met together: asking it for each item took twice as long.
 *
 * @param boxes those the tree is of, six numbers a box
 * @param visit asks no tree itself: what is still to be visited is kept in one place
 */
export function visitPairs(
  { bounds, nodes, order }: BoxTree,
  boxes: Float64Array,
  visit: (one: number, other: number) => void,
): void {
  if (order.length === 0) return
  let depth = 0
  const later = (one: number, other: number): void => {
    stack[depth++] = one
    stack[depth++] = other
  }
  later(0, 0)
  while (depth > 0) {
    const other = stack[--depth]
    const one = stack[--depth]
    const [sizeOne, sizeOther] = [nodes[2 * one + 1], nodes[2 * other + 1]]
    if (one === other) {
      if (sizeOne === 0) {
        const second = nodes[2 * one]
        later(one + 1, second)
        later(second, second)
        later(one + 1, one + 1)
        continue
      }
    } else if (!meet(bounds, 6 * one, bounds, 6 * other)) continue
    else if (sizeOne === 0 && (sizeOther > 0 || larger(bounds, 6 * one, 6 * other))) {
      later(nodes[2 * one], other)
      later(one + 1, other)
      continue
    } else if (sizeOther === 0) {
      later(one, nodes[2 * other])
      later(one, other + 1)
      continue
    }
    const [start, end] = [nodes[2 * one], nodes[2 * one] + sizeOne]
    for (let k = start; k < end; k++) {
      const i = order[k]
      const from = one === other ? k + 1 : nodes[2 * other]
      for (let l = from; l < nodes[2 * other] + sizeOther; l++)
        if (meet(boxes, 6 * i, boxes, 6 * order[l])) visit(i, order[l])
    }
  }
}

const meet = (a: Float64Array, i: number, b: Float64Array, j: number): boolean =>
  a[i] <= b[j + 3] &&
  a[i + 3] >= b[j] &&
  a[i + 1] <= b[j + 4] &&
  a[i + 4] >= b[j + 1] &&
  a[i + 2] <= b[j + 5] &&
  a[i + 5] >= b[j + 2]

/** Whether a box takes more room along the axes together than another. */
const larger = (boxes: Float64Array, i: number, j: number): boolean =>
  boxes[i + 3] - boxes[i] + boxes[i + 4] - boxes[i + 1] + boxes[i + 5] - boxes[i + 2] >=
  boxes[j + 3] - boxes[j] + boxes[j + 4] - boxes[j + 1] + boxes[j + 5] - boxes[j + 2]

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
