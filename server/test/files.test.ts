import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { running } from './running'

let server: Awaited<ReturnType<typeof running>>
beforeAll(async () => void (server = await running({ requestsPerMinute: 60 })))
afterAll(() => server.stop())

const put = (hash: string, bytes: Uint8Array<ArrayBuffer>, headers = {}) =>
  fetch(`${server.base}/api/files/${hash}`, { method: 'PUT', body: bytes, headers })
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')

describe('files', () => {
  it('come back as they were put, however often', async () => {
    const bytes = Uint8Array.from({ length: 300_000 }, (_, i) => (i * 7) % 251)
    const hash = hashOf(bytes)
    expect([(await put(hash, bytes)).status, (await put(hash, bytes)).status]).toEqual([204, 204])
    const back = new Uint8Array(await (await fetch(`${server.base}/api/files/${hash}`)).arrayBuffer())
    expect(hashOf(back)).toBe(hash)
  })

  it('are refused empty, under a wrong name or too large', async () => {
    const bytes = new Uint8Array([1, 2, 3])
    const says = async (response: Response) => [response.status, ((await response.json()) as { detail: string }).detail]
    expect(await says(await put(hashOf(new Uint8Array(0)), new Uint8Array(0)))).toEqual([400, 'The file is empty.'])
    expect(await says(await put('0'.repeat(64), bytes))).toEqual([
      400,
      'The file does not have the SHA-256 that it was sent under.',
    ])
    expect(await says(await put('..%2F..%2Fetc%2Fpasswd', bytes))).toEqual([
      400,
      'The file does not have the SHA-256 that it was sent under.',
    ])
    const big = new Uint8Array(64 * 2 ** 20 + 1)
    expect(await says(await put(hashOf(big), big))).toEqual([413, 'That is too large: up to 64 MB can be taken.'])
  })

  it('that are not there are said to be not there', async () => {
    expect((await fetch(`${server.base}/api/files/${'a'.repeat(64)}`)).status).toBe(404)
    expect((await fetch(`${server.base}/api/files/abc`)).status).toBe(404)
  })
})

describe('the guard', () => {
  it('refuses writes from other pages and requests under other names', async () => {
    const post = (headers: Record<string, string>) =>
      fetch(`${server.base}/api/projects`, {
        method: 'POST',
        body: '{"from":"nothing"}',
        headers: { 'Content-Type': 'application/json', ...headers },
      })
    expect((await post({ Origin: 'http://elsewhere.example' })).status).toBe(403)
    expect((await post({ 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403)
    expect((await post({ Origin: server.base })).status).toBe(201)
  })

  it('sends a strict content policy and stops a flood', async () => {
    const health = await fetch(`${server.base}/api/health`)
    const policy = health.headers.get('content-security-policy') ?? ''
    expect(policy).toContain("script-src 'self';")
    expect(policy).toMatch(/style-src 'self' 'nonce-[\w+/=]+'/)
    const statuses: number[] = []
    for (let i = 0; i < 70; i++) statuses.push((await fetch(`${server.base}/api/health`)).status)
    expect(statuses.at(-1)).toBe(429)
  })
})
