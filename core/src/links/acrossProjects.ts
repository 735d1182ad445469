import { withLots } from '../deal/edits'
import { awayMirrorsOf } from '../evaluation/mirrorSources'
import { type Part, part as partSchema } from '../model/part'
import { patternsIn } from '../model/grouping'
import { type Group, type Project, emptyProject, project as projectSchema } from '../model/project'
import { ground as groundSchema } from '../model/ground'
import { referencesOf, removed } from '../model/references'
import { namer } from '../names'
import { referencesIn, renamed } from '../values/walk'

/** Everything in a project that has an id and can be named by others. */
const LISTS = ['parts', 'patterns', 'grounds', 'groups', 'sets'] as const

/**
 * A project of its own of some patterns: with all that they cannot be placed without (parts and what is inside them, their variants,
 * patterns that they repeat or go with, mirrors that have moved them across, grounds), their groups, and the saved selections to which their steps keep.
 *
 * @param ids patterns of the project
 */
export function takenOut(project: Project, ids: readonly string[]): Project {
  const needed = new Set<string>()
  const need = (id: string): void => {
    if (needed.has(id)) return
    needed.add(id)
    for (const named of namedBy(project, id)) need(named)
  }
  for (const id of ids) need(id)
  const others = LISTS.flatMap((list) => project[list].map(({ id }) => id)).filter((id) => !needed.has(id))
  const { name, unit, clock } = project
  const rest = removed({ ...project, plans: [], measures: [], views: [], camera: [], ignored: [] }, new Set(others))
  return { ...emptyProject(name), ...rest, unit, clock }
}

/** What a thing names that has to come along with it. */
function namedBy(project: Project, id: string): string[] {
  const pattern = project.patterns.find((p) => p.id === id)
  if (pattern) {
    const named = referencesOf(pattern).flatMap(({ to, takes, id: named, path }) => {
      if (to === 'file' || takes === 'aside') return []
      // What mirrors a group or a selection needs what is in it; who is only in the group, or keeps to the selection, does not.
      if (path[0] !== 'layout') return [named]
      if (to === 'group') return [named, ...patternsIn(project, named)]
      const set = to === 'set' && project.sets.find((s) => s.id === named)
      return set ? [named, ...Object.keys(set.copies)] : [named]
    })
    return [...named, ...awayMirrorsOf(id, project).map((mirror) => mirror.id)]
  }
  const part = project.parts.find((p) => p.id === id)
  if (part) return referencesIn(partSchema, part).flatMap((r) => (r.to === 'file' ? [] : [r.id]))
  const ground = project.grounds.find((g) => g.id === id)
  if (ground) return referencesIn(groundSchema, ground).flatMap((r) => (r.to === 'file' ? [] : [r.id]))
  const group: Group | undefined = project.groups.find((g) => g.id === id)
  return group?.parent === undefined ? [] : [group.parent]
}

/** What came in by bringing patterns from another project. */
export interface Brought {
  readonly patterns: readonly string[]
  /** How many parts are new here, and how many were here already and are shared now. */
  readonly parts: number
  readonly joined: number
}

/**
 * Brings all of another project in, in place, so that it stands here as it stands there. A part or a ground that is the same here
 * in everything but its id is shared; names that are taken get a number; what is left to chance falls as it does there.
 *
 * @param newId makes an id that no one else has
 * @param given parts of this project, by the ids of those whose place they take
 */
export function bringIn(
  project: Project,
  from: Project,
  newId: (kind: string) => string,
  given: ReadonlyMap<string, string> = new Map(),
): Brought {
  const now = new Map(given)
  const rename = <T>(value: T): T =>
    renamed(projectSchema, { ...emptyProject('-'), ...value }, (_, id) => now.get(id) ?? id) as T
  let joined = 0
  const partsHere = new Map(project.parts.map((part) => [keyOf(part), part.id]))
  const groundsHere = new Map(project.grounds.map((ground) => [keyOf(ground), ground.id]))
  const [partName, patternName] = [namer([...project.parts, ...project.patterns]), namer(project.patterns)]
  for (const part of insideFirst(from.parts)) {
    if (given.has(part.id)) continue
    const { parts: came } = rename({ parts: [part] })
    const same = partsHere.get(keyOf(came[0]))
    if (same) joined++
    now.set(part.id, same ?? newId('part'))
    if (!same)
      project.parts.push({ ...came[0], id: now.get(part.id)!, name: partName(part.name), chances: chancesOf(part) })
  }
  for (const list of ['groups', 'sets', 'patterns'] as const)
    for (const { id } of from[list]) now.set(id, newId(list.slice(0, -1)))
  const groundName = namer(project.grounds)
  for (const ground of from.grounds) {
    const { grounds: came } = rename({ grounds: [ground] })
    const same = groundsHere.get(keyOf(came[0]))
    now.set(ground.id, same ?? newId('ground'))
    if (!same) project.grounds.push({ ...came[0], id: now.get(ground.id)!, name: groundName(ground.name) })
  }
  const { patterns, groups, sets } = rename({
    // What is dealt at random draws as there, under the ids that parts had.
    patterns: from.patterns.map((pattern) => ({ ...pattern, deal: withLots(pattern.deal) })),
    groups: from.groups,
    sets: from.sets,
  })
  const [groupName, setName] = [namer(project.groups), namer(project.sets)]
  const own = (id: string): string => now.get(id)!
  for (const group of groups) project.groups.push({ ...group, id: own(group.id), name: groupName(group.name) })
  for (const set of sets) project.sets.push({ ...set, id: own(set.id), name: setName(set.name) })
  for (const pattern of patterns)
    project.patterns.push({
      ...pattern,
      id: own(pattern.id),
      name: patternName(pattern.name),
      chances: chancesOf(pattern),
    })
  return {
    patterns: patterns.map(({ id }) => own(id)),
    parts: from.parts.filter(({ id }) => !given.has(id)).length - joined,
    joined,
  }
}

const chancesOf = ({ id, chances }: { readonly id: string; readonly chances?: string | undefined }): string =>
  chances ?? id

/** Parts in an order in which those that others rest on come before them. */
function insideFirst(parts: readonly Part[]): Part[] {
  const out = new Set<Part>()
  const put = (part: Part, above: ReadonlySet<string>): void => {
    if (out.has(part) || above.has(part.id)) return
    for (const { id } of referencesIn(partSchema, part)) {
      const inner = parts.find((p) => p.id === id)
      if (inner) put(inner, new Set([...above, part.id]))
    }
    out.add(part)
  }
  for (const part of parts) put(part, new Set())
  return [...out]
}

/**
 * What is said of a part or a ground beside its id and its number, fields in an order that does not go by who wrote it; and the name of its
 * chances, where something is left to chance. Those of which it is the same are one.
 */
function keyOf(thing: {
  readonly id: string
  readonly name: string
  readonly chances?: string
  readonly variation?: object
}): string {
  const { id: _, chances: __, name, ...rest } = thing
  const said = { ...rest, name: name.replace(/ \d+$/, ''), ...(thing.variation && { chances: chancesOf(thing) }) }
  return JSON.stringify(said, (_key, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  )
}
