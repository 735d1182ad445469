import type { PatternOutcome } from '../evaluation/outcome'
import { type Quaternion, UNTURNED, compose, fromTurns, inverse, rotate } from '../geometry/rotation'
import { type Vec3, dot } from '../geometry/vec'
import type { Placing } from '../instances'
import { inWorld } from '../model/inWorld'
import type { Project } from '../model/project'
import type { Extent } from '../spacing/row'
import { type Support, boxOf, supportOfTable } from '../spacing/support'

/** What is moved as one: a copy by its pattern and its slot, or patterns together (one, or those of a group). */
export type Placeable =
  | { readonly is: 'copy'; readonly pattern: string; readonly slot: string }
  | { readonly is: 'patterns'; readonly ids: readonly string[] }

/** Something that is picked, as it stands in the world: metres, a unit quaternion, factors. */
export interface Body {
  readonly of: Placeable
  /** A copy's pivot, turn and size; a pattern's origin and turn; patterns together stand unturned on the middle of their bounds. */
  readonly stands: Placing
  /** Its number among the copies of its pattern, from 0; 0 for patterns. */
  readonly row: number
  /**
   * How far its outline reaches along a direction of the world, measured from the world's origin; as it stands, or as it would
   * stand elsewhere. The direction need not be of unit length. Asked of the body itself: taken out of it, it does not know whose it is.
   */
  reach(this: Body, direction: Readonly<Vec3>, as?: Placing): Extent
}

/** A project and what came of it. */
export interface Worked {
  readonly project: Project
  readonly outcomes: readonly Pick<PatternOutcome, 'id' | 'table' | 'expanded' | 'frames'>[]
  /** How far each thing reaches; see `supportIn`. */
  supportOf(thing: number): Support
}

const ONE: Vec3 = [1, 1, 1]

/**
 * The picked things as they stand; those that are not there now (an empty place, a pattern of which nothing is placed) are left
 * out.
 *
 * @example bodiesOf(worked, [{ is: 'copy', pattern: 'shelf', slot: '3' }])
 */
export function bodiesOf(worked: Worked, things: readonly Placeable[]): Body[] {
  const patterns = new Map(worked.project.patterns.map((p) => [p.id, p]))
  const outcomes = new Map(worked.outcomes.map((o) => [o.id, o]))
  const supports = new Map<number, Support>()
  const outlines = new Map<number, Outline>()
  const supportOf = (thing: number): Support => {
    const known = supports.get(thing) ?? worked.supportOf(thing)
    supports.set(thing, known)
    return known
  }
  return things.flatMap((of): Body[] => {
    if (of.is === 'copy') {
      const [pattern, table] = [patterns.get(of.pattern), outcomes.get(of.pattern)?.table]
      const row = table ? table.rowOf(of.slot) : -1
      if (!pattern || !table || row < 0 || !table.isPresent(row)) return []
      const thing = 2 * table.thing[row] + (table.isTwin(row) ? 1 : 0)
      const outline = outlines.get(thing) ?? outlineOf(supportOf(table.thing[row]), table.isTwin(row))
      outlines.set(thing, outline)
      return [new CopyBody(of, row, inWorld(pattern, table.placingOf(row)), outline)]
    }
    const inside = of.ids.flatMap((id) => {
      const [pattern, table] = [patterns.get(id), outcomes.get(id)?.expanded]
      return pattern && table && table.presentCount() > 0
        ? [{ pattern, turn: fromTurns(pattern.place.turn), support: supportOfTable(table, supportOf) }]
        : []
    })
    if (inside.length === 0) return []
    const reach = (direction: Readonly<Vec3>): Extent => {
      let [low, high] = [Infinity, -Infinity]
      for (const { pattern, turn, support } of inside) {
        const own = support(rotate(inverse(turn), direction))
        const at = dot(pattern.place.move, direction)
        low = Math.min(low, at + own.low)
        high = Math.max(high, at + own.high)
      }
      return { low, high }
    }
    const [{ pattern, turn }] = inside
    const alone = of.ids.length === 1
    const stands: Placing = alone
      ? { move: pattern.place.move, turn, size: ONE }
      : { move: middleOf(boxOf(reach)), turn: UNTURNED, size: ONE }
    return [{ of, row: 0, stands, reach: (direction, as = stands) => reachMoved(reach, stands, direction, as) }]
  })
}

type Outline = (direction: Readonly<Vec3>, as: Placing) => Extent

/** A copy. A class, as a hundred thousand of them would each bring a function of their own: that took half of the time. */
class CopyBody implements Body {
  constructor(
    readonly of: Placeable,
    readonly row: number,
    readonly stands: Placing,
    private readonly outline: Outline,
  ) {}

  reach(direction: Readonly<Vec3>, as: Placing = this.stands): Extent {
    return this.outline(direction, as)
  }
}

const middleOf = ({ low, high }: { readonly low: Vec3; readonly high: Vec3 }): Vec3 =>
  low.map((n, i) => (n + high[i]) / 2) as Vec3

/**
 * How far copies of one thing reach, turned and sized. Most of them are so alike: what was worked out last is kept, which in a crowd
 * saves nine tenths of the time.
 */
function outlineOf(support: Support, isTwin: boolean): Outline {
  let [ahead, turn, size]: [Readonly<Vec3>, Quaternion, Readonly<Vec3>] = [[NaN, 0, 0], UNTURNED, ONE]
  let own: Extent = { low: 0, high: 0 }
  return (direction, as) => {
    const isKnown =
      direction[0] === ahead[0] &&
      direction[1] === ahead[1] &&
      direction[2] === ahead[2] &&
      as.turn[0] === turn[0] &&
      as.turn[1] === turn[1] &&
      as.turn[2] === turn[2] &&
      as.turn[3] === turn[3] &&
      as.size[0] === size[0] &&
      as.size[1] === size[1] &&
      as.size[2] === size[2]
    if (!isKnown) {
      const [x, y, z] = rotate(inverse(as.turn), direction)
      own = support([(isTwin ? -x : x) * as.size[0], y * as.size[1], z * as.size[2]])
      ;[ahead, turn, size] = [[...direction], as.turn, as.size]
    }
    const at = dot(as.move, direction)
    return { low: at + own.low, high: at + own.high }
  }
}

/** The reach of what is moved, turned and evenly sized as a whole: that along the direction turned back, and how far it was moved. */
function reachMoved(reach: Support, from: Placing, direction: Readonly<Vec3>, to: Placing): Extent {
  if (to === from) return reach(direction)
  const turned = compose(to.turn, inverse(from.turn))
  const before = rotate(inverse(turned), direction)
  const own = reach(before)
  const factor = to.size[0] / from.size[0]
  const by = dot(to.move, direction) - factor * dot(from.move, before)
  return { low: factor * own.low + by, high: factor * own.high + by }
}
