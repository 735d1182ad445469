import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { get } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { settingsOf } from '../src/start'
import { start } from './child'
import { running } from './running'

const root = fileURLToPath(new URL('../..', import.meta.url))
const password = 'a nispero tree in june'
let server: Awaited<ReturnType<typeof running>>
beforeEach(async () => void (server = await running({ signIn: { password, secure: true } })))
afterEach(() => server.stop())

const send = (said: string, headers: Record<string, string> = {}) =>
  fetch(`${server.base}/sign-in`, {
    method: 'POST',
    redirect: 'manual',
    headers: { 'Content-Type': 'application/x-www-form-urlencoded', ...headers },
    body: new URLSearchParams({ password: said }),
  })

describe('beyond this machine', () => {
  it('nothing is told without a session, and everything with one', async () => {
    expect((await server.call('GET', '/api/projects')).status).toBe(401)
    expect((await server.call('POST', '/api/projects', { from: 'nothing' })).status).toBe(401)
    const led = await fetch(server.base, { redirect: 'manual' })
    expect([led.status, led.headers.get('Location')]).toEqual([303, '/sign-in'])
    const asked = await (await fetch(`${server.base}/sign-in`)).text()
    expect(asked).toContain('type="password"')

    const entered = await send(password)
    expect(entered.status).toBe(303)
    const cookie = entered.headers.get('Set-Cookie')!
    for (const word of ['HttpOnly', 'SameSite=Strict', 'Secure', 'Path=/']) expect(cookie).toContain(word)
    const session = { Cookie: cookie.split(';')[0] }
    expect((await server.call('GET', '/api/projects', undefined, session)).status).toBe(200)
    expect((await server.call('GET', '/api/projects', undefined, { Cookie: 'hilera=guessed' })).status).toBe(401)
  })

  it('wrong passwords are refused, and after ten the right one has to wait too', async () => {
    expect((await send('')).status).toBe(401)
    for (let n = 0; n < 9; n++) expect((await send(`guess ${n}`)).status).toBe(401)
    const late = await send(password)
    expect(late.status).toBe(429)
    expect(Number(late.headers.get('Retry-After'))).toBeGreaterThan(0)
  })

  it('a page elsewhere cannot sign anybody in', async () => {
    expect((await send(password, { Origin: 'https://elsewhere.example' })).status).toBe(403)
  })

  const open = { HILERA_HOST: '0.0.0.0', HILERA_PASSWORD: password, HILERA_PROXY: '1', HILERA_HOSTS: 'hilera.example' }
  it.each([
    [{ HILERA_PASSWORD: undefined }, 'set HILERA_PASSWORD'],
    [{ HILERA_PASSWORD: 'short' }, 'HILERA_PASSWORD is too short'],
    [{ HILERA_PROXY: undefined }, 'set HILERA_CERT and HILERA_KEY'],
    [{ HILERA_HOSTS: '' }, 'Set HILERA_HOSTS'],
    [{ HILERA_CERT: 'cert.pem' }, 'Give both HILERA_CERT and HILERA_KEY'],
  ])('it does not start without what keeps others out: %o', (change, words) => {
    expect(() => settingsOf({ ...open, ...change })).toThrow(words)
  })

  it('starts with it; on this machine alone it asks for nothing', () => {
    expect(settingsOf(open)).toMatchObject({ hosts: ['hilera.example'], behindProxy: true })
    expect(settingsOf({})).toMatchObject({ host: '127.0.0.1', password: undefined, tls: undefined })
  })

  it('speaks TLS with a certificate', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hilera-tls-'))
    const { address, child } = await start({
      HILERA_DATA: join(folder, 'a.db'),
      HILERA_PASSWORD: password,
      HILERA_CERT: join(root, 'server/test/tls/cert.pem'),
      HILERA_KEY: join(root, 'server/test/tls/key.pem'),
    })
    const status = await new Promise((resolve, reject) => {
      get(`${address}/api/projects`, { rejectUnauthorized: false }, (answer) => resolve(answer.statusCode)).on(
        'error',
        reject,
      )
    })
    expect(status).toBe(401)
    child.kill()
    await once(child, 'exit')
    rmSync(folder, { recursive: true })
  })
})
