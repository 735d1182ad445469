import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../core/test/projects'
import { aPlan } from '../../core/test/plans'
import type { ProblemDocument, RecipeCard, StoredRecipe } from '../src/api'
import { tidy } from '../src/db/tidy'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeAll(async () => void (server = await running()))
afterAll(() => server.stop())

const document = () => aProject([box('tin', 0.119)], aPattern(aLine(), ['tin']))
const post = (body: unknown) => server.call('POST', '/api/recipes', body)
const list = async () => (await (await server.call('GET', '/api/recipes')).json()) as RecipeCard[]
const later = (days: number): Date => new Date(Date.now() + days * 24 * 60 * 60 * 1000)

describe('recipes', () => {
  it('are kept under their names, read with their documents, and removed', async () => {
    expect(await list()).toEqual([])
    const made = await post({ name: '  Tin row ', sentences: 'Place 5 in a line', document: document() })
    expect(made.status).toBe(201)
    await post({ name: 'Arch', sentences: '', document: document() })
    expect((await list()).map(({ name }) => name)).toEqual(['Arch', 'Tin row'])
    const { id } = (await made.json()) as RecipeCard
    const read = (await (await server.call('GET', `/api/recipes/${id}`)).json()) as StoredRecipe
    expect(read).toMatchObject({ name: 'Tin row', sentences: 'Place 5 in a line' })
    expect(read.document.patterns).toHaveLength(1)
    expect((await server.call('DELETE', `/api/recipes/${id}`)).status).toBe(204)
    expect((await server.call('DELETE', `/api/recipes/${id}`)).status).toBe(404)
    expect((await server.call('GET', `/api/recipes/${id}`)).status).toBe(404)
    expect((await list()).map(({ name }) => name)).toEqual(['Arch'])
  })

  it('are renamed; a name that is none is refused', async () => {
    const { id } = (await (
      await post({ name: 'Old', sentences: 'Place 5', document: document() })
    ).json()) as RecipeCard
    const rename = (of: string, name: string) => server.call('PATCH', `/api/recipes/${of}`, { name })
    const answer = await rename(id, ' New ')
    expect([answer.status, await answer.json()]).toMatchObject([200, { id, name: 'New', sentences: 'Place 5' }])
    expect((await rename(id, ' ')).status).toBe(400)
    expect((await rename('nobody', 'New')).status).toBe(404)
    expect((await list()).find((card) => card.id === id)?.name).toBe('New')
    await server.call('DELETE', `/api/recipes/${id}`)
  })

  it('without a name, a pattern or a document that can be read are refused with a sentence', async () => {
    const before = await list()
    const detail = async (body: unknown): Promise<string> => {
      const answer = await post(body)
      expect(answer.status).toBe(400)
      return ((await answer.json()) as ProblemDocument).detail
    }
    expect(await detail({ name: ' ', sentences: '', document: document() })).toMatch(/name of up to 80/)
    expect(await detail({ name: 'None', sentences: '', document: { ...document(), patterns: [] } })).toMatch(
      /a pattern/,
    )
    expect(await detail({ name: 'Odd', sentences: '', document: { parts: 3 } })).toMatch(/\.$/)
    expect(await list()).toEqual(before)
  })

  it('keep the files that they name until they are removed', async () => {
    const text = 'ground of a recipe'
    const sha256 = createHash('sha256').update(text).digest('hex')
    await fetch(`${server.base}/api/files/${sha256}`, { method: 'PUT', body: text })
    const made = await post({
      name: 'With',
      sentences: '',
      document: { ...document(), plans: [aPlan({ file: sha256 })] },
    })
    const { id } = (await made.json()) as RecipeCard
    expect(await tidy(server.db, later(2))).toMatchObject({ files: 0 })
    expect((await server.call('GET', `/api/files/${sha256}`)).status).toBe(200)
    await server.call('DELETE', `/api/recipes/${id}`)
    expect(await tidy(server.db, later(2))).toMatchObject({ files: 1 })
  })
})
