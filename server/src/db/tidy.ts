import { type Kysely, sql } from 'kysely'
import type { Tables } from './tables'

const DAY = 24 * 60 * 60 * 1000
/** So long a project stays in the bin. */
export const BIN_DAYS = 30

const before = (now: Date, days: number): string => new Date(now.getTime() - days * DAY).toISOString()

/**
 * Removes what nobody needs any more: projects that have been in the bin for thirty days, files of a day ago that no project uses,
 * those in the bin among them, nor any version, step or recipe that is kept; documents of versions that are gone. What that leaves empty is given back to the disk.
 *
 * @returns how many of each are gone
 */
export async function tidy(db: Kysely<Tables>, now = new Date()): Promise<{ projects: number; files: number }> {
  const projects = await emptyBin(db, before(now, BIN_DAYS))
  const files = await db
    .deleteFrom('files')
    .where('created_at', '<', before(now, 1))
    .where('sha256', 'not in', (e) => e.selectFrom('project_files').select('sha256'))
    .where('sha256', 'not in', (e) => e.selectFrom('version_files').select('sha256'))
    .where('sha256', 'not in', (e) => e.selectFrom('step_files').select('sha256'))
    .where('sha256', 'not in', (e) => e.selectFrom('recipe_files').select('sha256'))
    .executeTakeFirst()
  await dropDocuments(db)
  await sql`PRAGMA incremental_vacuum`.execute(db)
  return { projects, files: Number(files.numDeletedRows) }
}

/** Removes the projects that were put into the bin before a time, for good. */
export async function emptyBin(db: Kysely<Tables>, until: string): Promise<number> {
  const gone = await db.deleteFrom('projects').where('deleted_at', '<=', until).executeTakeFirst()
  return Number(gone.numDeletedRows)
}

/** Removes the documents that no version keeps any more. */
export async function dropDocuments(db: Kysely<Tables>): Promise<void> {
  await db
    .deleteFrom('documents')
    .where('sha256', 'not in', (e) => e.selectFrom('versions').select('document'))
    .execute()
}
