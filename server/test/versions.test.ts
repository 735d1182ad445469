import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ProblemDocument, ProjectCard, StoredProject, VersionCard } from '../src/api'
import { tidy } from '../src/db/tidy'
import { aPlan } from '../../core/test/plans'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeAll(async () => void (server = await running()))
afterAll(() => server.stop())

type Kept = VersionCard & { readonly document: StoredProject['document'] }
const read = async <T>(answer: Promise<Response>): Promise<T> => (await (await answer).json()) as T
const create = () => read<StoredProject>(server.call('POST', '/api/projects', { from: 'nothing' }))
const rename = (id: string, revision: number, name: string) =>
  server.call(
    'PATCH',
    `/api/projects/${id}`,
    { patches: [{ field: 'name', value: name }] },
    { 'If-Match': `"${revision}"` },
  )
const keep = (id: string, note: string, byItself?: boolean) =>
  read<VersionCard>(server.call('POST', `/api/projects/${id}/versions`, { note, ...(byItself && { byItself }) }))
const list = (id: string) => read<VersionCard[]>(server.call('GET', `/api/projects/${id}/versions`))
const documents = async () => (await server.db.selectFrom('documents').select(['sha256', 'size']).execute()).length

describe('versions of a project', () => {
  it('are kept as the project stands, numbered, with their notes; the newest first', async () => {
    const { id } = await create()
    const first = await keep(id, 'From nothing')
    expect(first).toMatchObject({ number: 1, note: 'From nothing', byItself: false, copies: 0 })
    expect((await rename(id, 1, 'Shelf')).status).toBe(200)
    await keep(id, '  With a name  ')
    expect((await list(id)).map(({ number, note }) => [number, note])).toEqual([
      [2, 'With a name'],
      [1, 'From nothing'],
    ])
    const one = await read<Kept>(server.call('GET', `/api/projects/${id}/versions/${first.id}`))
    expect(one.document.name).toBe('Untitled arrangement')
    // A number is not given again.
    const [last] = await list(id)
    expect((await server.call('DELETE', `/api/projects/${id}/versions/${first.id}`)).status).toBe(204)
    expect(await keep(id, 'Third')).toMatchObject({ number: 3 })
    const noted = await server.call('PATCH', `/api/projects/${id}/versions/${last.id}`, { note: 'Named' })
    expect(await noted.json()).toMatchObject({ number: 2, note: 'Named' })
  })

  it('a document is stored once however many versions keep it, and goes with the last of them', async () => {
    const before = await documents()
    const { id } = await create()
    await rename(id, 1, 'Only here')
    const [one, two] = [await keep(id, 'a'), await keep(id, 'b')]
    expect(await documents()).toBe(before + 1)
    await server.call('DELETE', `/api/projects/${id}/versions/${one.id}`)
    expect(await documents()).toBe(before + 1)
    await server.call('DELETE', `/api/projects/${id}/versions/${two.id}`)
    expect(await documents()).toBe(before)
  })

  it('brought along from elsewhere it keeps its day and its picture; a day that is still to come is today', async () => {
    const { id, document } = await create()
    const body = { note: 'From a file', document: { ...document, name: 'Before' } }
    const picture = `data:image/png;base64,${Buffer.from('\x89PNG small').toString('base64')}`
    const brought = await read<VersionCard>(
      server.call('POST', `/api/projects/${id}/versions`, {
        ...body,
        copies: 12,
        picture,
        createdAt: '2026-01-05T09:30:00.000Z',
      }),
    )
    expect(brought).toMatchObject({ copies: 12, createdAt: '2026-01-05T09:30:00.000Z' })
    const drawn = await server.call('GET', brought.picture!)
    expect(Buffer.from(await drawn.arrayBuffer()).toString('latin1')).toContain('PNG small')
    const early = await read<VersionCard>(
      server.call('POST', `/api/projects/${id}/versions`, {
        ...body,
        createdAt: '2999-01-01T00:00:00Z',
      }),
    )
    expect(Date.parse(early.createdAt)).toBeLessThanOrEqual(Date.now())
  })

  it('another state of the project is kept as it is sent, without a picture; what is no project is refused', async () => {
    const { id, document } = await create()
    const other = { ...document, name: 'Left behind' }
    const body = { note: '2 steps that were undone', byItself: true, document: other }
    const kept = await read<VersionCard>(server.call('POST', `/api/projects/${id}/versions`, body))
    expect(kept).toMatchObject({ number: 1, byItself: true })
    const one = await read<Kept>(server.call('GET', `/api/projects/${id}/versions/${kept.id}`))
    expect(one.document).toEqual(other)
    const now = await read<StoredProject>(server.call('GET', `/api/projects/${id}`))
    expect(now.document.name).toBe('Untitled arrangement')
    const refused = await server.call('POST', `/api/projects/${id}/versions`, { ...body, document: { name: 7 } })
    expect(refused.status).toBe(400)
    expect(await list(id)).toHaveLength(1)
  })

  it('by itself one is kept only where something changed, and the oldest of fifty goes', async () => {
    const { id } = await create()
    const first = await keep(id, 'before folding', true)
    expect(await keep(id, 'before folding', true)).toMatchObject({ id: first.id })
    const own = await keep(id, 'mine')
    for (let revision = 1; revision <= 51; revision++) {
      await rename(id, revision, `Name ${revision}`)
      await keep(id, `before ${revision}`, true)
    }
    const all = await list(id)
    expect(all.filter((v) => v.byItself)).toHaveLength(50)
    expect(all.some((v) => v.id === first.id)).toBe(false)
    // What a person kept stays.
    expect(all.some((v) => v.id === own.id)).toBe(true)
  })

  it('becomes a project of its own', async () => {
    const { id } = await create()
    await rename(id, 1, 'Counter')
    const version = await keep(id, '')
    await rename(id, 2, 'Counter, later')
    const made = await read<StoredProject>(server.call('POST', `/api/projects/${id}/versions/${version.id}/duplicate`))
    expect(made.document.name).toBe('Counter, version 1')
    const cards = await read<ProjectCard[]>(server.call('GET', '/api/projects'))
    expect(cards.map(({ name }) => name)).toEqual(expect.arrayContaining(['Counter, later', 'Counter, version 1']))
  })

  it('keeps the files that only it uses; with the project all of it goes', async () => {
    const { id } = await create()
    const sha256 = createHash('sha256').update('plan').digest('hex')
    await fetch(`${server.base}/api/files/${sha256}`, { method: 'PUT', body: 'plan' })
    const plan = aPlan({ file: sha256 })
    const put = (revision: number, value: unknown[]) =>
      server.call(
        'PATCH',
        `/api/projects/${id}`,
        { patches: [{ field: 'plans', value }] },
        { 'If-Match': `"${revision}"` },
      )
    expect((await put(1, [plan])).status).toBe(200)
    await keep(id, 'with a plan')
    expect((await put(2, [])).status).toBe(200)
    const later = (days: number): Date => new Date(Date.now() + days * 24 * 60 * 60 * 1000)
    const isThere = async () => (await server.call('GET', `/api/files/${sha256}`)).status === 200
    await tidy(server.db, later(2))
    expect(await isThere()).toBe(true)
    await server.call('DELETE', `/api/projects/${id}`)
    await tidy(server.db, later(40))
    expect(await server.db.selectFrom('versions').select('id').where('project_id', '=', id).execute()).toEqual([])
    await tidy(server.db, later(42))
    expect(await isThere()).toBe(false)
  })

  it('what is not there is refused with a sentence', async () => {
    const { id } = await create()
    const other = await create()
    const version = await keep(other.id, '')
    for (const [method, path] of [
      ['POST', `/api/projects/nowhere/versions`],
      ['GET', `/api/projects/${id}/versions/${version.id}`],
      ['DELETE', `/api/projects/${id}/versions/${version.id}`],
      ['POST', `/api/projects/${id}/versions/nowhere/duplicate`],
    ]) {
      const answer = await server.call(method, path, method === 'POST' ? { note: '' } : undefined)
      expect([path, answer.status]).toEqual([path, 404])
      expect(((await answer.json()) as ProblemDocument).detail).toMatch(/^There is no such/)
    }
    const long = await server.call('POST', `/api/projects/${id}/versions`, { note: 'x'.repeat(201) })
    expect(long.status).toBe(400)
  })
})
