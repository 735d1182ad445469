import { thinnedOut } from '../thinning'
import { createHash, randomUUID } from 'node:crypto'
import { readProject } from '@hilera/core/model/project'
import { filesOfProject } from '@hilera/core/model/references'
import { sentenceText } from '@hilera/core/numbers/format'
import { type Request, type Response, Router, json } from 'express'
import type { Kysely, Selectable } from 'kysely'
import { MAX_SAVE_BYTES, MOST_VERSIONS, type StoredProject, type VersionCard, versionBody } from '../api'
import { storedDocument, writtenOf } from '../applied'
import type { Tables } from '../db/tables'
import { dropDocuments } from '../db/tidy'
import { pack, unpack } from '../packing'
import { pictureBytes, pictureType } from '../pictureType'
import { sendProblem } from '../problem'
import { insertProject } from './projects'

type Version = Selectable<Tables['versions']>
type Here = Request<{ id: string; version: string }>

const missing = (response: Response): void =>
  sendProblem(response, 404, 'There is no such version. It may have been removed.')

/** The versions of one project: states of it that are kept, each document once however many versions keep it. */
export function versionRoutes(db: Kysely<Tables>): Router {
  const routes = Router({ mergeParams: true })
  routes.use(json({ limit: MAX_SAVE_BYTES }))

  const find = ({ params }: Here): Promise<Version | undefined> =>
    db
      .selectFrom('versions')
      .selectAll()
      .where('project_id', '=', params.id)
      .where('id', '=', params.version)
      .executeTakeFirst()

  routes.get('/', async (request: Here, response) => {
    const rows = await db
      .selectFrom('versions')
      .selectAll()
      .where('project_id', '=', request.params.id)
      .orderBy('number', 'desc')
      .execute()
    response.json(rows.map(cardOf))
  })

  /** Keeps the project as it is stored, or another state of it. By itself it is kept only where it differs from the last version. */
  routes.post('/', async (request: Here, response) => {
    const body = versionBody.safeParse(request.body)
    if (!body.success)
      return sendProblem(
        response,
        400,
        'A version has a note of up to 200 characters, and a WebP or PNG picture if any.',
      )
    const project = await db
      .selectFrom('projects')
      .selectAll()
      .where('id', '=', request.params.id)
      .where('deleted_at', 'is', null)
      .executeTakeFirst()
    if (!project) return sendProblem(response, 404, 'There is no such project. It may have been put into the bin.')
    const { note, byItself = false, copies = 0, picture, createdAt } = body.data
    const isOther = body.data.document !== undefined
    const read = isOther ? readProject(body.data.document) : storedDocument(project.document)
    if (!read.ok) {
      if (isOther) return sendProblem(response, 400, sentenceText(read.problem.says, 'mm'))
      throw new Error(sentenceText(read.problem.says, 'mm'))
    }
    const text = isOther ? JSON.stringify(read.value) : project.document
    const files = [...new Set(filesOfProject(read.value).map(({ file }) => file))]
    const sha256 = createHash('sha256').update(text).digest('hex')
    // Packed before anything of the database is held: a large one takes a while.
    const packed = await pack(text)
    const kept = await db.transaction().execute(async (tx): Promise<Version | undefined> => {
      const of = tx.selectFrom('versions').where('project_id', '=', project.id)
      const last = await of.selectAll().orderBy('number', 'desc').executeTakeFirst()
      if (byItself && last?.document === sha256) return last
      const { count } = await of
        .select((e) => e.fn.countAll<number>().as('count'))
        .where('by_itself', '=', 0)
        .executeTakeFirstOrThrow()
      if (!byItself && count >= MOST_VERSIONS) return undefined
      await tx
        .insertInto('documents')
        .values({ sha256, packed, size: Buffer.byteLength(text) })
        .onConflict((c) => c.doNothing())
        .execute()
      const version = await tx
        .insertInto('versions')
        .values({
          id: randomUUID(),
          project_id: project.id,
          number: (last?.number ?? 0) + 1,
          note,
          by_itself: byItself ? 1 : 0,
          document: sha256,
          copies: isOther ? copies : project.copies,
          picture:
            (isOther ? picture && pictureBytes(picture) : project.picture && Buffer.from(project.picture)) || null,
          created_at: new Date(Math.min(Date.now(), Date.parse(createdAt ?? '') || Infinity)).toISOString(),
        })
        .returningAll()
        .executeTakeFirstOrThrow()
      for (const file of files)
        await tx.insertInto('version_files').values({ version_id: version.id, sha256: file }).execute()
      await thin(tx, project.id)
      return version
    })
    if (!kept) return sendProblem(response, 409, `A project keeps up to ${MOST_VERSIONS} versions. Remove some first.`)
    response.status(201).json(cardOf(kept))
  })

  routes.get('/:version', async (request: Here, response) => {
    const version = await find(request)
    if (!version) return missing(response)
    const text = await textOf(db, version)
    const read = storedDocument(text)
    if (!read.ok) throw new Error(sentenceText(read.problem.says, 'mm'))
    response.json({ ...cardOf(version), document: read.value })
  })

  routes.get('/:version/picture', async (request: Here, response) => {
    const version = await find(request)
    if (!version?.picture) return sendProblem(response, 404, 'There is no picture of this version.')
    const picture = Buffer.from(version.picture)
    response.type(pictureType(picture)).set('Cache-Control', 'private, max-age=31536000, immutable').send(picture)
  })

  routes.patch('/:version', async (request: Here, response) => {
    const body = versionBody.safeParse(request.body)
    if (!body.success) return sendProblem(response, 400, 'A version has a note of up to 200 characters.')
    const version = await find(request)
    if (!version) return missing(response)
    await db.updateTable('versions').set({ note: body.data.note }).where('id', '=', version.id).execute()
    response.json(cardOf({ ...version, note: body.data.note }))
  })

  routes.delete('/:version', async (request: Here, response) => {
    const version = await find(request)
    if (!version) return missing(response)
    await db.deleteFrom('versions').where('id', '=', version.id).execute()
    await dropDocuments(db)
    response.status(204).end()
  })

  /** Makes a project of its own of a version. */
  routes.post('/:version/duplicate', async (request: Here, response) => {
    const version = await find(request)
    if (!version) return missing(response)
    const read = storedDocument(await textOf(db, version))
    if (!read.ok) throw new Error(sentenceText(read.problem.says, 'mm'))
    const { value: document } = read
    const name = `${document.name.slice(0, 66)}, version ${version.number}`
    const made = await insertProject(db, writtenOf({ ...document, name }), version)
    const { id, revision, changed_at: changedAt } = made
    response.status(201).json({ id, revision, changedAt, document: { ...document, name } } satisfies StoredProject)
  })

  return routes
}

const cardOf = (version: Version): VersionCard => ({
  id: version.id,
  number: version.number,
  note: version.note,
  byItself: version.by_itself === 1,
  copies: version.copies,
  createdAt: version.created_at,
  ...(version.picture && { picture: `/api/projects/${version.project_id}/versions/${version.id}/picture` }),
})

async function textOf(db: Kysely<Tables>, { document }: Version): Promise<string> {
  const { packed } = await db
    .selectFrom('documents')
    .select('packed')
    .where('sha256', '=', document)
    .executeTakeFirstOrThrow()
  return unpack(packed)
}

/** Of those that a project kept by itself the older ones are thinned out, and the oldest go where there are too many. */
async function thin(db: Kysely<Tables>, projectId: string): Promise<void> {
  const own = await db
    .selectFrom('versions')
    .select(['id', 'created_at'])
    .where('project_id', '=', projectId)
    .where('by_itself', '=', 1)
    .orderBy('number', 'desc')
    .execute()
  const gone = thinnedOut(own, Date.now())
  if (gone.length === 0) return
  await db.deleteFrom('versions').where('id', 'in', gone).execute()
  await dropDocuments(db)
}
