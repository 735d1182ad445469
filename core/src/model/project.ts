import { z } from 'zod'
import { lengthUnits } from '../numbers/units'
import { type Result, done, refused } from '../words'
import { part } from './part'
import { pattern } from './pattern'
import { name } from './values'

export const SCHEMA = 2

/** One file of work. Lengths in metres, angles in radians; `unit` only says how lengths are shown. */
export const project = z
  .object({
    schema: z.literal(SCHEMA),
    name,
    unit: z.enum(lengthUnits),
    parts: z.array(part).max(5000),
    patterns: z.array(pattern).max(5000),
  })
  .superRefine((doc, context) => {
    const parts = new Set(doc.parts.map((p) => p.id))
    const patterns = new Set(doc.patterns.map((p) => p.id))
    const fault = (message: string): void => context.addIssue({ code: 'custom', message })
    if (parts.size < doc.parts.length) fault('two parts carry one id')
    if (patterns.size < doc.patterns.length) fault('two patterns carry one id')
    if ([...parts].some((id) => patterns.has(id))) fault('a part and a pattern carry one id')
    for (const { name, deal, touchUps, layout } of doc.patterns) {
      const used = [...deal.parts, ...Object.values(touchUps).flatMap((t) => t.part ?? [])]
      if (used.some((id) => !parts.has(id) && !patterns.has(id)))
        fault(`${name} uses a part that is not in the project`)
      if (layout.kind === 'companion' && !patterns.has(layout.host))
        fault(`${name} accompanies a pattern that is not in the project`)
    }
  })
export type Project = z.infer<typeof project>

/** An empty project, in millimetres. */
export const emptyProject = (name: string): Project => ({ schema: SCHEMA, name, unit: 'mm', parts: [], patterns: [] })

/** One function per schema version that brings a document to the next; index 0 would lead from version 1 to 2. */
const upgrades: ((old: Record<string, unknown>) => Record<string, unknown>)[] = [
  // 2: patterns have shaping steps.
  (old) => ({
    ...old,
    schema: 2,
    patterns: [old.patterns].flat().map((pattern) => ({ steps: [], ...(pattern as object) })),
  }),
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
