import type { Project } from '@hilera/core/model/project'
import { z } from 'zod'

/** What the server and the browser say to each other. */

export interface ProjectCard {
  readonly id: string
  readonly name: string
  readonly copies: number
  readonly parts: number
  /** ISO 8601, UTC. */
  readonly changedAt: string
  /** What it takes, with the files that it names. */
  readonly bytes: number
  /** Where its picture lies; absent until one has been drawn. */
  readonly picture?: string
}

export interface StoredProject {
  readonly id: string
  readonly revision: number
  readonly changedAt: string
  readonly document: Project
}

/** A state of a project that was kept. */
export interface VersionCard {
  readonly id: string
  /** From 1, counted in its project. */
  readonly number: number
  readonly note: string
  /** It was kept by itself, before something that changes much. */
  readonly byItself: boolean
  readonly copies: number
  /** ISO 8601, UTC. */
  readonly createdAt: string
  /** Where its picture lies; absent where none was drawn. */
  readonly picture?: string
}

/** So many versions a project keeps by itself; the oldest of them goes first. */
export const MOST_BY_ITSELF = 50
/** So many versions that a person kept. */
export const MOST_VERSIONS = 500

/** What is said of a version. */
export const versionBody = z.strictObject({
  note: z.string().trim().max(200),
  byItself: z.boolean().optional(),
  /** A state that is not the project's own any more; the project as it is stored where it is left out. */
  document: z.unknown().optional(),
})
export type VersionBody = z.infer<typeof versionBody>

/** RFC 9457. `detail` is a sentence for people. */
export interface ProblemDocument {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  /** With 409: the revision that is stored now. */
  readonly revision?: number
}

/** A new project starts from nothing, from the demo, from the demo's received file, or from a document whose files have been put before. */
export const createBody = z.discriminatedUnion('from', [
  z.strictObject({ from: z.enum(['nothing', 'demo', 'terrace', 'supplier']) }),
  z.strictObject({ from: z.literal('document'), document: z.unknown() }),
])
export type CreateBody = z.infer<typeof createBody>

/** A project's card as the browser last drew it. */
export const cardBody = z.strictObject({
  copies: z.int().nonnegative(),
  picture: z
    .string()
    .regex(/^data:image\/(png|webp);base64,/)
    .max(400_000)
    .optional(),
})
export type CardBody = z.infer<typeof cardBody>

export const MAX_DOCUMENT_BYTES = 16 * 1024 * 1024
export const MAX_FILE_BYTES = 64 * 1024 * 1024
