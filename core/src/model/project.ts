import { z } from 'zod'
import { MAX_GROUPS, MAX_PARTS, MAX_PATTERNS } from '../limits'
import { lengthUnits } from '../numbers/units'
import { type Result, done, refused } from '../words'
import { ground } from './ground'
import { MAX_DEEP, tooDeep } from './chains'
import { circleOfParts, part } from './part'
import { pattern, slotKey } from './pattern'
import { camera } from '../motion/camera/schema'
import { clock, usualClock } from '../motion/index'
import { upgrades } from './upgrades'
import { definitionOf, layoutKinds } from '../layouts/index'
import { stepKinds } from '../steps/index'
import { dropsBy, formerId, ownId, ref } from '../values/marks'
import { type Reference, referencesIn, without } from '../values/walk'
import { name, positive, vec3 } from '../values/values'
import { misread } from './misread'
import { plan } from '../plans/plan'

export const SCHEMA = 18

/** Patterns, and groups of them, under one name. */
export const group = z.object({
  id: ownId(),
  name,
  parent: ref('group').optional(),
  /** What is in it is not moved, nor picked by area. */
  locked: z.literal(true).optional(),
  /** Steps that all of its patterns have together, by the ids under which each of them has it. */
  steps: z.array(formerId()).max(100).optional(),
  /** Movements that all of its patterns have together, likewise: their copies come in one row. */
  motion: z.array(formerId()).max(100).optional(),
})
export type Group = z.infer<typeof group>

/** A saved selection: copies by their slots, pattern by pattern. Slots that are not there at present wait. */
const savedSet = z.object({
  id: ownId(),
  name,
  copies: z.record(ref('pattern', 'aside'), z.array(slotKey).max(1_000_000)),
})
export type SavedSet = z.infer<typeof savedSet>

/** An end of a measured distance: a place of the world, or one in the own axes of a copy, with which it goes. */
const measureEnd = dropsBy(
  z.object({
    at: vec3,
    copy: z.object({ pattern: ref('pattern', 'aside'), slot: slotKey }).optional(),
  }),
  // Without its copy it would stand anywhere.
  (end, gone) => (end.copy && gone(end.copy.pattern) ? undefined : end),
)
/** A distance that stays on the stage as a dimension line and follows what it is measured between. */
const keptMeasure = z.object({
  id: ownId(),
  kind: z.enum(['points', 'pivots', 'clear']),
  from: measureEnd,
  to: measureEnd,
})
export type KeptMeasure = z.infer<typeof keptMeasure>
export type MeasureEnd = z.infer<typeof measureEnd>

/** From where the arrangement is looked at, by name: the eye, what it looks at, and in a flat view how much of it is seen upwards. */
const savedView = z.object({
  id: ownId(),
  name,
  /** In perspective, or the side from which it is seen flat. */
  from: z.enum(['perspective', 'top', 'front', 'side', 'bottom', 'back', 'left', 'own']),
  eye: vec3,
  target: vec3,
  /** Metres that the picture is high, where lines stay parallel. */
  height: positive.optional(),
})
export type SavedView = z.infer<typeof savedView>

/** A finding of the checks that is not to be told again, as long as there is no more of it; it goes with what it is about. */
const ignoredFinding = dropsBy(
  z.object({
    id: ownId(),
    what: z.string().max(40),
    about: z.array(ref('thing', 'aside')).max(MAX_PARTS),
    count: z.int().min(0),
  }),
  (ignored, gone) => (ignored.about.some(gone) ? undefined : ignored),
)
export type IgnoredFinding = z.infer<typeof ignoredFinding>

/** One file of work. Lengths in metres, angles in radians; `unit` only says how lengths are shown. */
const fields = z.object({
  schema: z.literal(SCHEMA),
  name,
  unit: z.enum(lengthUnits),
  parts: z.array(part).max(MAX_PARTS),
  patterns: z.array(pattern).max(MAX_PATTERNS),
  /** Under the arrangement, in the order in which they are listed. */
  grounds: z.array(ground).max(200),
  plans: z.array(plan).max(200),
  groups: z.array(group).max(MAX_GROUPS),
  sets: z.array(savedSet).max(500),
  measures: z.array(keptMeasure).max(1000),
  views: z.array(savedView).max(200),
  /** From where pictures of its motion are seen, one after another; empty where they are seen from one place. */
  camera,
  ignored: z.array(ignoredFinding).max(1000),
  /** How long its animation is. */
  clock,
})
export const project = fields.superRefine((doc, context) => {
  for (const message of faultsOf(doc)) context.addIssue({ code: 'custom', message })
})
export type Project = z.infer<typeof project>

/** What a pattern cannot be placed without; a saved selection that is not there is told by the step that keeps to it. */
const isNeeded = ({ to, takes, path }: Reference): boolean =>
  takes === 'copies' && (to === 'thing' || to === 'pattern' || (to === 'ground' && path[0] === 'layout'))

/** Whether an id names something that is in the document. */
function namesIn(doc: Omit<Project, 'schema' | 'name' | 'unit'>): (reference: Pick<Reference, 'to' | 'id'>) => boolean {
  const ids = (list: readonly { readonly id: string }[]): Set<string> => new Set(list.map(({ id }) => id))
  const known = {
    part: ids(doc.parts),
    pattern: ids(doc.patterns),
    group: ids(doc.groups),
    set: ids(doc.sets),
    ground: ids(doc.grounds),
    view: ids(doc.views),
  }
  return ({ to, id }) =>
    to === 'file' || (to === 'thing' ? known.part.has(id) || known.pattern.has(id) : known[to].has(id))
}

/** What each part, pattern and group rests on, as it is worked out. */
function restsOf({ parts, patterns, groups }: Pick<Project, 'parts' | 'patterns' | 'groups'>): Map<string, string[]> {
  const copies = (found: readonly Reference[]): string[] =>
    found.flatMap(({ to, takes, id }) =>
      takes === 'copies' && (to === 'thing' || to === 'part' || to === 'pattern') ? [id] : [],
    )
  return new Map([
    ...parts.map((one): [string, string[]] => [one.id, copies(referencesIn(part, one))]),
    ...patterns.map((one): [string, string[]] => [one.id, copies(referencesIn(pattern, one))]),
    ...groups.map(({ id, parent }): [string, string[]] => [id, parent === undefined ? [] : [parent]]),
  ])
}

/** What is wrong with how the things of a document name each other. */
function faultsOf(doc: z.infer<typeof fields>): string[] {
  const faults: string[] = []
  const partIds = new Set(doc.parts.map((p) => p.id))
  const patternIds = new Set(doc.patterns.map((p) => p.id))
  if (partIds.size < doc.parts.length) faults.push('two parts carry one id')
  if (patternIds.size < doc.patterns.length) faults.push('two patterns carry one id')
  if ([...partIds].some((id) => patternIds.has(id))) faults.push('a part and a pattern carry one id')
  const isThere = namesIn(doc)
  for (const thing of doc.patterns) {
    const lost = referencesIn(pattern, thing).find((r) => isNeeded(r) && !isThere(r))
    if (lost) faults.push(`${thing.name} uses a ${lost.to === 'thing' ? 'part' : lost.to} that is not in the project`)
    if (thing.deal.parts.length === 0 && (definitionOf(thing.layout).deals?.(thing.layout) ?? true))
      faults.push(`${thing.name} deals no part`)
  }
  for (const thing of doc.parts)
    if (referencesIn(part, thing).some((r) => !isThere(r)))
      faults.push(`${thing.name} rests on a part that is not in the project`)
  for (const thing of doc.grounds)
    if (referencesIn(ground, thing).some((r) => r.to !== 'file' && !isThere(r)))
      faults.push(`${thing.name} has the surface of a part that is not in the project`)
  const deep = tooDeep(restsOf(doc))
  if (deep !== undefined) {
    const { name: called } = [...doc.parts, ...doc.patterns, ...doc.groups].find(({ id }) => id === deep)!
    return [...faults, `${called} rests on more than ${MAX_DEEP} others, one upon another`]
  }
  const circle = circleOfParts(doc.parts)
  if (circle) faults.push(`${circle.join(' → ')}: a part cannot contain itself`)
  return faults
}

/** An empty project, in millimetres. */
export const emptyProject = (name: string): Project => ({
  schema: SCHEMA,
  name,
  unit: 'mm',
  parts: [],
  patterns: [],
  grounds: [],
  plans: [],
  groups: [],
  sets: [],
  measures: [],
  views: [],
  camera: [],
  ignored: [],
  clock: usualClock,
})

/** Reads a document from outside (a file, the API, the database), brought up to the present schema and checked whole. */
export function readProject(data: unknown): Result<Project> {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) return refused('This is not a Hilera project.')
  let doc = data as Record<string, unknown>
  const version = typeof doc.schema === 'number' ? doc.schema : 0
  if (version > SCHEMA) return refused('This project comes from a newer Hilera. Update Hilera to open it.')
  for (const upgrade of upgrades.slice(Math.max(version - 1, 0))) doc = upgrade(doc)
  const unknown = unknownKind(doc)
  if (unknown) return refused(`${unknown}: this Hilera does not know that. Update Hilera to open it.`)
  const read = fields.safeParse(doc)
  if (!read.success) {
    return refused(`This is not a Hilera project: ${misread(doc, read.error.issues[0])}.`)
  }
  const value = version < SCHEMA ? withoutLost(read.data) : read.data
  const [fault] = faultsOf(value)
  return fault ? refused(`This is not a Hilera project: ${fault}.`) : done(value)
}

/** Older builds left names behind of what had been removed: they are let go, where their owners can do without. */
function withoutLost(doc: Project): Project {
  const isThere = namesIn(doc)
  return without(fields, doc, (to, id) => !isThere({ to, id })) ?? doc
}

/** A layout, a step or a shape of a kind that is not known here, in words. */
function unknownKind(doc: Record<string, unknown>): string | undefined {
  const items = (value: unknown): Record<string, unknown>[] =>
    Array.isArray(value) ? value.filter((item) => typeof item === 'object' && item !== null) : []
  const kindOf = (value: unknown): unknown => (value as { kind?: unknown } | null | undefined)?.kind
  for (const { name: called, layout, steps } of items(doc.patterns)) {
    const kind = kindOf(layout)
    if (typeof kind === 'string' && !layoutKinds.some((known) => known === kind))
      return `${String(called)} is laid out as “${kind.slice(0, 40)}”`
    const strange = items(steps).find((s) => typeof s.kind === 'string' && !stepKinds.some((known) => known === s.kind))
    if (strange) return `${String(called)} has a step “${String(strange.kind).slice(0, 40)}”`
  }
  return undefined
}
