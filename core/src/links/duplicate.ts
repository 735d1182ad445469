import { withLots } from '../deal/edits'
import { definitionOf } from '../layouts/index'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { partsNamed, partWithParts, thingsUsed, withParts, withPartsUsed } from '../model/references'
import { freeName } from '../names'
import { setOf } from '../steps/index'
import { ownPart, saidAlike } from './unlink'

/** What a duplicate is called and where it stands. */
export interface Duplicate {
  readonly id: string
  readonly name: string
  readonly place: Pattern['place']
  /** Whether it gets parts of its own, so that nothing done to one reaches the other. */
  readonly own: boolean
  /** Makes an id that no one else has. */
  readonly newId: (kind: 'part' | 'set') => string
}

/**
 * Adds a pattern again, beside itself. Changes the project in place. It gets saved selections of its own for those to which its
 * steps keep, and parts of its own where that is asked. Patterns that it repeats or goes with stay shared.
 */
export function duplicatePattern(project: Project, pattern: Pattern, how: Duplicate): void {
  const parts = how.own ? ownPartsOf(project, pattern, () => how.newId('part')) : new Map<string, string>()
  const sets = setsFor(project, pattern, how)
  const copy: Pattern = {
    ...withOwn(pattern, parts),
    id: how.id,
    chances: pattern.chances ?? pattern.id,
    name: how.name,
    place: how.place,
  }
  const steps = copy.steps.map((step) => {
    const now = sets.get(setOf(step) ?? '')
    return now === undefined ? step : { ...step, only: now }
  })
  project.patterns.splice(project.patterns.findIndex((p) => p.id === pattern.id) + 1, 0, { ...copy, steps })
}

/** Whether it places parts of its own, and not only images of what others place. */
const dealsParts = ({ layout }: Pattern): boolean => definitionOf(layout).deals?.(layout) ?? true

/**
 * A pattern that uses parts of its own. What it says aside of parts still holds for those of others: a mirror shows them, and a
 * pattern that it repeats deals them.
 */
function withOwn(pattern: Pattern, parts: ReadonlyMap<string, string>): Pattern {
  if (parts.size === 0) return { ...pattern }
  const now = (id: string): string => parts.get(id) ?? id
  const dealt = { ...pattern, deal: withLots(pattern.deal) }
  const repeats = [...thingsUsed(pattern)].some((id) => !parts.has(id))
  if (dealsParts(pattern) && !repeats) return withParts(dealt, now)
  const own = structuredClone(withPartsUsed(dealt, now))
  for (const [from, to] of parts) saidAlike(own, from, to)
  return own
}

/** Makes every part that a pattern's copies may be its own, with those inside them, their originals and variants; new ids by old ones. */
function ownPartsOf(project: Project, pattern: Pattern, newId: () => string): ReadonlyMap<string, string> {
  const byId = new Map(project.parts.map((p) => [p.id, p]))
  const found = new Map<string, Part>()
  const reach = (id: string): void => {
    const part = byId.get(id)
    if (!part || found.has(id)) return
    found.set(id, part)
    for (const inner of partsNamed(part)) reach(inner)
  }
  // A mirror's deal is never asked.
  const asked = dealsParts(pattern) ? pattern : { ...pattern, deal: { kind: 'inTurn' as const, parts: [] } }
  for (const id of thingsUsed(asked)) reach(id)
  const fresh = new Map([...found.keys()].map((id) => [id, newId()]))
  for (const [id, part] of found)
    project.parts.push(
      ownPart(
        project,
        partWithParts(part, (named) => fresh.get(named) ?? named),
        fresh.get(id)!,
      ),
    )
  return fresh
}

/**
 * The selections to which the duplicate's steps keep, by those of the original: each of its own, as others may go by the original's
 * too, a mirror of what it holds for one.
 */
function setsFor(project: Project, pattern: Pattern, { id, newId }: Duplicate): ReadonlyMap<string, string> {
  const now = new Map<string, string>()
  for (const step of pattern.steps) {
    const set = project.sets.find((s) => s.id === setOf(step))
    const keys = set?.copies[pattern.id]
    if (!set || !keys || now.has(set.id)) continue
    now.set(set.id, newId('set'))
    const name = freeName(
      set.name,
      project.sets.map((s) => s.name),
    )
    project.sets.push({ id: now.get(set.id)!, name, copies: { [id]: [...keys] } })
  }
  return now
}
