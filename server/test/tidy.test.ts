import { createHash } from 'node:crypto'
import { sql } from 'kysely'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { ProjectCard, StoredProject } from '../src/api'
import { tidy } from '../src/db/tidy'
import { aPlan } from '../../core/test/plans'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeAll(async () => void (server = await running()))
afterAll(() => server.stop())

const put = async (text: string): Promise<string> => {
  const sha256 = createHash('sha256').update(text).digest('hex')
  const { status } = await fetch(`${server.base}/api/files/${sha256}`, { method: 'PUT', body: text })
  expect(status).toBe(204)
  return sha256
}
const later = (days: number): Date => new Date(Date.now() + days * 24 * 60 * 60 * 1000)
const isThere = async (sha256: string) => (await server.call('GET', `/api/files/${sha256}`)).status === 200
const create = async () =>
  (await (await server.call('POST', '/api/projects', { from: 'nothing' })).json()) as StoredProject

it('files that no project uses go after a day; those of projects and of the bin stay as long as these', async () => {
  const [used, unused] = [await put('used'), await put('unused')]
  const { id } = await create()
  const plan = aPlan({ file: used })
  const saved = await server.call(
    'PATCH',
    `/api/projects/${id}`,
    { patches: [{ field: 'plans', value: [plan] }] },
    {
      'If-Match': '"1"',
    },
  )
  const answer = await saved.text()
  expect(answer).toContain('"revision":2')
  expect(await tidy(server.db, later(0.9))).toEqual({ projects: 0, files: 0 })
  expect(await tidy(server.db, later(1.1))).toEqual({ projects: 0, files: 1 })
  expect([await isThere(used), await isThere(unused)]).toEqual([true, false])
  const cards = (await (await server.call('GET', '/api/projects')).json()) as ProjectCard[]
  expect(cards.find((c) => c.id === id)!.bytes).toBeGreaterThan(200)

  await server.call('DELETE', `/api/projects/${id}`)
  expect(await tidy(server.db, later(29))).toEqual({ projects: 0, files: 0 })
  expect(await tidy(server.db, later(31))).toEqual({ projects: 1, files: 1 })
  expect(await isThere(used)).toBe(false)
})

it('the bin is emptied by hand, and nothing else goes', async () => {
  const [stays, goes] = [await create(), await create()]
  await server.call('DELETE', `/api/projects/${goes.id}`)
  expect((await server.call('DELETE', '/api/projects')).status).toBe(400)
  expect((await server.call('DELETE', '/api/projects?bin=1')).status).toBe(204)
  expect(await (await server.call('GET', '/api/projects?bin=1')).json()).toEqual([])
  expect((await server.call('POST', `/api/projects/${goes.id}/restore`)).status).toBe(404)
  expect((await server.call('GET', `/api/projects/${stays.id}`)).status).toBe(200)
})

it('what was removed is given back to the disk', async () => {
  const pages = async () => (await sql<{ page_count: number }>`PRAGMA page_count`.execute(server.db)).rows[0].page_count
  const before = await pages()
  await put('x'.repeat(2_000_000))
  expect(await pages()).toBeGreaterThan(before + 400)
  await tidy(server.db, later(2))
  expect(await pages()).toBeLessThan(before + 50)
})
