import { afterEach, beforeEach, expect, it } from 'vitest'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeEach(async () => {
  server = await running()
})
afterEach(() => server.stop())

it('a connection on which nothing is asked is kept for longer than a minute', async () => {
  const answer = await server.call('GET', '/api/projects')
  expect(/timeout=(\d+)/.exec(answer.headers.get('keep-alive') ?? '')?.[1]).toBe('65')
})
