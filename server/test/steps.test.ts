import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { createHash } from 'node:crypto'
import { MOST_STEPS, type NewSteps, type Saved, type Step, type StoredHistory, type StoredProject } from '../src/api'
import { tidy } from '../src/db/tidy'
import { box } from '../../core/test/projects'
import { aPlan } from '../../core/test/plans'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
let id: string
beforeEach(async () => {
  server = await running()
  id = ((await (await server.call('POST', '/api/projects', { from: 'nothing' })).json()) as StoredProject).id
})
afterEach(() => server.stop())

const step = (name: string, more = ''): Step => ({
  label: `name ${name}`,
  patches: [{ op: 'replace', path: ['name'], value: name + more }],
  inverse: [{ op: 'replace', path: ['name'], value: 'before' }],
})
const save = async (revision: number, name: string, history?: NewSteps): Promise<Saved> => {
  const body = { patches: [{ field: 'name', value: name }], ...(history && { history }) }
  const answer = await server.call('PATCH', `/api/projects/${id}`, body, { 'If-Match': `"${revision}"` })
  expect(answer.status).toBe(200)
  return (await answer.json()) as Saved
}
const history = async () => (await (await server.call('GET', `/api/projects/${id}/history`)).json()) as StoredHistory

describe('the steps of a project', () => {
  it('are kept with the save that they came with, and what was undone is replaced', async () => {
    expect(await history()).toEqual({ revision: 1, first: 0, done: 0, steps: [] })
    const first = await save(1, 'Two', { from: 0, steps: [step('One'), step('Two')], done: 2 })
    expect(first).toMatchObject({ revision: 2, keptSteps: true })
    expect(await history()).toEqual({ revision: 2, first: 0, done: 2, steps: [step('One'), step('Two')] })
    await save(2, 'One', { after: 2, from: 2, steps: [], done: 1 })
    expect(await history()).toMatchObject({ revision: 3, done: 1, steps: [step('One'), step('Two')] })
    await save(3, 'Other', { after: 3, from: 1, steps: [step('Other')], done: 2 })
    expect(await history()).toEqual({ revision: 4, first: 0, done: 2, steps: [step('One'), step('Other')] })
  })

  it('a save without them leaves them behind; who then goes on from them is told to send all', async () => {
    await save(1, 'One', { from: 0, steps: [step('One')], done: 1 })
    await save(2, 'Elsewhere')
    expect((await history()).steps).toEqual([])
    // The one who saved them knows the way on.
    expect(await save(3, 'Two', { after: 2, from: 1, steps: [step('Two')], done: 2 })).toMatchObject({
      keptSteps: true,
    })
    expect(await save(4, 'No', { after: 1, from: 1, steps: [step('No')], done: 2 })).toMatchObject({ keptSteps: false })
    expect((await history()).steps).toEqual([])
    expect(await save(5, 'All', { from: 0, steps: [step('All')], done: 1 })).toMatchObject({ keptSteps: true })
    expect((await history()).steps).toEqual([step('All')])
  })

  it('the oldest are given up where they are too many or too large', async () => {
    const many = Array.from({ length: MOST_STEPS + 5 }, (_, i) => step(`${i}`))
    await save(1, 'Many', { from: 0, steps: many, done: many.length })
    expect(await history()).toMatchObject({ first: 5, done: MOST_STEPS + 5 })
    const letters = Array.from({ length: 2_000_000 }, () => Math.random().toString(36)[2] ?? '0').join('')
    let revision = 2
    for (let i = 0; i < 14; i++) {
      const from = many.length + i
      await save(revision, `Large ${i}`, {
        after: revision,
        from,
        steps: [step(`Large ${i}`, letters)],
        done: from + 1,
      })
      revision++
    }
    const kept = await history()
    expect(kept.steps.length).toBeLessThan(14)
    expect(kept.steps.at(-1)!.label).toBe('name Large 13')
    expect(kept.first + kept.steps.length).toBe(kept.done)
  }, 60_000)

  it('the steps that go along do not make a save too large that could be taken without them', async () => {
    // 15 MB of document, and as much of steps as the page sends.
    const plan = (id: number): unknown => aPlan({ id: `plan-${id}`, name: 'p'.repeat(80) })
    const value = Array.from({ length: 200 }, (_, i) => plan(i))
    const parts = Array.from({ length: 3600 }, (_, i) => ({ ...box(`part-${i}`, 0.1), notes: 'n'.repeat(4000) }))
    const patches = [
      { field: 'plans', value },
      { field: 'parts', value: parts },
    ]
    const large = {
      label: 'large',
      patches: [{ op: 'replace', path: ['name'], value: 'x'.repeat(3_900_000) }],
      inverse: [],
    }
    const body = { patches, history: { from: 0, steps: [large], done: 1 } }
    expect(JSON.stringify(body).length).toBeGreaterThan(18_000_000)
    const answer = await server.call('PATCH', `/api/projects/${id}`, body, { 'If-Match': '"1"' })
    expect([answer.status, (await answer.json()) as Saved]).toMatchObject([200, { revision: 2, keptSteps: true }])
  }, 60_000)

  it('go with their project; a file that only a step names stays as long as that', async () => {
    const bytes = new TextEncoder().encode('a plan')
    const sha256 = createHash('sha256').update(bytes).digest('hex')
    await fetch(`${server.base}/api/files/${sha256}`, { method: 'PUT', body: bytes })
    await save(1, 'One', { from: 0, steps: [step('', sha256)], done: 1 })
    const later = new Date(Date.now() + 2 * 24 * 60 * 60 * 1000)
    expect(await tidy(server.db, later)).toEqual({ projects: 0, files: 0 })
    await save(2, 'Two', { from: 0, steps: [step('Two')], done: 1 })
    expect(await tidy(server.db, later)).toEqual({ projects: 0, files: 1 })
    await server.call('DELETE', `/api/projects/${id}`)
    await server.call('DELETE', '/api/projects?bin=1')
    expect(await server.db.selectFrom('steps').selectAll().execute()).toEqual([])
  })
})
