import { emptyProject } from '@hilera/core/model/project'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ProblemDocument, ProjectCard, StoredProject } from '../src/api'
import { openDatabase } from '../src/db/open'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeAll(async () => void (server = await running()))
afterAll(() => server.stop())

const create = async (from: 'demo' | 'nothing' = 'demo') =>
  (await (await server.call('POST', '/api/projects', { from })).json()) as StoredProject
const list = async (query = '') => (await (await server.call('GET', `/api/projects${query}`)).json()) as ProjectCard[]
const problem = async (response: Response) => {
  expect(response.headers.get('content-type')).toContain('application/problem+json')
  return (await response.json()) as ProblemDocument
}

describe('projects', () => {
  it('are created from the demo or empty, listed and read back', async () => {
    const [demo, empty] = [await create(), await create('nothing')]
    expect([demo.document.patterns[0].name, empty.document.patterns]).toEqual(['Shelf tins', []])
    const cards = await list()
    expect(cards.find((c) => c.id === demo.id)).toMatchObject({
      name: 'Casa Níspero tea counter',
      parts: demo.document.parts.length,
    })
    const read = (await (await server.call('GET', `/api/projects/${demo.id}`)).json()) as StoredProject
    expect(read).toEqual(demo)
  })

  it('of an older version are brought up to the present as they are read', async () => {
    const { id, document } = await create()
    const old = {
      ...document,
      schema: 1,
      patterns: document.patterns.slice(0, 1).map((pattern) => ({ ...pattern, steps: undefined })),
    }
    await server.db
      .updateTable('projects')
      .set({ document: JSON.stringify(old) })
      .where('id', '=', id)
      .execute()
    const read = (await (await server.call('GET', `/api/projects/${id}`)).json()) as StoredProject
    expect(read.document.schema).toBe(document.schema)
    // Gaps went by copies as dealt then, and still do.
    const [{ layout, ...pattern }] = document.patterns
    expect(read.document.patterns).toEqual([{ ...pattern, layout: { ...layout, outlines: 'dealt' } }])
  })

  it('are changed by patches from their revision, checked whole', async () => {
    const { id, document } = await create()
    const send = (patches: unknown, revision: number) =>
      server.call('PATCH', `/api/projects/${id}`, { patches }, { 'If-Match': `"${revision}"` })
    const hidden = { ...document.patterns[2], hidden: true }
    const sent = await send(
      [
        { field: 'name', value: 'Second' },
        { field: 'patterns', at: 2, value: hidden },
      ],
      1,
    )
    expect(await sent.json()).toMatchObject({ revision: 2 })
    const read = (await (await server.call('GET', `/api/projects/${id}`)).json()) as StoredProject
    expect(read.document).toEqual({ ...document, name: 'Second', patterns: document.patterns.with(2, hidden) })

    const late = await send([{ field: 'name', value: 'Late' }], 1)
    expect([late.status, (await problem(late)).revision]).toEqual([409, 2])
    const wrong: [unknown, string][] = [
      [
        [{ field: 'parts', value: [] }],
        'This is not a Hilera project: Shelf tins uses a part that is not in the project.',
      ],
      [[{ field: 'patterns', at: 900, value: hidden }], 'The patches are not for this revision.'],
      [[{ field: '__proto__', value: {} }], 'These are not patches of a project.'],
      [{ name: 'x' }, 'These are not patches of a project.'],
    ]
    for (const [patches, says] of wrong) {
      const refused = await send(patches, 2)
      expect([refused.status, (await problem(refused)).detail]).toEqual([400, says])
    }
    expect((await server.call('PATCH', `/api/projects/${id}`, { patches: [] })).status).toBe(428)
    expect((await server.call('PATCH', '/api/projects/none', { patches: [] }, { 'If-Match': '"1"' })).status).toBe(404)
  })

  it('let one of two writers from one revision win', async () => {
    const { id } = await create()
    const rename = (value: string) =>
      server.call('PATCH', `/api/projects/${id}`, { patches: [{ field: 'name', value }] }, { 'If-Match': '"1"' })
    const statuses = (await Promise.all(['A', 'B', 'C'].map(rename))).map(({ status }) => status)
    expect(statuses.sort()).toEqual([200, 409, 409])
  })

  it('refuse what is not a project, and say why', async () => {
    expect((await server.call('POST', '/api/projects', { from: 'elsewhere' })).status).toBe(400)
    const broken = await fetch(`${server.base}/api/projects`, {
      method: 'POST',
      body: '{"from":',
      headers: { 'Content-Type': 'application/json' },
    })
    expect([broken.status, (await problem(broken)).detail]).toEqual([
      400,
      'Say what the project starts from: nothing, the demo or a document.',
    ])
  })

  it('go to a bin and come back', async () => {
    const { id } = await create()
    expect((await server.call('DELETE', `/api/projects/${id}`)).status).toBe(204)
    expect((await server.call('GET', `/api/projects/${id}`)).status).toBe(404)
    expect((await list('?bin=1')).map((c) => c.id)).toContain(id)
    expect((await server.call('POST', `/api/projects/${id}/restore`)).status).toBe(204)
    expect((await list()).map((c) => c.id)).toContain(id)
    expect((await server.call('DELETE', '/api/projects/none')).status).toBe(404)
  })

  it('are duplicated with their card', async () => {
    const { id } = await create()
    const png = Buffer.from([0x89, 0x50, 0x4e, 0x47])
    await server.call('PUT', `/api/projects/${id}/card`, {
      copies: 10,
      picture: `data:image/png;base64,${png.toString('base64')}`,
    })
    const copy = (await (await server.call('POST', `/api/projects/${id}/duplicate`)).json()) as StoredProject
    const card = (await list()).find((c) => c.id === copy.id)
    expect(card).toMatchObject({ name: 'Casa Níspero tea counter copy', copies: 10 })
    const picture = await server.call('GET', card!.picture!)
    expect([picture.headers.get('content-type'), Buffer.from(await picture.arrayBuffer())]).toEqual(['image/png', png])
    expect((await server.call('PUT', `/api/projects/${id}/card`, { copies: -1 })).status).toBe(400)
    // A card without a picture keeps the one that there is.
    expect((await server.call('PUT', `/api/projects/${copy.id}/card`, { copies: 11 })).status).toBe(204)
    expect((await list()).find((c) => c.id === copy.id)).toMatchObject({ copies: 11, picture: card!.picture })
  })

  it('lie in a file that opens again', async () => {
    const { id } = await create()
    const again = await openDatabase(server.file)
    const row = await again.selectFrom('projects').select('name').where('id', '=', id).executeTakeFirst()
    expect(row?.name).toBe('Casa Níspero tea counter')
    await again.destroy()
  })
})

it('pages elsewhere may read nothing, and what they ask does not use up what its own may', async () => {
  const small = await running({ requestsPerMinute: 5 })
  for (let k = 0; k < 20; k++) {
    const there = await small.call('GET', '/api/projects', undefined, { 'Sec-Fetch-Site': 'cross-site' })
    expect(there.status).toBe(403)
  }
  expect((await small.call('GET', '/api/projects')).status).toBe(200)
  await small.stop()
})

describe('the database', () => {
  it('takes booleans and undefined without falling over', async () => {
    const row = await server.db
      .selectFrom('projects')
      .select((e) => [e.val(true).as('yes'), e.val(undefined).as('nothing')])
      .limit(1)
      .executeTakeFirst()
    expect(row).toEqual({ yes: 1, nothing: null })
  })
})

it('what is sent is packed for browsers that can unpack it', async () => {
  const own = await running()
  await own.call('POST', '/api/projects', { from: 'demo' })
  const [{ id }] = (await (await own.call('GET', '/api/projects')).json()) as ProjectCard[]
  const packed = await own.call('GET', `/api/projects/${id}`, undefined, { 'Accept-Encoding': 'gzip' })
  expect(packed.headers.get('Content-Encoding')).toBe('gzip')
  expect(((await packed.json()) as StoredProject).id).toBe(id)
  await own.stop()
})

it('a large document is checked beside, and others are answered meanwhile; two saves of it are not mixed up', async () => {
  const own = await running()
  const spots = Array.from({ length: 20_000 }, (_, slot) => ({ slot, move: [slot / 7, 0, slot / 11] }))
  const document = {
    ...emptyProject('Many spots'),
    parts: [
      {
        id: 'tin',
        name: 'Tin',
        shape: { kind: 'box', width: 1, height: 1, depth: 1 },
        look: { color: '#3a6b5f', roughness: 0.6, metal: 0 },
      },
    ],
    patterns: [
      {
        id: 'p',
        name: 'Spots',
        place: { move: [0, 0, 0], turn: [0, 0, 0] },
        deal: { kind: 'inTurn', parts: ['tin'] },
        layout: { kind: 'spots', spots },
        steps: [],
        touchUps: {},
        hidden: false,
      },
    ],
  }
  const before: string[] = []
  const creating = own.call('POST', '/api/projects', { from: 'document', document }).then((answer) => {
    before.push('created')
    return answer.json() as Promise<StoredProject>
  })
  await own.call('GET', '/api/projects').then(() => before.push('answered'))
  const created = await creating
  expect(before).toEqual(['answered', 'created'])
  expect(created.document).toEqual(document)
  const unknown = { ...document, parts: [] }
  const refused = await own.call('POST', '/api/projects', { from: 'document', document: unknown })
  expect([refused.status, await refused.text()]).toEqual([400, expect.stringContaining('Spots uses a part')])
  const save = (name: string) =>
    own.call(
      'PATCH',
      `/api/projects/${created.id}`,
      { patches: [{ field: 'name', value: name }] },
      { 'If-Match': '"1"' },
    )
  const order: string[] = []
  const saves = [save('First'), save('Second')].map((one) => one.then((answer) => (order.push('saved'), answer)))
  const other = own.call('GET', '/api/projects').then(() => order.push('answered'))
  const answers = (await Promise.all(saves)).map(({ status }) => status)
  await other
  expect(order[0]).toBe('answered')
  expect(answers.sort()).toEqual([200, 409])
  const stored = (await (await own.call('GET', `/api/projects/${created.id}`)).json()) as StoredProject
  expect([stored.revision, ['First', 'Second'].includes(stored.document.name)]).toEqual([2, true])
  const wrong = await own.call(
    'PATCH',
    `/api/projects/${created.id}`,
    { patches: [{ field: 'name', value: '' }] },
    {
      'If-Match': '"2"',
    },
  )
  expect([wrong.status, await wrong.text()]).toEqual([400, expect.stringContaining('name')])
  await own.stop()
})
