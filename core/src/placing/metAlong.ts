import { fromTurns, inverse, rotate } from '../geometry/rotation'
import { type Vec3, acrossTo, dot } from '../geometry/vec'
import { inPattern } from '../model/inWorld'
import { Reach } from '../spacing/reach'
import type { Body, Worked } from './body'
import type { Edge } from './edges'
import { nearestRows } from './nearestRows'

/** What the edge of something met: the same or the facing edge of a copy, or the middle of the world. */
export interface Met {
  /** How far along the direction from where it stood, in metres. */
  readonly by: number
  readonly mine: Edge
  readonly its: Edge
  /** The copy; absent for the middle of the world. */
  readonly of?: { readonly pattern: string; readonly row: number }
}

/** Which edges meet: face on face, and those that line up. */
const MEETINGS: readonly (readonly [mine: Edge, its: Edge])[] = [
  ['high', 'low'],
  ['low', 'high'],
  ['low', 'low'],
  ['high', 'high'],
  ['middle', 'middle'],
]

/** Beside what lies in their way, so many of their own pattern are met: of a crowd some edge would lie anywhere. */
const KIN = 12

/**
 * What things meet while they are moved along a direction: outlines of the copies that lie in their way and of their nearest neighbours in
 * their own pattern, as they stand, turned and sized; and the middle of the world. Looked at once, and asked at every move of the pointer.
 */
export class MetAlong {
  private readonly of: { readonly pattern: string; readonly row: number }[] = []
  /** In the world, along the direction. */
  private readonly low: number[] = []
  private readonly high: number[] = []
  private readonly own: Readonly<Record<Edge, number>>

  /**
   * @param bodies what is moved, as it stands
   * @param direction of unit length, in the world
   * @param isHeld whether a copy moves along and is not met
   */
  constructor(
    { project, outcomes, supportOf }: Worked,
    bodies: readonly Body[],
    direction: Readonly<Vec3>,
    isHeld: (pattern: string, row: number) => boolean,
  ) {
    const ways = [direction, ...acrossTo(direction)]
    const [along, ...sides] = ways.map((way) => spanOf(bodies, way))
    const middle = (along[0] + along[1]) / 2
    this.own = {
      low: along[0],
      high: along[1],
      middle,
      pivot: bodies.length === 1 ? dot(bodies[0].stands.move, direction) : middle,
    }
    const kin = new Set(bodies.flatMap(({ of }) => (of.is === 'copy' ? [of.pattern] : [])))
    for (const pattern of project.patterns) {
      const table = pattern.hidden ? undefined : outcomes.find((o) => o.id === pattern.id)?.table
      if (!table) continue
      const back = inverse(fromTurns(pattern.place.turn))
      const [ahead, ...beside] = ways.map((way) => {
        const own = rotate(back, way)
        return { own, reach: new Reach(table, own, supportOf), from: dot(pattern.place.move, way) }
      })
      const { position: p } = table
      const at = (k: number, { own, from }: typeof ahead): number =>
        from + p[3 * k] * own[0] + p[3 * k + 1] * own[1] + p[3 * k + 2] * own[2]
      const near = kin.has(pattern.id)
        ? nearestRows(table, inPattern(pattern, bodies[0].stands).move, KIN, (k) => !isHeld(pattern.id, k))
        : new Set<number>()
      for (let k = 0; k < table.count; k++) {
        if (!table.isPresent(k) || isHeld(pattern.id, k)) continue
        const isMet =
          near.has(k) ||
          beside.every((side, i) => {
            side.reach.ask(k)
            const pivot = at(k, side)
            return pivot + side.reach.low < sides[i][1] && pivot + side.reach.high > sides[i][0]
          })
        if (!isMet) continue
        ahead.reach.ask(k)
        const pivot = at(k, ahead)
        this.of.push({ pattern: pattern.id, row: k })
        this.low.push(pivot + ahead.reach.low)
        this.high.push(pivot + ahead.reach.high)
      }
    }
  }

  /**
   * The meeting nearest to where they were moved to.
   *
   * @param by so far along the direction, in metres
   * @param within no farther from there
   * @param wants what may be met
   */
  nearest(by: number, within: number, wants: { outlines: boolean; lines: boolean }): Met | undefined {
    let best: Met | undefined
    let least = within
    const offer = (to: number, mine: Edge, its: Edge, of?: Met['of']): void => {
      const away = Math.abs(to - by)
      if (away >= least) return
      least = away
      best = { by: to, mine, its, ...(of && { of }) }
    }
    if (wants.outlines)
      for (const [i, of] of this.of.entries()) {
        const [low, high] = [this.low[i], this.high[i]]
        for (const [mine, its] of MEETINGS)
          offer((its === 'low' ? low : its === 'high' ? high : (low + high) / 2) - this.own[mine], mine, its, of)
      }
    if (wants.lines) for (const mine of ['middle', 'pivot'] as const) offer(-this.own[mine], mine, 'middle')
    return best
  }
}

/** From where to where things reach along a direction together. */
function spanOf(bodies: readonly Body[], way: Readonly<Vec3>): [number, number] {
  let [low, high] = [Infinity, -Infinity]
  for (const body of bodies) {
    const reach = body.reach(way)
    low = Math.min(low, reach.low)
    high = Math.max(high, reach.high)
  }
  return [low, high]
}
