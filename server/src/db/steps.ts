import { gunzipSync, gzipSync } from 'node:zlib'
import { SCHEMA } from '@hilera/core/model/project'
import type { Kysely } from 'kysely'
import { MOST_STEP_BYTES, MOST_STEPS, type NewSteps, type Step, type StoredHistory } from '../api'
import type { Tables } from './tables'

/** What could be the hash of a file: rather one kept too many. */
const HASH = /\b[0-9a-f]{64}\b/g

/**
 * Keeps the newest steps of a project behind those that were sent before, and gives the oldest up where they become too many.
 *
 * @param revision the revision that they lead to
 * @returns false where what was sent before is not what is kept, as when another window has saved meanwhile: nothing is kept then
 */
export async function keepSteps(
  db: Kysely<Tables>,
  projectId: string,
  revision: number,
  { after, from, steps, done }: NewSteps,
): Promise<boolean> {
  const kept = await db.selectFrom('histories').selectAll().where('project_id', '=', projectId).executeTakeFirst()
  const goesOn = after !== undefined && kept?.revision === after && kept.document_version === SCHEMA
  const behind = db.deleteFrom('steps').where('project_id', '=', projectId)
  await (goesOn ? behind.where('position', '>=', from) : behind).execute()
  if (after !== undefined && !goesOn) {
    await db.deleteFrom('histories').where('project_id', '=', projectId).execute()
    return false
  }
  for (const [i, step] of steps.entries()) {
    const text = JSON.stringify(step)
    const packed = gzipSync(text)
    const key = { project_id: projectId, position: from + i }
    await db
      .insertInto('steps')
      .values({ ...key, packed, size: packed.length })
      .execute()
    for (const sha256 of new Set(text.match(HASH)))
      await db
        .insertInto('step_files')
        .values({ ...key, sha256 })
        .execute()
  }
  const history = { revision, done, document_version: SCHEMA }
  await db
    .insertInto('histories')
    .values({ project_id: projectId, ...history })
    .onConflict((c) => c.column('project_id').doUpdateSet(history))
    .execute()
  await giveUp(db, projectId)
  return true
}

/** Removes the oldest steps until the rest is few and small enough. */
async function giveUp(db: Kysely<Tables>, projectId: string): Promise<void> {
  const sizes = await db
    .selectFrom('steps')
    .select(['position', 'size'])
    .where('project_id', '=', projectId)
    .orderBy('position', 'desc')
    .execute()
  let bytes = 0
  const given = sizes.find(({ size }, i) => i >= MOST_STEPS || (bytes += size) > MOST_STEP_BYTES)
  if (given)
    await db.deleteFrom('steps').where('project_id', '=', projectId).where('position', '<=', given.position).execute()
}

/** The steps of a project that lead to this revision of it; none where it was changed without them. */
export async function storedHistory(db: Kysely<Tables>, projectId: string, revision: number): Promise<StoredHistory> {
  const kept = await db.selectFrom('histories').selectAll().where('project_id', '=', projectId).executeTakeFirst()
  const none: StoredHistory = { revision, first: 0, done: 0, steps: [] }
  if (kept?.revision !== revision || kept.document_version !== SCHEMA) return none
  const rows = await db
    .selectFrom('steps')
    .select(['position', 'packed'])
    .where('project_id', '=', projectId)
    .orderBy('position')
    .execute()
  const first = rows[0]?.position ?? kept.done
  // Where even the oldest that is undone had to be given up, nothing leads from here to those that are left.
  if (first > kept.done) return { ...none, first: kept.done, done: kept.done }
  const steps = rows.map(({ packed }) => JSON.parse(gunzipSync(packed).toString()) as Step)
  return { revision, first, done: kept.done, steps }
}
