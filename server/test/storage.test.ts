import { createHash, randomBytes } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import { setTimeout } from 'node:timers/promises'
import express from 'express'
import { sql } from 'kysely'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { ProblemDocument, ProjectCard, StoredProject } from '../src/api'
import { roomFor } from '../src/room'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeEach(async () => void (server = await running({ requestsPerMinute: 40 })))
afterEach(() => server.stop())

const put = (bytes: Uint8Array<ArrayBuffer>) =>
  fetch(`${server.base}/api/files/${createHash('sha256').update(bytes).digest('hex')}`, { method: 'PUT', body: bytes })
const create = async () =>
  (await (await server.call('POST', '/api/projects', { from: 'nothing' })).json()) as StoredProject
const rename = (id: string, revision: number, name: string) =>
  server.call(
    'PATCH',
    `/api/projects/${id}`,
    { patches: [{ field: 'name', value: name }] },
    { 'If-Match': `"${revision}"` },
  )
const problem = async (response: Response) => (await response.json()) as ProblemDocument

describe('what the disk refuses', () => {
  it('a full disk: its own sentence, reading goes on, nothing is lost, and it goes on when there is room', async () => {
    const { id } = await create()
    const { page_count } = (await sql<{ page_count: number }>`PRAGMA page_count`.execute(server.db)).rows[0]
    await sql.raw(`PRAGMA max_page_count = ${page_count + 4}`).execute(server.db)
    const bytes = new Uint8Array(randomBytes(500_000))
    const full = await put(bytes)
    expect(full.status).toBe(507)
    expect((await problem(full)).detail).toContain('disk of the server is full. Nothing was changed')
    expect(((await (await server.call('GET', '/api/projects')).json()) as ProjectCard[]).map((p) => p.id)).toEqual([id])
    await sql.raw('PRAGMA max_page_count = 1000000').execute(server.db)
    expect((await put(bytes)).status).toBe(204)
    expect((await rename(id, 1, 'Goes on')).status).toBe(200)
  })

  it('a database that cannot be written any more', async () => {
    const { id } = await create()
    await sql`PRAGMA query_only = ON`.execute(server.db)
    const refused = await rename(id, 1, 'No')
    expect(refused.status).toBe(507)
    expect((await problem(refused)).detail).toContain('cannot be written')
    expect((await server.call('GET', `/api/projects/${id}`)).status).toBe(200)
    await sql`PRAGMA query_only = OFF`.execute(server.db)
    expect((await rename(id, 1, 'Yes')).status).toBe(200)
  })
})

describe('how much is asked', () => {
  it('reading, however much, does not keep a save from being taken; too much says when to come again', async () => {
    const { id } = await create()
    const reads = await Promise.all(Array.from({ length: 60 }, () => server.call('GET', '/api/projects')))
    const late = reads.find(({ status }) => status === 429)!
    expect(Number(late.headers.get('Retry-After'))).toBeGreaterThan(0)
    expect((await rename(id, 1, 'Saved all the same')).status).toBe(200)
  })

  it('a page elsewhere cannot use it up', async () => {
    const from = { 'Sec-Fetch-Site': 'cross-site' }
    const refused = await Promise.all(
      Array.from({ length: 60 }, () => server.call('GET', '/api/projects', undefined, from)),
    )
    expect(new Set(refused.map(({ status }) => status))).toEqual(new Set([403]))
    expect((await server.call('GET', '/api/projects')).status).toBe(200)
  })

  it('bodies wait until there is room for them, and all come in', async () => {
    let [inside, most] = [0, 0]
    const app = express()
    app.put('/', roomFor(1000, 400), express.raw({ type: () => true }), async (_request, response) => {
      most = Math.max(most, ++inside)
      await setTimeout(20)
      inside--
      response.status(204).end()
    })
    const own = app.listen(0, '127.0.0.1')
    await new Promise((resolve) => own.once('listening', resolve))
    const { port } = own.address() as AddressInfo
    const send = () => fetch(`http://127.0.0.1:${port}/`, { method: 'PUT', body: new Uint8Array(400) })
    const answers = await Promise.all(Array.from({ length: 9 }, send))
    expect(answers.map(({ status }) => status)).toEqual(Array(9).fill(204))
    expect(most).toBe(2)
    own.closeAllConnections()
    own.close()
  })
})
