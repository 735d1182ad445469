/**
 * Points that are added one by one and found again by where they are: a hash of cubes, doubled as it fills. Everything that
 * asks what stands at a place asks it here: welding, joined shapes, places already taken, a scatter's neighbours.
 *
 * A grid sorted by counting is a little faster for points that are all known before, and was dropped: it stood beside four
 * others that were written for points that come one by one, and folding ten thousand things shows no difference.
 */
export class PlaceIndex {
  count = 0
  private coordinates = new Float64Array(3 * 16)
  private next = new Int32Array(16)
  private heads: Int32Array
  private mask: number

  /**
   * @param side of the cubes, in the points' unit: about as far as is looked, or more
   * @param options flat: all points have the same third coordinate; expected: how many points come
   */
  constructor(
    private readonly side: number,
    private readonly options: { readonly flat?: boolean; readonly expected?: number } = {},
  ) {
    let room = 32
    while (room < 2 * (options.expected ?? 0)) room *= 2
    this.heads = new Int32Array(room).fill(-1)
    this.mask = room - 1
    this.makeRoom(room / 2)
  }

  /** Adds a point and gives its number: they count up from 0. */
  add(x: number, y: number, z: number): number {
    if (this.count === this.next.length) this.grow()
    const point = this.count++
    this.coordinates[3 * point] = x
    this.coordinates[3 * point + 1] = y
    this.coordinates[3 * point + 2] = z
    this.link(point)
    return point
  }

  /** The coordinates of a point. */
  at(point: number): readonly [number, number, number] {
    const c = this.coordinates
    return [c[3 * point], c[3 * point + 1], c[3 * point + 2]]
  }

  /** A point no further than that from a place, the wanted one where it is asked; −1 where there is none. */
  find(x: number, y: number, z: number, within: number, wanted?: (point: number) => boolean): number {
    const { side, coordinates: c, heads, next } = this
    const [i1, j1] = [Math.floor((x + within) / side), Math.floor((y + within) / side)]
    const [k0, k1] = this.layers(z, within)
    for (let i = Math.floor((x - within) / side); i <= i1; i++)
      for (let j = Math.floor((y - within) / side); j <= j1; j++)
        for (let k = k0; k <= k1; k++)
          for (let n = heads[this.bucket(i, j, k)]; n >= 0; n = next[n]) {
            const dx = c[3 * n] - x
            const dy = c[3 * n + 1] - y
            const dz = c[3 * n + 2] - z
            if (dx * dx + dy * dy + dz * dz <= within * within && (!wanted || wanted(n))) return n
          }
    return -1
  }

  /** The nearest point no further than that from a place, but for one; −1 where there is none. */
  nearest(x: number, y: number, z: number, within: number, except = -1): number {
    const { side, coordinates: c, heads, next } = this
    const [i1, j1] = [Math.floor((x + within) / side), Math.floor((y + within) / side)]
    const [k0, k1] = this.layers(z, within)
    let best = -1
    let least = within * within
    for (let i = Math.floor((x - within) / side); i <= i1; i++)
      for (let j = Math.floor((y - within) / side); j <= j1; j++)
        for (let k = k0; k <= k1; k++)
          for (let n = heads[this.bucket(i, j, k)]; n >= 0; n = next[n]) {
            const dx = c[3 * n] - x
            const dy = c[3 * n + 1] - y
            const dz = c[3 * n + 2] - z
            const d = dx * dx + dy * dy + dz * dz
            if (n === except || d > least || (d === least && best >= 0 && n >= best)) continue
            least = d
            best = n
          }
    return best
  }

  private layers(z: number, within: number): readonly [number, number] {
    if (this.options.flat) return [0, 0]
    return [Math.floor((z - within) / this.side), Math.floor((z + within) / this.side)]
  }

  private bucket(i: number, j: number, k: number): number {
    const h = Math.imul(i, 0x9e3779b1) ^ Math.imul(j, 0x85ebca6b) ^ Math.imul(k, 0xc2b2ae35)
    return (h ^ (h >>> 15)) & this.mask
  }

  private link(point: number): void {
    const { side, coordinates: c } = this
    const z = this.options.flat ? 0 : Math.floor(c[3 * point + 2] / side)
    const bucket = this.bucket(Math.floor(c[3 * point] / side), Math.floor(c[3 * point + 1] / side), z)
    this.next[point] = this.heads[bucket]
    this.heads[bucket] = point
  }

  private makeRoom(points: number): void {
    const [coordinates, next] = [new Float64Array(3 * points), new Int32Array(points)]
    coordinates.set(this.coordinates.subarray(0, 3 * this.count))
    this.coordinates = coordinates
    this.next = next
  }

  private grow(): void {
    const room = 2 * this.heads.length
    this.heads = new Int32Array(room).fill(-1)
    this.mask = room - 1
    this.makeRoom(room / 2)
    for (let point = 0; point < this.count; point++) this.link(point)
  }
}
