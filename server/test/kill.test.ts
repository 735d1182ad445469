import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { readProject } from '@hilera/core/model/project'
import { expect, it } from 'vitest'
import { openDatabase } from '../src/db/open'
import type { ProjectCard, StoredProject } from '../src/api'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** The server as a process of its own, from its sources. */
async function start(data: string) {
  const env = {
    ...process.env,
    HILERA_DATA: data,
    HILERA_PORT: '0',
    HILERA_LOG: 'silent',
    HILERA_WEB: join(root, 'nowhere'),
  }
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const [line] = (await once(child.stdout, 'data')) as [Buffer]
  return { address: /http:\S+\w/.exec(line.toString())![0], child }
}

it('killed in the middle of saves, it keeps every save that it confirmed, whole', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-kill-'))
  const file = join(folder, 'test.db')
  try {
    let confirmed = 0
    for (const round of [1, 2, 3]) {
      const { address, child } = await start(file)
      const [card] = (await (await fetch(`${address}/api/projects`)).json()) as ProjectCard[]
      const stored = (await (await fetch(`${address}/api/projects/${card.id}`)).json()) as StoredProject
      expect(readProject(stored.document).ok).toBe(true)
      expect(stored.revision).toBeGreaterThanOrEqual(confirmed)
      confirmed = stored.revision
      const gone = once(child, 'exit')
      // Saves go out one after another until the process is gone.
      const saving = (async () => {
        for (let revision = stored.revision; ; revision++) {
          const body = JSON.stringify([{ field: 'name', value: `Round ${round}, save ${revision}` }])
          const headers = { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` }
          const saved = await fetch(`${address}/api/projects/${card.id}`, { method: 'PATCH', body, headers }).catch(
            () => undefined,
          )
          if (!saved?.ok) return
          confirmed = revision + 1
          if (confirmed === stored.revision + 20) child.kill('SIGKILL')
        }
      })()
      await gone
      await saving
    }
    const { address, child } = await start(file)
    const [card] = (await (await fetch(`${address}/api/projects`)).json()) as ProjectCard[]
    const stored = (await (await fetch(`${address}/api/projects/${card.id}`)).json()) as StoredProject
    // At most the save under way when it was killed came through unconfirmed.
    expect(stored.revision).toBeGreaterThanOrEqual(confirmed)
    expect(stored.revision).toBeLessThanOrEqual(confirmed + 1)
    expect(stored.document.name).toBe(`Round 3, save ${stored.revision - 1}`)
    child.kill()
    await once(child, 'exit')
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}, 60_000)

it('stopped cleanly, its one file holds everything: a copy of it alone opens with the work', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-stop-'))
  try {
    const file = join(folder, 'test.db')
    const { child } = await start(file)
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
