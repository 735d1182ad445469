import type { PatternOutcome } from '../evaluation/outcome'
import { type Quaternion, UNTURNED, compose, fromTurns, inverse, rotate } from '../geometry/rotation'
import { type Vec3, dot, plus } from '../geometry/vec'
import type { InstanceTable, Placing } from '../instances'
import type { Pattern } from '../model/pattern'
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
  const copiesOf = new Map<string, Copies | undefined>()
  const supportOf = (thing: number): Support => {
    const known = supports.get(thing) ?? worked.supportOf(thing)
    supports.set(thing, known)
    return known
  }
  const copiesIn = (id: string): Copies | undefined => {
    if (!copiesOf.has(id)) {
      const [pattern, table] = [patterns.get(id), outcomes.get(id)?.table]
      copiesOf.set(id, pattern && table && new Copies(pattern, table, supportOf))
    }
    return copiesOf.get(id)
  }
  const bodies: Body[] = []
  for (const of of things) {
    const body = of.is === 'copy' ? copiesIn(of.pattern)?.body(of) : together(of)
    if (body) bodies.push(body)
  }
  return bodies

  function together(of: Extract<Placeable, { is: 'patterns' }>): Body | undefined {
    const inside = of.ids.flatMap((id) => {
      const [pattern, table] = [patterns.get(id), outcomes.get(id)?.expanded]
      return pattern && table && table.presentCount() > 0
        ? [{ pattern, turn: fromTurns(pattern.place.turn), support: supportOfTable(table, supportOf) }]
        : []
    })
    if (inside.length === 0) return undefined
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
    return { of, row: 0, stands, reach: (direction, as = stands) => reachMoved(reach, stands, direction, as) }
  }
}

/** The copies of one pattern in the world. What neighbours have alike, their turn and their size, is one value of all of them. */
class Copies {
  private readonly turn: Quaternion
  private readonly outlines = new Map<number, Outline>()
  private lastTurn: Quaternion = [NaN, 0, 0, 0]
  private lastInWorld: Quaternion = UNTURNED
  private lastSize: Vec3 = ONE

  constructor(
    private readonly pattern: Pattern,
    private readonly table: InstanceTable,
    private readonly supportOf: (thing: number) => Support,
  ) {
    this.turn = fromTurns(pattern.place.turn)
  }

  /** A copy as it stands; undefined where it is not there. */
  body(of: Extract<Placeable, { is: 'copy' }>): CopyBody | undefined {
    const { table } = this
    const row = table.rowOf(of.slot)
    if (row < 0 || !table.isPresent(row)) return undefined
    const move = plus(this.pattern.place.move, rotate(this.turn, table.moveOf(row)))
    return new CopyBody(of, row, { move, turn: this.turnInWorld(row), size: this.sizeOf(row) }, this.outlineAt(row))
  }

  private turnInWorld(row: number): Quaternion {
    const { quaternion: q } = this.table
    const at = 4 * row
    const last = this.lastTurn
    if (q[at] !== last[0] || q[at + 1] !== last[1] || q[at + 2] !== last[2] || q[at + 3] !== last[3]) {
      this.lastTurn = this.table.turnOf(row)
      this.lastInWorld = compose(this.turn, this.lastTurn)
    }
    return this.lastInWorld
  }

  private sizeOf(row: number): Vec3 {
    const { scale: s } = this.table
    const at = 3 * row
    const last = this.lastSize
    if (s[at] !== last[0] || s[at + 1] !== last[1] || s[at + 2] !== last[2]) this.lastSize = this.table.sizeOf(row)
    return this.lastSize
  }

  private outlineAt(row: number): Outline {
    const { table } = this
    const isTwin = table.isTwin(row)
    const thing = 2 * table.thing[row] + (isTwin ? 1 : 0)
    let outline = this.outlines.get(thing)
    if (!outline) this.outlines.set(thing, (outline = outlineOf(this.supportOf(table.thing[row]), isTwin)))
    return outline
  }
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
    const isAlike = as.turn === turn && as.size === size
    const isKnown =
      direction[0] === ahead[0] &&
      direction[1] === ahead[1] &&
      direction[2] === ahead[2] &&
      (isAlike ||
        (as.turn[0] === turn[0] &&
          as.turn[1] === turn[1] &&
          as.turn[2] === turn[2] &&
          as.turn[3] === turn[3] &&
          as.size[0] === size[0] &&
          as.size[1] === size[1] &&
          as.size[2] === size[2]))
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
