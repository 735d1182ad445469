import { type Takes } from '../values/marks'
import { type Reference, referencesIn, renamed, without } from '../values/walk'
import { type Ground, ground as groundSchema } from './ground'
import { type Part, part as partSchema } from './part'
import { type Pattern, pattern as patternSchema } from './pattern'
import { type Plan, plan as planSchema } from '../plans/plan'
import { type Project, project as projectSchema } from './project'

/** The ids that a pattern names, each as often as it does. Kept for each pattern, as edits share what they leave alone. */
export function referencesOf(pattern: Pattern): readonly Reference[] {
  const known = kept.get(pattern)
  if (known) return known
  const found = referencesIn(patternSchema, pattern)
  // What is not frozen may still change.
  if (Object.isFrozen(pattern)) kept.set(pattern, found)
  return found
}
const kept = new WeakMap<Pattern, readonly Reference[]>()

/** What tells of earlier states, on which nothing that is placed rests. */
const EARLIER: readonly unknown[] = ['was', 'baseline']

/** Ids of one sort that a pattern names, each once, without those of earlier states. */
const idsOf = (pattern: Pattern, wanted: (reference: Reference) => boolean): Set<string> =>
  new Set(referencesOf(pattern).flatMap((r) => (wanted(r) && !EARLIER.includes(r.path[0]) ? [r.id] : [])))

/** The ids of the parts and patterns that a pattern's copies may be. */
export const thingsUsed = (pattern: Pattern): Set<string> =>
  idsOf(pattern, ({ to, takes }) => to === 'thing' && takes === 'copies')

/** The ids of patterns that a pattern names, by what it takes from them. */
export const patternsNamed = (pattern: Pattern, takes: Takes): Set<string> =>
  idsOf(pattern, (r) => r.to === 'pattern' && r.takes === takes)

/** The grounds on which a pattern settles. */
export const groundsNamed = (pattern: Pattern): Set<string> => idsOf(pattern, ({ to }) => to === 'ground')

/** The files that a pattern's own fields name. */
export const filesNamed = (pattern: Pattern): Set<string> => idsOf(pattern, ({ to }) => to === 'file')

/** Whether a pattern could not be as it is without a part or another pattern: it deals it, accompanies it, mirrors nothing else. */
export const restsOn = (pattern: Pattern, id: string): boolean =>
  thingsUsed(pattern).has(id) || without(patternSchema, pattern, (_, named) => named === id) === undefined

/** The things that could not be without a part or a pattern: who deals it, was made of it, contains it. */
export function keepersOf(
  { patterns, parts, grounds }: Pick<Project, 'patterns' | 'parts' | 'grounds'>,
  id: string,
): (Pattern | Part | Ground)[] {
  const was = (p: Pattern): boolean =>
    referencesOf(p).some((r) => r.path[0] === 'was' && r.id === id && r.takes === 'copies')
  return [
    ...patterns.filter((p) => p.id !== id && (restsOn(p, id) || was(p))),
    ...parts.filter((p) => p.id !== id && containsPart(p, id)),
    ...grounds.filter((g) => referencesIn(groundSchema, g).some((r) => r.id === id)),
  ]
}

const containsPart = (part: Part, id: string): boolean =>
  referencesIn(partSchema, part).some((r) => r.id === id && r.takes === 'copies')

/**
 * A project without some of its things (parts, patterns, groups, saved selections, grounds), in which nothing names them any more:
 * what can do without them goes on without. Throws where something rests on
 * them, see `keepersOf`.
 */
export function removed<P extends Project>(project: P, ids: ReadonlySet<string>): P {
  for (const id of ids) {
    const keeper = keepersOf(project, id).find(({ id: by }) => !ids.has(by))
    if (keeper) throw new Error(`${keeper.name} rests on ${id}`)
  }
  const left = <T extends { readonly id: string }>(list: readonly T[]): T[] => list.filter(({ id }) => !ids.has(id))
  const rest = {
    ...project,
    parts: left(project.parts),
    patterns: left(project.patterns),
    groups: left(project.groups),
    sets: left(project.sets),
    grounds: left(project.grounds),
  }
  const clean = without(projectSchema, rest, (_, id) => ids.has(id))
  // Whatever rests on what goes was found above.
  return clean!
}

/** The parts that a part names: inside it, mirrored by it, or in its place. */
export const partsNamed = (part: Part): Set<string> =>
  new Set(referencesIn(partSchema, part).flatMap(({ to, id }) => (to === 'file' ? [] : [id])))

/** A pattern in which parts are others, wherever it names them. */
export const withParts = (pattern: Pattern, now: (id: string) => string): Pattern =>
  renamed(patternSchema, pattern, (to, id) => (to === 'thing' || to === 'part' ? now(id) : id))

/** The same, without what it only says aside of them. */
export const withPartsUsed = (pattern: Pattern, now: (id: string) => string): Pattern =>
  renamed(patternSchema, pattern, (to, id, takes) =>
    (to === 'thing' || to === 'part') && takes === 'copies' ? now(id) : id,
  )

/** The same for a part that rests on others. */
export const partWithParts = (part: Part, now: (id: string) => string): Part =>
  renamed(partSchema, part, (to, id) => (to === 'part' || to === 'thing' ? now(id) : id))

/** The files that a project names, each once, with what they are and whose. */
export function filesOfProject(project: Project): { file: string; what: string; name: string }[] {
  const all = [...project.parts, ...project.patterns, ...project.grounds, ...project.plans].flatMap((thing) =>
    filesOf(thing),
  )
  return [...new Map(all.map((f) => [f.file, f])).values()]
}

/** The files that one part, pattern, ground or plan names. */
export function filesOf(thing: Part | Pattern | Ground | Plan): { file: string; what: string; name: string }[] {
  const schema =
    'layout' in thing ? patternSchema : 'look' in thing ? partSchema : 'lies' in thing ? planSchema : groundSchema
  return referencesIn(schema, thing).flatMap(({ to, id, what = 'file' }) =>
    to === 'file' ? [{ file: id, what, name: thing.name }] : [],
  )
}
