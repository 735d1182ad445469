import { z } from 'zod'
import { lengthUnits } from '../numbers/units'
import { type Result, done, refused } from '../words'
import { circleOfParts, part, partsInside } from './part'
import { pattern, slotKey, thingsUsed } from './pattern'
import { id, name } from '../values/values'

export const SCHEMA = 3

/** Patterns, and groups of them, under one name. */
export const group = z.object({ id, name, parent: id.optional() })
export type Group = z.infer<typeof group>

/** A saved selection: copies by their slots, pattern by pattern. Slots that are not there at present wait. */
export const savedSet = z.object({ id, name, copies: z.record(id, z.array(slotKey).max(1_000_000)) })
export type SavedSet = z.infer<typeof savedSet>

/** One file of work. Lengths in metres, angles in radians; `unit` only says how lengths are shown. */
export const project = z
  .object({
    schema: z.literal(SCHEMA),
    name,
    unit: z.enum(lengthUnits),
    parts: z.array(part).max(20_000),
    patterns: z.array(pattern).max(5000),
    groups: z.array(group).max(5000),
    sets: z.array(savedSet).max(500),
  })
  .superRefine((doc, context) => {
    const parts = new Set(doc.parts.map((p) => p.id))
    const patterns = new Set(doc.patterns.map((p) => p.id))
    const fault = (message: string): void => context.addIssue({ code: 'custom', message })
    if (parts.size < doc.parts.length) fault('two parts carry one id')
    if (patterns.size < doc.patterns.length) fault('two patterns carry one id')
    if ([...parts].some((id) => patterns.has(id))) fault('a part and a pattern carry one id')
    for (const pattern of doc.patterns) {
      const { name, layout, was } = pattern
      const used = [...thingsUsed(pattern), ...(was ? thingsUsed(was) : [])]
      if (used.some((id) => !parts.has(id) && !patterns.has(id)))
        fault(`${name} uses a part that is not in the project`)
      if (layout.kind === 'companion' && !patterns.has(layout.host))
        fault(`${name} accompanies a pattern that is not in the project`)
      if (pattern.deal.parts.length === 0 && layout.kind !== 'mirror') fault(`${name} deals no part`)
    }
    for (const part of doc.parts) {
      if ([...partsInside(part), ...(part.variants ?? [])].some((id) => !parts.has(id)))
        fault(`${part.name} rests on a part that is not in the project`)
    }
    const circle = circleOfParts(doc.parts)
    if (circle) fault(`${circle.join(' → ')}: a part cannot contain itself`)
  })
export type Project = z.infer<typeof project>

/** An empty project, in millimetres. */
export const emptyProject = (name: string): Project => ({
  schema: SCHEMA,
  name,
  unit: 'mm',
  parts: [],
  patterns: [],
  groups: [],
  sets: [],
})

/** One function per schema version that brings a document to the next; index 0 would lead from version 1 to 2. */
const upgrades: ((old: Record<string, unknown>) => Record<string, unknown>)[] = [
  // 2: patterns have shaping steps.
  (old) => ({
    ...old,
    schema: 2,
    patterns: [old.patterns].flat().map((pattern) => ({ steps: [], ...(pattern as object) })),
  }),
  // 3: groups of patterns and saved selections.
  (old) => ({ ...old, schema: 3, groups: [], sets: [] }),
]

/** Reads a document from outside (a file, the API, the database), brought up to the present schema and checked whole. */
export function readProject(data: unknown): Result<Project> {
  if (typeof data !== 'object' || data === null || Array.isArray(data)) return refused('This is not a Hilera project.')
  let doc = data as Record<string, unknown>
  const version = typeof doc.schema === 'number' ? doc.schema : 0
  if (version > SCHEMA) return refused('This project comes from a newer Hilera. Update Hilera to open it.')
  for (const upgrade of upgrades.slice(Math.max(version - 1, 0))) doc = upgrade(doc)
  const read = project.safeParse(doc)
  if (read.success) return done(read.data)
  const [issue] = read.error.issues
  const where = issue.path.length > 0 ? ` at ${issue.path.join('.')}` : ''
  return refused(`This is not a Hilera project: ${issue.message}${where}.`)
}
