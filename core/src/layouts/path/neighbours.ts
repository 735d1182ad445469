import { PairGap } from '../../clearing/pairGap'
import type { ArcLength } from '../../curves/arcLength'
import { compose } from '../../geometry/rotation'
import { Flag } from '../../instances'
import { gridSlotHigh, gridSlotLow } from '../../slots'
import type { LayoutContext } from '../context'
import { CarriedTops, drawnAt, spotAt, topsBegin, turnAt } from './pose'
import type { Path } from './schema'

/** The copies of one contour as they would stand at lengths that are only tried. */
export interface Neighbours {
  /** Whether how a copy stands depends on how many there are. */
  readonly counted: boolean
  /** After so many copies the same two follow each other again, or might. */
  readonly period: number
  /**
   * The nearest distance between the outlines of a copy at one length along the path and of the next at another; below 0 where
   * they overlap. One beyond the last, or before the first, is of the same kind as the one at that end, or on a loop the one
   * that follows it.
   */
  gap(index: number, count: number, from: number, to: number): number
}

export function neighboursOn(
  path: Path,
  measure: ArcLength,
  { lane, loop }: { readonly lane: number; readonly loop: boolean },
  { dealt, shapeOf, supportOf, standing }: Pick<LayoutContext, 'dealt' | 'shapeOf' | 'supportOf' | 'standing'>,
): Neighbours {
  const gaps = new PairGap(shapeOf)
  const { pair } = gaps
  const spot = new Float64Array(6)
  const tops = path.facing === 'leastTwist' ? new CarriedTops(measure, topsBegin(path)) : undefined
  const put = (row: 0 | 1, index: number, count: number, along: number): void => {
    const kind = loop ? (index + count) % count : Math.min(Math.max(index, 0), count - 1)
    const drawn = drawnAt(path, measure, along)
    spotAt(path, measure, drawn, spot)
    // An open contour goes on straight for what is tried beyond its ends.
    const beyond = measure.contour.closed ? 0 : drawn - Math.min(Math.max(drawn, 0), measure.length)
    if (beyond !== 0) for (let i = 0; i < 3; i++) spot[i] += (path.reverse ? -1 : 1) * beyond * spot[3 + i]
    const twist = path.twist !== 0 && count > 1 ? (path.twist * kind) / (count - 1) : 0
    const turn = turnAt(path, spot[3], spot[4], spot[5], twist, tops?.at(drawn))
    const [low, high] = [gridSlotLow(kind, lane), gridSlotHigh(lane, 0)]
    const known = standing ? standing.rowOf(low, high) : -1
    if (known >= 0) {
      pair.putRow(standing!.copies, known, row)
      pair.setTurn(row, compose(turn, standing!.copies.turnOf(known)))
      // A place that is left empty keeps its width.
      pair.flags[row] &= Flag.twin
    } else {
      pair.thing[row] = dealt.thingAt(kind, count, low, high)
      pair.setTurn(row, turn)
      pair.setSize(row, [1, 1, 1])
      pair.flags[row] = 0
    }
    pair.position.set(spot.subarray(0, 3), 3 * row)
  }
  // Places for the second are tried many times beside one place of the first.
  const first = { index: NaN, count: NaN, from: NaN }
  const putFirst = (index: number, count: number, from: number): void => {
    if (first.index === index && first.count === count && first.from === from) return
    put(0, index, count, from)
    gaps.take(0)
    Object.assign(first, { index, count, from })
  }
  const reach = (thing: number, side: 'low' | 'high'): number => supportOf(thing)([0, 0, 1])[side]
  return {
    period: dealt.period === Infinity ? 1 : dealt.period,
    counted: path.twist !== 0 || loop || dealt.period === Infinity,
    gap(index, count, from, to) {
      putFirst(index, count, from)
      put(1, index + 1, count, to)
      gaps.take(1)
      const gap = gaps.measure()
      // What takes up no room is as far from the next as the path between them is long.
      return gap < Infinity ? gap : to - from - reach(pair.thing[0], 'high') + reach(pair.thing[1], 'low')
    },
  }
}
