import { fromTurns, inverse, rotate } from '../geometry/rotation'
import { type Vec3, acrossTo, dot } from '../geometry/vec'
import { inPattern } from '../model/inWorld'
import type { Body, Worked } from './body'
import { nearestRows } from './nearestRows'

/** What something is turned like. */
export interface Like {
  /** The angle about the axis from how it stood, in radians. */
  readonly angle: number
  /** The copy that faces the same way; absent where it stands square to the axes of the world. */
  readonly of?: { readonly pattern: string; readonly row: number }
}

/** So many of its own pattern are looked at: of a crowd some would face anywhere. */
const NEIGHBOURS = 6
/** A direction nearer to the axis than this shows no angle about it. */
const ALONG = 0.1
const TURN = 2 * Math.PI

/**
 * The angles about an axis by which something comes to face as one of its neighbours does, or square to the axes of the world. Facing is told by its front,
 * or by its upper side where its front looks along the axis. Looked at once, and asked at every move of the pointer.
 */
export class TurnedLike {
  private readonly angles: number[] = []
  /** Of whom; absent for the axes of the world, which come first. */
  private readonly whom: Like['of'][] = []

  /**
   * @param lead what is turned, as it stands
   * @param axis of unit length, in the world
   * @param isHeld whether a copy turns along and is not looked at
   */
  constructor(
    { project, outcomes }: Omit<Worked, 'supportOf'>,
    lead: Body,
    axis: Readonly<Vec3>,
    isHeld: (pattern: string, row: number) => boolean,
  ) {
    const [a, b] = acrossTo(axis)
    const face: Vec3 = Math.abs(dot(rotate(lead.stands.turn, [0, 0, 1]), axis)) > 0.9 ? [0, 1, 0] : [0, 0, 1]
    const angle = (way: Readonly<Vec3>, u = a, v = b): number | undefined => {
      const [x, y] = [dot(way, u), dot(way, v)]
      return Math.hypot(x, y) < ALONG ? undefined : Math.atan2(y, x)
    }
    const own = angle(rotate(lead.stands.turn, face))
    if (own === undefined) return
    const add = (to: number | undefined, of?: Like['of']): void => {
      if (to === undefined) return
      this.angles.push(to - own)
      this.whom.push(of)
    }
    for (const way of [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const)
      if (Math.abs(dot(way, axis)) < ALONG) for (const sense of [1, -1]) add(angle(way.map((n) => sense * n) as Vec3))
    if (lead.of.is !== 'copy') return
    const { pattern: id } = lead.of
    const pattern = project.patterns.find((p) => p.id === id)
    const table = outcomes.find((o) => o.id === id)?.table
    if (!pattern || !table) return
    const back = inverse(fromTurns(pattern.place.turn))
    const [u, v] = [rotate(back, a), rotate(back, b)]
    for (const k of nearestRows(table, inPattern(pattern, lead.stands).move, NEIGHBOURS, (row) => !isHeld(id, row)))
      add(angle(rotate(table.turnOf(k), face), u, v), { pattern: id, row: k })
  }

  /**
   * The one nearest to how far it was turned.
   *
   * @param by in radians, more than a whole turn too
   * @param within no farther from there
   */
  nearest(by: number, within: number): Like | undefined {
    let best = -1
    let [least, angle] = [within, 0]
    for (const [i, to] of this.angles.entries()) {
      const near = to + TURN * Math.round((by - to) / TURN)
      const away = Math.abs(near - by)
      if (away >= least) continue
      ;[best, least, angle] = [i, away, near]
    }
    return best < 0 ? undefined : { angle, ...(this.whom[best] && { of: this.whom[best] }) }
  }
}
