import type { Generated } from 'kysely'

export interface Tables {
  projects: {
    id: string
    name: string
    /** The document as JSON text. */
    document: string
    revision: Generated<number>
    parts: number
    copies: Generated<number>
    picture: Uint8Array | null
    created_at: string
    changed_at: string
    /** When it was put into the bin. */
    deleted_at: string | null
  }
  /** The files that a project names, so that those that none does can go. */
  project_files: {
    project_id: string
    sha256: string
  }
  /** Documents that versions keep, each once by the SHA-256 of its text. */
  documents: {
    sha256: string
    /** The document as JSON text, packed with gzip. */
    packed: Uint8Array
    /** Of the text, in bytes. */
    size: number
  }
  /** States of projects that were kept. */
  versions: {
    id: string
    project_id: string
    /** From 1, counted in its project; never given again. */
    number: number
    note: string
    /** 1 where it was kept by itself, before something that changes much. */
    by_itself: number
    document: string
    copies: number
    picture: Uint8Array | null
    created_at: string
  }
  /** The files that a version names. */
  version_files: {
    version_id: string
    sha256: string
  }
  /** How the steps of a project that are kept lead to a revision of it. */
  histories: {
    project_id: string
    /** The revision that the first `done` steps lead to. */
    revision: number
    /** The version of documents that the steps were made on. */
    document_version: number
    /** So many steps, counted from the very first, are done; those after it were undone. */
    done: number
  }
  /** What was done to a project, one action a row. */
  steps: {
    project_id: string
    /** From 0, counted from the very first; the oldest are given up, and their numbers with them. */
    position: number
    /** A step as JSON text, packed with gzip. */
    packed: Uint8Array
    /** Packed, in bytes. */
    size: number
  }
  /** The files that a step names: who undoes or does it again needs them. */
  step_files: {
    project_id: string
    position: number
    sha256: string
  }
  /** Patterns without their parts, kept to be used with others, in whatever project. */
  recipes: {
    id: string
    name: string
    /** What it says, to be read before it is used. */
    sentences: string
    /** A document as JSON text, packed with gzip. */
    packed: Uint8Array
    created_at: string
  }
  /** The files that a recipe names: pictures by which it goes, grounds. */
  recipe_files: {
    recipe_id: string
    sha256: string
  }
  files: {
    sha256: string
    bytes: Uint8Array
    size: number
    created_at: string
  }
}
