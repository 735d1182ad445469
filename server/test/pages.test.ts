import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { running } from './running'

const script = 'export const tins = "tins of tea, in a row"\n'.repeat(60)
let folder: string
let server: Awaited<ReturnType<typeof running>>

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hilera-pages-'))
  mkdirSync(join(folder, 'assets'))
  writeFileSync(join(folder, 'index.html'), '<style nonce="__NONCE__"></style>')
  writeFileSync(join(folder, 'assets/a.js'), script)
  // Other text than the plain file's: so it is seen which of them was sent.
  writeFileSync(join(folder, 'assets/a.js.br'), brotliCompressSync(`// br\n${script}`))
  writeFileSync(join(folder, 'assets/a.js.gz'), gzipSync(`// gz\n${script}`))
  writeFileSync(join(folder, 'assets/b.js'), script)
  server = await running({ webFolder: folder })
})
afterEach(async () => {
  await server.stop()
  rmSync(folder, { recursive: true })
})

const asked = (path: string, encodings: string) => server.call('GET', path, undefined, { 'accept-encoding': encodings })

it.each([
  ['gzip, deflate, br, zstd', 'br', `// br\n${script}`],
  ['gzip, deflate', 'gzip', `// gz\n${script}`],
  ['identity', null, script],
])('who takes %s gets what was packed at the build: %s', async (encodings, encoding, text) => {
  const answer = await asked('/assets/a.js', encodings)
  expect(answer.headers.get('content-encoding')).toBe(encoding)
  expect(answer.headers.get('content-type')).toMatch(/^(text|application)\/javascript/)
  expect(answer.headers.get('cache-control')).toBe('public, max-age=31536000, immutable')
  expect(answer.headers.get('vary')).toMatch(/Accept-Encoding/i)
  expect(await answer.text()).toBe(text)
})

it('what was not packed is packed on its way', async () => {
  const answer = await asked('/assets/b.js', 'br')
  expect(answer.headers.get('content-encoding')).toBe('br')
  expect(await answer.text()).toBe(script)
})

it('a script that is not there is no page', async () => {
  expect((await asked('/assets/gone.js', 'br')).status).toBe(404)
  const page = await asked('/p/anything/arrange', 'br')
  expect(await page.text()).toMatch(/nonce="[A-Za-z0-9+/=]{20,}"/)
})
