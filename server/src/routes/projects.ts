import { randomUUID } from 'node:crypto'
import { emptyProject, type Project } from '@hilera/core/model/project'
import { sentenceText } from '@hilera/core/numbers/format'
import { done } from '@hilera/core/words'
import { casaNispero } from '@hilera/demo/casaNispero'
import { demoCard } from '../demoCards'
import { supplierProject } from '@hilera/demo/supplierProject'
import { terrace } from '@hilera/demo/terrace'
import express, { type Response, Router } from 'express'
import type { Kysely, Selectable } from 'kysely'
import { apply, startOf } from '../apply'
import { type Written, isOfPresent, storedDocument, writtenOf } from '../applied'
import {
  cardBody,
  type CreateBody,
  MAX_DOCUMENT_BYTES,
  MAX_SAVE_BYTES,
  type ProjectCard,
  saveBody,
  type Saved,
  type StoredProject,
} from '../api'
import { keepSteps, storedHistory } from '../db/steps'
import { emptyBin, tidy } from '../db/tidy'
import type { Tables } from '../db/tables'
import { pictureBytes, pictureType } from '../pictureType'
import { sendProblem } from '../problem'
import { keepFile } from './files'

type Row = Selectable<Tables['projects']>
const now = (): string => new Date().toISOString()
const missing = (response: Response): void =>
  sendProblem(response, 404, 'There is no such project. It may have been put into the bin.')

export function projectRoutes(db: Kysely<Tables>): Router {
  const routes = Router()
  const [body, save] = [MAX_DOCUMENT_BYTES, MAX_SAVE_BYTES].map((limit) => express.json({ limit }))
  // A document that comes in may be large: it is read where it is checked.
  const whole = express.text({ limit: MAX_DOCUMENT_BYTES, type: 'application/json' })
  routes.use((request, response, next) => {
    const reader = request.method === 'PATCH' ? save : request.method === 'POST' && request.path === '/' ? whole : body
    reader(request, response, next)
  })

  const find = (id: string) =>
    db.selectFrom('projects').selectAll().where('id', '=', id).where('deleted_at', 'is', null).executeTakeFirst()

  routes.get('/', async (request, response) => {
    const bin = request.query.bin === '1'
    const rows = await db
      .selectFrom('projects')
      .select([
        'id',
        'name',
        'copies',
        'parts',
        'changed_at',
        'revision',
        (e) => e('picture', 'is not', null).as('has_picture'),
        (e) => e.fn<number>('octet_length', ['document']).as('document_bytes'),
        (e) =>
          e
            .selectFrom('project_files')
            .innerJoin('files', 'files.sha256', 'project_files.sha256')
            .select((f) => f.fn.coalesce(f.fn.sum<number>('files.size'), f.lit(0)).as('bytes'))
            .whereRef('project_files.project_id', '=', 'projects.id')
            .as('file_bytes'),
      ])
      .where('deleted_at', bin ? 'is not' : 'is', null)
      .orderBy('changed_at', 'desc')
      .execute()
    response.json(
      rows.map((row): ProjectCard => ({
        id: row.id,
        name: row.name,
        copies: row.copies,
        parts: row.parts,
        changedAt: row.changed_at,
        bytes: row.document_bytes + Number(row.file_bytes ?? 0),
        ...(row.has_picture && { picture: `/api/projects/${row.id}/picture?revision=${row.revision}` }),
      })),
    )
  })

  routes.post('/', async (request, response) => {
    const start = typeof request.body === 'string' ? await startOf(request.body) : undefined
    if (!start) return sendProblem(response, 400, 'Say what the project starts from: nothing, the demo or a document.')
    const written = start.from === 'document' ? start.written : done(writtenOf(await documentFor(db, start.from)))
    if (!written.ok) return sendProblem(response, 400, sentenceText(written.problem.says, 'mm'))
    const card = isDemo(start.from) ? await demoCard(CARD_OF[start.from]) : undefined
    response
      .status(201)
      .type('json')
      .send(storedText(await insertProject(db, written.value, card)))
  })

  routes.get('/:id', async (request, response) => {
    const row = await find(request.params.id)
    if (!row) return missing(response)
    response.set('ETag', `"${row.revision}"`).type('json').send(storedText(row))
  })

  /** Writes the next revision: patches on the one that they start from, checked whole. */
  routes.patch('/:id', async (request, response) => {
    const body = saveBody.safeParse(request.body)
    if (!body.success) return sendProblem(response, 400, 'These are not patches of a project.')
    const { patches, history } = body.data
    const match = /^"(\d+)"$/.exec(request.headers['if-match'] ?? '')
    if (!match) return sendProblem(response, 428, 'Say in If-Match which revision the changes start from.')
    const row = await find(request.params.id)
    if (!row) return missing(response)
    const changedElsewhere = (revision: number): void =>
      sendProblem(response, 409, 'The project has been changed in another window since this one read it.', { revision })
    if (row.revision !== Number(match[1])) return changedElsewhere(row.revision)
    // Nothing of the database is held while it is worked out: a large one takes a second, and others save meanwhile.
    const after = await apply(row.document, patches)
    if (!after.ok) return sendProblem(response, 400, sentenceText(after.problem.says, 'mm'))
    const { files, ...columns } = after.value
    const change = { ...columns, revision: row.revision + 1, changed_at: now() }
    let keptSteps = false
    const isWritten = await db.transaction().execute(async (tx) => {
      const written = await tx
        .updateTable('projects')
        .set(change)
        .where('id', '=', row.id)
        .where('revision', '=', row.revision)
        .where('deleted_at', 'is', null)
        .executeTakeFirst()
      if (written.numUpdatedRows === 0n) return false
      await keepFiles(tx, row.id, files)
      if (history) keptSteps = await keepSteps(tx, row.id, change.revision, history)
      return true
    })
    if (!isWritten) {
      const now = await find(row.id)
      return now ? changedElsewhere(now.revision) : missing(response)
    }
    const saved: Saved = { revision: change.revision, changedAt: change.changed_at, keptSteps }
    response.set('ETag', `"${change.revision}"`).json(saved)
  })

  /** What was done to it, as far as it leads to the revision that is stored. */
  routes.get('/:id/history', async (request, response) => {
    const row = await find(request.params.id)
    if (!row) return missing(response)
    response.json(await storedHistory(db, row.id, row.revision))
  })

  routes.delete('/:id', async (request, response) => {
    const row = await find(request.params.id)
    if (!row) return missing(response)
    await db.updateTable('projects').set({ deleted_at: now() }).where('id', '=', row.id).execute()
    response.status(204).end()
  })

  /** Empties the bin, for good. */
  routes.delete('/', async (request, response) => {
    if (request.query.bin !== '1') return sendProblem(response, 400, 'Only the bin can be emptied.')
    await emptyBin(db, now())
    await tidy(db)
    response.status(204).end()
  })

  routes.post('/:id/restore', async (request, response) => {
    const result = await db
      .updateTable('projects')
      .set({ deleted_at: null })
      .where('id', '=', request.params.id)
      .executeTakeFirst()
    if (result.numUpdatedRows === 0n) return missing(response)
    response.status(204).end()
  })

  routes.post('/:id/duplicate', async (request, response) => {
    const row = await find(request.params.id)
    if (!row) return missing(response)
    const document = documentOf(row)
    const copy = await insertProject(db, writtenOf({ ...document, name: `${document.name.slice(0, 74)} copy` }), row)
    response.status(201).type('json').send(storedText(copy))
  })

  routes.put('/:id/card', async (request, response) => {
    const body = cardBody.safeParse(request.body)
    if (!body.success) return sendProblem(response, 400, 'A card has a number of copies and a WebP or PNG picture.')
    const row = await find(request.params.id)
    if (!row) return missing(response)
    const { copies, picture } = body.data
    // Without a new picture the old one stays; what was read from the database cannot be bound to it again as it is.
    const drawn = picture && { picture: pictureBytes(picture) }
    await db
      .updateTable('projects')
      .set({ copies, ...drawn })
      .where('id', '=', row.id)
      .execute()
    response.status(204).end()
  })

  routes.get('/:id/picture', async (request, response) => {
    const row = await find(request.params.id)
    if (!row?.picture) return sendProblem(response, 404, 'There is no picture of this project yet.')
    const picture = Buffer.from(row.picture)
    response.type(pictureType(picture)).set('Cache-Control', 'no-cache').send(picture)
  })

  return routes
}

const CARD_OF = { demo: 'casaNispero', terrace: 'terrace' } as const
const isDemo = (from: CreateBody['from']): from is keyof typeof CARD_OF => from in CARD_OF

async function documentFor(db: Kysely<Tables>, from: Exclude<CreateBody['from'], 'document'>): Promise<Project> {
  if (from === 'supplier') {
    const { project, sha256, bytes } = await supplierProject()
    await keepFile(db, sha256, Buffer.from(bytes))
    return project
  }
  if (from === 'terrace') return terraceIn(db)
  return from === 'demo' ? casaNispero() : emptyProject('Untitled arrangement')
}

/** The terrace of the demo; its floor plan is put beside it. */
export async function terraceIn(db: Kysely<Tables>): Promise<Project> {
  const { project, sha256, bytes } = await terrace()
  await keepFile(db, sha256, Buffer.from(bytes))
  return project
}

/** Stores a new project; a duplicate brings the picture and count of the one it was made from, the demo those that ship with it. */
export async function insertProject(
  db: Kysely<Tables>,
  { files, ...columns }: Written,
  from?: Pick<Row, 'picture' | 'copies'>,
): Promise<Row> {
  return db.transaction().execute(async (tx) => {
    const row = await tx
      .insertInto('projects')
      .values({
        id: randomUUID(),
        ...columns,
        copies: from?.copies ?? 0,
        picture: from?.picture ? Buffer.from(from.picture) : null,
        created_at: now(),
        changed_at: now(),
        deleted_at: null,
      })
      .returningAll()
      .executeTakeFirstOrThrow()
    await keepFiles(tx, row.id, files)
    return row
  })
}

/** Writes down which files a project names; where they are the same as before nothing is written. */
async function keepFiles(db: Kysely<Tables>, id: string, files: readonly string[]): Promise<void> {
  const named = new Set(files)
  const rows = await db.selectFrom('project_files').select('sha256').where('project_id', '=', id).execute()
  const known = new Set(rows.map(({ sha256 }) => sha256))
  const gone = [...known].filter((sha256) => !named.has(sha256))
  const come = [...named].filter((sha256) => !known.has(sha256))
  if (gone.length > 0)
    await db.deleteFrom('project_files').where('project_id', '=', id).where('sha256', 'in', gone).execute()
  for (const sha256 of come) await db.insertInto('project_files').values({ project_id: id, sha256 }).execute()
}

const stored = (row: Row): StoredProject => ({
  id: row.id,
  revision: row.revision,
  changedAt: row.changed_at,
  document: documentOf(row),
})

/** The same as text. A document of the present version goes out as it is stored: a large one takes a second to be read and written. */
function storedText(row: Row): string {
  if (!isOfPresent(row.document)) return JSON.stringify(stored(row))
  const { id, revision, changed_at: changedAt } = row
  return `${JSON.stringify({ id, revision, changedAt }).slice(0, -1)},"document":${row.document}}`
}

/** What cannot be read is a fault of ours and told as one. */
function documentOf(row: Row): Project {
  const read = storedDocument(row.document)
  if (!read.ok) throw new Error(sentenceText(read.problem.says, 'mm'))
  return read.value
}
