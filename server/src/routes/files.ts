import { createHash } from 'node:crypto'
import express, { Router } from 'express'
import type { Kysely } from 'kysely'
import { MAX_FILE_BYTES } from '../api'
import type { Tables } from '../db/tables'
import { sendProblem } from '../problem'
import { roomFor } from '../room'

const isHash = (text: string): boolean => /^[0-9a-f]{64}$/.test(text)

/** Keeps a file under its hash; one that is there already is the same. */
export async function keepFile(db: Kysely<Tables>, sha256: string, bytes: Buffer): Promise<void> {
  await db
    .insertInto('files')
    .values({ sha256, bytes, size: bytes.length, created_at: new Date().toISOString() })
    // Whoever sends one that is there is about to use it: it is kept as a new one.
    .onConflict((c) => c.column('sha256').doUpdateSet({ created_at: new Date().toISOString() }))
    .execute()
}

/** Meshes and pictures beside the documents, each under the SHA-256 of its contents. */
export function fileRoutes(db: Kysely<Tables>): Router {
  const routes = Router()

  routes.get('/:sha256', async (request, response) => {
    const { sha256 } = request.params
    const row =
      isHash(sha256) && (await db.selectFrom('files').select('bytes').where('sha256', '=', sha256).executeTakeFirst())
    if (!row) return sendProblem(response, 404, 'There is no such file.')
    response
      .type('application/octet-stream')
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .send(Buffer.from(row.bytes))
  })

  routes.put(
    '/:sha256',
    roomFor(2 * MAX_FILE_BYTES, MAX_FILE_BYTES),
    express.raw({ type: () => true, limit: MAX_FILE_BYTES }),
    async (request, response) => {
      const { sha256 } = request.params
      const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0)
      if (bytes.length === 0) return sendProblem(response, 400, 'The file is empty.')
      if (createHash('sha256').update(bytes).digest('hex') !== sha256) {
        return sendProblem(response, 400, 'The file does not have the SHA-256 that it was sent under.')
      }
      await keepFile(db, sha256, bytes)
      response.status(204).end()
    },
  )

  return routes
}
