import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { minus } from '../geometry/vec'
import type { Body, Placeable } from './body'
import type { Around } from './definition'
import { type OnCourse, type Course } from './course'
import { worldTable } from './worldTable'

/** Gaps come out to this, in metres. */
export const EXACT = 1e-11
/** From gap to gap so many steps at most; each but the last few closes most of what is missing. */
const MOST_STEPS = 400

/** Things along a course, each in its own turn, as outlines in the world whose gaps are asked. */
export class RowOnCourse {
  private readonly bodies: readonly Body[]
  private readonly outlines: Bodies
  /** The rows of each thing: a group has several. */
  private readonly rows: number[][] = []
  /** Where the outlines stand that are asked for, from the pivot of their thing. */
  private readonly offset: Float64Array

  constructor(
    order: readonly OnCourse[],
    private readonly course: Course,
    around: Around,
  ) {
    this.bodies = order.map(({ body }) => body)
    const things = this.bodies.map(({ of }) => thereOf(of, around))
    const table = worldTable(around, things)
    this.outlines = new Bodies(table, (thing) => around.shapeOf(thing))
    this.offset = new Float64Array(3 * table.count)
    let k = 0
    for (const [i, { stands }] of this.bodies.entries()) {
      const of = things[i]
      const own = Array.from({ length: of.is === 'copy' ? 1 : of.ids.length }, () => k++)
      this.rows.push(own)
      for (const row of own) this.offset.set(minus(table.moveOf(row), stands.move), 3 * row)
    }
  }

  private put(k: number, along: number): void {
    const at = this.course.at(along, this.bodies[k])
    const { position } = this.outlines
    for (const row of this.rows[k]) for (let i = 0; i < 3; i++) position[3 * row + i] = at[i] + this.offset[3 * row + i]
  }

  /** The nearest distance between two things; Infinity where one takes up no room. */
  gapBetween(a: number, alongA: number, b: number, alongB: number): number {
    this.put(a, alongA)
    this.put(b, alongB)
    return this.gap(a, b)
  }
  private gap(a: number, b: number): number {
    const { there } = this.outlines
    let least = Infinity
    for (const i of this.rows[a])
      for (const j of this.rows[b]) if (there[i] && there[j]) least = Math.min(least, gapOf(this.outlines, i, j).gap)
    return least
  }

  /** The nearest distances between neighbours. */
  gapsAt = (at: readonly number[]): number[] => at.slice(1).map((s, k) => this.gapBetween(k, at[k], k + 1, s))

  /** That between the last and the first, round the end of a closed course. */
  gapRound = (at: readonly number[]): number => this.gapBetween(at.length - 1, at[at.length - 1], 0, at[0])

  /** Places along the course of which neighbours keep a gap, from one that stays to both sides; undefined where it ends before. */
  chain(stays: number, from: number, gap: number): number[] | undefined {
    const at = this.bodies.map(() => from)
    for (const side of [1, -1])
      for (let k = stays + side; k >= 0 && k < at.length; k += side) {
        const next = this.next(k - side, at[k - side], k, gap, side)
        if (next === undefined) return undefined
        at[k] = next
      }
    return at
  }

  /**
   * The first place beyond a neighbour at which a gap to it is kept. Moved along a course by so much nothing comes nearer or farther by more:
   * what is missing of the gap can always be gone without going past that place. How deep two lie in each other is not known as exactly
   * as how far apart they are (it may be told by some percent too much): from there only half of it is gone.
   */
  private next(a: number, alongA: number, b: number, gap: number, side: number): number | undefined {
    this.put(a, alongA)
    let along = alongA
    for (let i = 0; i < MOST_STEPS; i++) {
      this.put(b, along)
      const now = this.gap(a, b)
      const missing = gap - now
      if (missing <= EXACT) return along
      along += side * Math.max(now < 0 ? missing / 2 : missing, EXACT)
      if (Math.abs(along - alongA) > this.course.length) return undefined
    }
    return along
  }
}

/** A pattern of a group in which nothing stands is nowhere. */
export function thereOf(of: Placeable, { outcomes }: Pick<Around, 'outcomes'>): Placeable {
  if (of.is === 'copy') return of
  const isThere = (id: string): boolean => outcomes.some((o) => o.id === id && o.expanded.presentCount() > 0)
  return { ...of, ids: of.ids.filter(isThere) }
}
