import { levelReach } from '../../clearing/levelReach'
import type { Margin } from '../../scatter/spread'
import { supportOfCopy } from '../../spacing/support'
import type { LayoutContext } from '../context'
import type { Fill } from './schema'

/**
 * How far pivots are kept from the edge: by the margin alone, or so that no copy stands out of it whichever way it is turned about
 * up: by the circle that it fills then, as large as it stands.
 */
export function marginOf(
  { margin, edge }: Fill,
  wanted: number,
  { dealt, supportOf, standing, ownSize }: Pick<LayoutContext, 'dealt' | 'supportOf' | 'standing' | 'ownSize'>,
): Margin {
  if (edge === 'pivots') return { least: margin, most: margin, of: () => margin }
  const plain = new Map<number, number>()
  const ofThing = (thing: number): number => {
    const known = plain.get(thing)
    if (known !== undefined) return known
    const support = supportOf(thing)
    const made = levelReach((way) => support(way).high)
    plain.set(thing, made)
    return made
  }
  const ofRow = (row: number): number => {
    const { copies } = standing!
    const { turn, size } = copies.placingOf(row)
    const thing = copies.thing[row]
    // Turned about up alone it fills the same circle.
    if (turn[0] === 0 && turn[2] === 0 && size.every((n) => n === size[0])) return size[0] * ofThing(thing)
    const support = supportOf(thing)
    return levelReach((way) => supportOfCopy(copies, row, support, way).high)
  }
  // Without what is known of how each stands, outlines are told in the size of all.
  const asDealt = (thing: number): number => (standing ? ownSize : 1) * ofThing(thing)
  let all = Array.from(dealt.things, asDealt)
  if (standing) all = [...all, ...Array.from({ length: standing.count }, (_, row) => ofRow(row))]
  const extremes = all.reduce(([low, high], r) => [Math.min(low, r), Math.max(high, r)], [Infinity, 0])
  return {
    least: margin + extremes[0],
    most: margin + extremes[1],
    of(dart, index) {
      if (!standing) return margin + asDealt(dealt.thingAt(index, wanted, dart, 0))
      const row = standing.rowOf(dart, 0)
      // Of a dart that placed nothing the last time it is not known how its copy would stand. Taken for the largest, it stays where
      // it was refused; taken as dealt, it would be let in and refused by turns, and no agreement found.
      return margin + (row >= 0 ? ofRow(row) : extremes[1])
    },
  }
}
