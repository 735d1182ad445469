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
  files: {
    sha256: string
    bytes: Uint8Array
    size: number
    created_at: string
  }
}
