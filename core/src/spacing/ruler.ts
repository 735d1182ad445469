import type { Measure, RoomEdges } from '../values/spacing'
import { type Row, widthOf } from './row'

/**
 * Distances along a row at a spacing s. All three measures are one formula,
 *
 *   x(k) − x(0) = k·s + sign·Σ widths before k + c(0) − c(k),
 *
 * with sign 0 and c = 0 for pitch, sign 1 and c = low for gap, sign −1 and c = high for overall. Every distance is
 * therefore linear in s with a whole-number slope, which is what lets any two of count, spacing and room give the third.
 */
export class Ruler {
  private readonly sign: number

  constructor(
    readonly row: Row,
    readonly measure: Measure,
    readonly edges: RoomEdges,
  ) {
    this.sign = measure === 'pitch' ? 0 : measure === 'gap' ? 1 : -1
  }

  /** The ruler of exactly so many copies, where the last one is of a kind of its own. */
  ofCount(count: number): Ruler {
    return this.row.ofCount ? new Ruler(this.row.ofCount(count), this.measure, this.edges) : this
  }

  /** Pivot of a copy, in metres from the pivot of the first. */
  pivot(index: number, spacing: number): number {
    const { row, sign } = this
    let x = index * spacing + this.edge(row.kindAt(0)) - this.edge(row.kindAt(index))
    if (sign !== 0) x += sign * row.widthBefore(index)
    return x
  }

  /** From pivot to pivot of two neighbours of the given kinds. */
  pitch(a: number, b: number, spacing: number): number {
    return spacing + this.sign * widthOf(this.row.kinds[a]) + this.edge(a) - this.edge(b)
  }

  /** The clear distance between two neighbours of the given kinds; negative where they overlap. */
  gap(a: number, b: number, spacing: number): number {
    // What was asked for is given back as it is, not by way of a pitch and back.
    if (this.measure === 'gap') return spacing
    return this.pitch(a, b, spacing) - this.row.kinds[a].high + this.row.kinds[b].low
  }

  /** From the outside of one to the outside of its neighbour. */
  overall(a: number, b: number, spacing: number): number {
    if (this.measure === 'overall') return spacing
    return this.pitch(a, b, spacing) - this.row.kinds[a].low + this.row.kinds[b].high
  }

  /** The spacing that gives two neighbours of the given kinds this clear gap. */
  spacingForGap(a: number, b: number, gap: number): number {
    return gap - this.gap(a, b, 0)
  }

  /** What the copies take, measured as the room is: between the first and last pivots, or between their outsides. */
  span(count: number, spacing: number): number {
    const { row } = this
    const pivots = this.pivot(count - 1, spacing)
    return this.edges === 'centres'
      ? pivots
      : pivots + row.kinds[row.kindAt(count - 1)].high - row.kinds[row.kindAt(0)].low
  }

  /** The interval that an end of the room keeps free, as though a copy of the same kind stood just beyond it. */
  endInterval(kind: number, spacing: number): number {
    return this.edges === 'centres' ? this.pitch(kind, kind, spacing) : this.gap(kind, kind, spacing)
  }

  /** The smallest pitch among the first so many copies; Infinity for one copy. */
  smallestPitch(count: number, spacing: number): number {
    let least = Infinity
    for (const [a, b] of this.row.pairs(count)) least = Math.min(least, this.pitch(a, b, spacing))
    return least
  }

  /** The smallest clear gap among the first so many copies; Infinity for one copy. */
  smallestGap(count: number, spacing: number): number {
    let least = Infinity
    for (const [a, b] of this.row.pairs(count)) least = Math.min(least, this.gap(a, b, spacing))
    return least
  }

  private edge(kind: number): number {
    if (this.measure === 'pitch') return 0
    return this.measure === 'gap' ? this.row.kinds[kind].low : this.row.kinds[kind].high
  }
}
