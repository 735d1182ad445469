import { withLots } from '../deal/edits'
import { type Vec3, plus } from '../geometry/vec'
import { definitionOf } from '../layouts/index'
import { type Pattern, chancesOf } from '../model/pattern'
import { type Project, emptyProject, project as projectSchema } from '../model/project'
import { thingsUsed } from '../model/references'
import { namer } from '../names'
import { setOf } from '../steps/index'
import { renamed } from '../values/walk'

/**
 * A set-up: a pattern and what belongs to it, which are the companions that go with its copies, the mirrors of nothing but it, and what
 * belongs to those.
 *
 * @returns ids, the pattern's own first
 */
export function setUpOf({ patterns }: Project, id: string): string[] {
  const own = [id]
  const isOwn = (other: string): boolean => own.includes(other)
  for (let grows = true; grows;) {
    grows = false
    for (const { id: other, layout } of patterns) {
      if (isOwn(other)) continue
      const definition = definitionOf(layout)
      const host = definition.host?.(layout)
      const sources = definition.images?.(layout).sources ?? []
      const mirrors = sources.length > 0 && sources.every((s) => s.kind === 'pattern' && isOwn(s.id))
      if (!mirrors && (host === undefined || !isOwn(host))) continue
      own.push(other)
      grows = true
    }
  }
  return own
}

/** The parts that the copies of a set-up may be, in the order of the project. */
export function partsOfSetUp(project: Project, ids: readonly string[]): string[] {
  const patterns = project.patterns.filter((p) => ids.includes(p.id))
  const used = new Set(patterns.flatMap((p) => [...thingsUsed(p)]))
  return project.parts.flatMap(({ id }) => (used.has(id) ? [id] : []))
}

/** How a set-up is made again. */
export interface SetUpAgain {
  /** Other parts, by those whose place they take. */
  readonly given: ReadonlyMap<string, string>
  /** Whether what is left to chance falls as it did. */
  readonly sameChances: boolean
  /** How far from the first its patterns stand, in metres; those that go with others follow them. */
  readonly by: Vec3
  newId(kind: string): string
}

/**
 * Makes a set-up again with other parts, beside itself. In place. What does not belong to it (hosts with which it goes, grounds, curves of
 * others) is shared; saved selections to which its steps keep are its own.
 *
 * @param ids as `setUpOf` gives them
 * @returns the ids of the new patterns, in the same order
 */
export function setUpAgain(
  project: Project,
  ids: readonly string[],
  { given, sameChances, by, newId }: SetUpAgain,
): string[] {
  const originals = ids.flatMap((id) => project.patterns.find((p) => p.id === id) ?? [])
  const kept = new Set(originals.flatMap((p) => p.steps.flatMap((step) => setOf(step) ?? [])))
  const sets = project.sets.filter((set) => kept.has(set.id))
  const now = new Map(given)
  for (const { id } of originals) now.set(id, newId('pattern'))
  for (const { id } of sets) now.set(id, newId('set'))
  const isOwn = (id: string): boolean => ids.includes(id)
  const again = renamed(
    projectSchema,
    {
      ...emptyProject('-'),
      patterns: originals.map((p) => ({ ...p, deal: withLots(p.deal) })),
      sets: sets.map((set) => ({
        ...set,
        copies: Object.fromEntries(Object.entries(set.copies).filter(([id]) => isOwn(id))),
      })),
    },
    (_, id) => now.get(id) ?? id,
  )
  const [patternName, setName] = [namer(project.patterns), namer(project.sets)]
  for (const set of again.sets) project.sets.push({ ...set, id: now.get(set.id) ?? set.id, name: setName(set.name) })
  const made = again.patterns.map((pattern, i): Pattern => {
    const original = originals[i]
    const again: Pattern = { ...pattern, id: now.get(original.id)!, name: patternName(pattern.name) }
    // Earlier places and states are those of the original.
    for (const key of ['baseline', 'was', 'locked', 'chances'] as const) delete again[key]
    if (sameChances) again.chances = chancesOf(original)
    if (i === 0) again.place = { ...again.place, move: plus(again.place.move, by) }
    return again
  })
  const last = Math.max(...originals.map((p) => project.patterns.indexOf(p)))
  project.patterns.splice(last + 1, 0, ...made)
  return made.map(({ id }) => id)
}
