import { once } from 'node:events'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { openDatabase } from '../src/db/open'
import { start } from './child'
import { killed } from './killed'

it('killed in the middle of saves, uploads, copies and versions being kept, it keeps all that it confirmed, whole', async () => {
  const { saves, versions, uploads, copies, lost } = await killed(5)
  expect(lost).toEqual([])
  expect(saves).toBeGreaterThan(5)
  expect(versions).toBeGreaterThan(0)
  expect(uploads).toBeGreaterThan(0)
  expect(copies).toBe(5)
}, 120_000)

it('stopped cleanly, its one file holds everything: a copy of it alone opens with the work', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-stop-'))
  try {
    const file = join(folder, 'test.db')
    const { child } = await start({ HILERA_DATA: file })
    child.kill('SIGTERM')
    await once(child, 'exit')
    copyFileSync(file, join(folder, 'copy.db'))
    const copy = await openDatabase(join(folder, 'copy.db'))
    expect(await copy.selectFrom('projects').select('name').execute()).toEqual([
      { name: 'Casa Níspero terrace' },
      { name: 'Casa Níspero tea counter' },
    ])
    await copy.destroy()
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}, 60_000)
