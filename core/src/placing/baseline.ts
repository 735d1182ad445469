import { minus } from '../geometry/vec'
import { produce } from 'immer'
import type { PatternOutcome } from '../evaluation/outcome'
import type { Placing } from '../instances'
import { definitionOf } from '../layouts/index'
import type { Baseline } from '../model/pattern'
import type { Project } from '../model/project'
import { type Result, done, refused } from '../words'
import { type Body, type Placeable, bodiesOf } from './body'
import { type Placed, type Target, changesOf, placedExactly, putPlaced } from './exactly'

const NONE: Baseline = { copies: {} }

/** Takes places as the ones to come back to: all values of the picked copies, or the places of whole patterns. In place. */
export function takeBaseline(project: Project, bodies: readonly Body[]): void {
  for (const { of, stands } of bodies) {
    if (of.is === 'patterns') {
      for (const pattern of project.patterns)
        if (of.ids.includes(pattern.id))
          pattern.baseline = { ...(pattern.baseline ?? NONE), place: copied(pattern.place) }
      continue
    }
    const pattern = project.patterns.find((p) => p.id === of.pattern)
    if (!pattern) continue
    const touch = pattern.touchUps[of.slot]
    const spot = definitionOf(pattern.layout).ownPlace?.(pattern.layout, of.slot)
    pattern.baseline ??= { copies: {} }
    pattern.baseline.copies[of.slot] = {
      stands: { move: [...stands.move], turn: [...stands.turn], size: [...stands.size] },
      ...(touch && { touch: copied(touch) }),
      ...(spot && { spot: { move: [...spot.move], turn: [...spot.turn], size: [...spot.size] } }),
    }
  }
}

/** Plain data of its own: what is taken does not change with what it was taken from. */
const copied = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** What a baseline says of a thing, as it is to stand; undefined where none was taken of it. */
function wantedOf({ patterns }: Project, of: Placeable): Placing | undefined {
  return of.is === 'copy' ? patterns.find((p) => p.id === of.pattern)?.baseline?.copies[of.slot]?.stands : undefined
}

/**
 * How far picked things are from their baseline, in metres, the farthest of them; undefined where none of them has one. Turns and
 * sizes count by themselves: `changed` says whether anything differs at all.
 */
export function offBaseline(
  project: Project,
  bodies: readonly Body[],
): { readonly farthest: number; readonly changed: number; readonly count: number } | undefined {
  let [farthest, changed, count] = [0, 0, 0]
  const tell = (away: number, differs: boolean): void => {
    count++
    farthest = Math.max(farthest, away)
    if (differs) changed++
  }
  for (const { of, stands } of bodies) {
    if (of.is === 'patterns') {
      for (const { id, baseline, place } of project.patterns)
        if (of.ids.includes(id) && baseline?.place)
          tell(Math.hypot(...minus(place.move, baseline.place.move)), !same(place, baseline.place))
      continue
    }
    const wanted = wantedOf(project, of)
    if (wanted) tell(Math.hypot(...minus(stands.move, wanted.move)), !same(stands, wanted))
  }
  return count > 0 ? { farthest, changed, count } : undefined
}

const same = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b)

/**
 * What brings things back to their baseline. First the document says of them what it said then, which brings them back to the
 * bit where nothing beside them has changed; what still stands elsewhere is put there exactly.
 */
export function backToBaseline(
  project: Project,
  things: readonly Placeable[],
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Placed> {
  const restored = produce(project, (draft) => {
    for (const of of things) restore(draft, of)
  })
  if (restored === project && !things.some((of) => wantedOf(project, of)))
    return refused('No baseline was taken of them. Take their places as baseline first.')
  const outcomes = evaluate(restored)
  const bodies = bodiesOf({ project: restored, outcomes, supportOf: () => () => ({ low: 0, high: 0 }) }, things)
  const targets = bodies.flatMap(({ of, stands }): Target[] => {
    const to = wantedOf(project, of)
    return to && !same(stands, to) ? [{ of, from: stands, to }] : []
  })
  if (targets.length === 0) return done(changesOf(project, restored, things))
  const placed = placedExactly(restored, targets, evaluate)
  if (!placed.ok) return placed
  const there = produce(restored, (draft) => putPlaced(draft, placed.value))
  return done(changesOf(project, there, things))
}

function restore(draft: Project, of: Placeable): void {
  if (of.is === 'patterns') {
    for (const pattern of draft.patterns)
      if (of.ids.includes(pattern.id) && pattern.baseline?.place) pattern.place = copied(pattern.baseline.place)
    return
  }
  const pattern = draft.patterns.find((p) => p.id === of.pattern)
  const kept = pattern?.baseline?.copies[of.slot]
  if (!pattern || !kept) return
  if (kept.touch) pattern.touchUps[of.slot] = copied(kept.touch)
  else delete pattern.touchUps[of.slot]
  if (kept.spot) definitionOf(pattern.layout).putPlace?.(pattern.layout, of.slot, copied(kept.spot))
}
