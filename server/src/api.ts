import type { Project } from '@hilera/core/model/project'
import { patch } from '@hilera/core/model/patches'
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

const place = z.array(z.union([z.string(), z.number()])).max(40)
/** One change inside a document, after RFC 6902; the place is a list of keys. */
const inside = z.strictObject({
  op: z.enum(['replace', 'remove', 'add']),
  path: place,
  value: z.unknown().optional(),
})
/** One action, as it is done and undone. */
export const step = z.strictObject({
  label: z.string().max(10_000),
  patches: inside.array(),
  inverse: inside.array(),
})
export type Step = z.infer<typeof step>

/** The newest steps of a project; those before are as they were sent before. */
export const newSteps = z.strictObject({
  /** The revision that the steps sent before led to; they are sent from the first where there were none. */
  after: z.int().optional(),
  /** The position of the first of these, counted from the very first step. */
  from: z.int().nonnegative(),
  steps: step.array().max(20_000),
  /** So many steps, counted from the very first, are done. */
  done: z.int().nonnegative(),
})
export type NewSteps = z.infer<typeof newSteps>

/** What is saved: patches, and what was done to come there. */
export const saveBody = z.strictObject({ patches: patch.array().max(100_000).readonly(), history: newSteps.optional() })
export type SaveBody = z.infer<typeof saveBody>

export interface Saved {
  readonly revision: number
  readonly changedAt: string
  /** Whether the steps were kept too; if not, they are to be sent from the first that is known. */
  readonly keptSteps: boolean
}

/** The steps of a project that are kept. */
export interface StoredHistory {
  /** The revision that the first `done` of them lead to. */
  readonly revision: number
  /** The position of the first that is kept, counted from the very first step. */
  readonly first: number
  readonly done: number
  readonly steps: readonly Step[]
}
/** So many steps are kept, and so many bytes of them when packed; the oldest go first. */
export const MOST_STEPS = 5000
export const MOST_STEP_BYTES = 16 * 1024 * 1024

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

/** A small picture as an address of data. */
const smallPicture = z
  .string()
  .regex(/^data:image\/(png|webp);base64,/)
  .max(400_000)

/** What is said of a version. */
export const versionBody = z.strictObject({
  note: z.string().trim().max(200),
  byItself: z.boolean().optional(),
  /** A state that is not the project's own any more; the project as it is stored where it is left out. */
  document: z.unknown().optional(),
  /** Of such a state: how many copies it has, how it looks, and since when it is kept where that was elsewhere. */
  copies: z.int().nonnegative().optional(),
  picture: smallPicture.optional(),
  createdAt: z.iso.datetime().optional(),
})
export type VersionBody = z.infer<typeof versionBody>

/** A pattern's sentences without its parts, kept to be used with others. */
export interface RecipeCard {
  readonly id: string
  readonly name: string
  readonly sentences: string
  /** ISO 8601, UTC. */
  readonly createdAt: string
}

export type StoredRecipe = RecipeCard & { readonly document: Project }

/** So many recipes are kept. */
export const MOST_RECIPES = 500

/** A recipe as it is kept: its document is a project in which placeholders stand for the parts. */
export const recipeBody = z.strictObject({
  name: z.string().trim().min(1).max(80),
  sentences: z.string().max(20_000),
  document: z.unknown(),
})
export type RecipeBody = z.infer<typeof recipeBody>
export const recipeName = recipeBody.pick({ name: true })

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
  picture: smallPicture.optional(),
})
export type CardBody = z.infer<typeof cardBody>

export const MAX_DOCUMENT_BYTES = 32 * 1024 * 1024
/** Of a save, with the steps that go along. */
export const MAX_SAVE_BYTES = MAX_DOCUMENT_BYTES + 8 * 1024 * 1024
export const MAX_FILE_BYTES = 64 * 1024 * 1024
