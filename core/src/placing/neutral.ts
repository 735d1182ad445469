import { definitionOf } from '../layouts/index'
import type { Project } from '../model/project'
import { touchUpCopy } from '../patternEdits'
import type { Placeable } from './body'

/** What is put back to neutral: where it was moved to, how it was turned, how it was sized, or all of it. */
export const neutrals = ['move', 'turn', 'size', 'all'] as const
export type Neutral = (typeof neutrals)[number]

/**
 * Takes back what was done by hand to picked things: a copy's touch-up, the turn and size of a place of its own; patterns go to the
 * origin, unturned. What parts them from others (another part, an empty place) stays. In place.
 */
export function putNeutral(project: Project, things: readonly Placeable[], what: Neutral): void {
  const takes = (one: Neutral): boolean => what === 'all' || what === one
  for (const of of things) {
    if (of.is === 'patterns') {
      for (const pattern of project.patterns) {
        if (!of.ids.includes(pattern.id)) continue
        if (takes('move')) pattern.place.move = [0, 0, 0]
        if (takes('turn')) pattern.place.turn = [0, 0, 0]
      }
      continue
    }
    const pattern = project.patterns.find((p) => p.id === of.pattern)
    if (!pattern) continue
    const { ownPlace, putPlace } = definitionOf(pattern.layout)
    const spot = ownPlace?.(pattern.layout, of.slot)
    if (spot && (takes('turn') || takes('size')))
      putPlace?.(pattern.layout, of.slot, {
        move: spot.move,
        turn: takes('turn') ? [0, 0, 0, 1] : spot.turn,
        size: takes('size') ? [1, 1, 1] : spot.size,
      })
    if (pattern.touchUps[of.slot])
      touchUpCopy(pattern, of.slot, {
        ...(takes('move') && { move: [0, 0, 0] }),
        ...(takes('turn') && { turn: [0, 0, 0] }),
        ...(takes('size') && { size: [1, 1, 1] }),
        ...(what === 'all' && { held: undefined, unsettled: undefined }),
      })
  }
}
