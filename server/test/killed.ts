import { createHash, randomBytes } from 'node:crypto'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { readProject } from '@hilera/core/model/project'
import { sql } from 'kysely'
import { copyDatabase, openDatabase } from '../src/db/open'
import type { ProjectCard, StoredProject } from '../src/api'
import { start } from './child'

export interface Killed {
  readonly rounds: number
  /** Saves, uploads and copies of the database that were told to be done. */
  readonly saves: number
  readonly uploads: number
  readonly copies: number
  /** What was told to be done and is not there, or is not whole. */
  readonly lost: readonly string[]
}

/**
 * Kills a server in the midst of saves, uploads and copies, again and again, and looks each time whether all that it had confirmed is
 * there and whole.
 */
export async function killed(rounds: number): Promise<Killed> {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-kill-'))
  const file = join(folder, 'test.db')
  const lost: string[] = []
  const files: string[] = []
  let [confirmed, saves, copies] = [0, 0, 0]
  try {
    for (let round = 1; round <= rounds + 1; round++) {
      const { address, child } = await start({ HILERA_DATA: file })
      const cards = (await (await fetch(`${address}/api/projects`)).json()) as ProjectCard[]
      const card = cards.find(({ name }) => name !== 'Casa Níspero terrace')!
      const stored = (await (await fetch(`${address}/api/projects/${card.id}`)).json()) as StoredProject
      if (!readProject(stored.document).ok) lost.push(`round ${round}: the project is not whole`)
      if (stored.revision < confirmed || stored.revision > confirmed + 1)
        if (confirmed > 0) lost.push(`round ${round}: revision ${stored.revision} of ${confirmed}`)
      confirmed = stored.revision
      for (const sha256 of files.slice(-5)) {
        const back = await fetch(`${address}/api/files/${sha256}`)
        const bytes = new Uint8Array(await back.arrayBuffer())
        if (createHash('sha256').update(bytes).digest('hex') !== sha256) lost.push(`round ${round}: file ${sha256}`)
      }
      const gone = once(child, 'exit')
      if (round > rounds) {
        child.kill()
        await gone
        break
      }
      const saving = (async () => {
        for (let revision = stored.revision; ; revision++) {
          const body = JSON.stringify({ patches: [{ field: 'name', value: `Round ${round}, save ${revision}` }] })
          const headers = { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` }
          const saved = await fetch(`${address}/api/projects/${card.id}`, { method: 'PATCH', body, headers }).catch(
            () => undefined,
          )
          if (!saved?.ok) return
          confirmed = revision + 1
          saves++
        }
      })()
      const uploading = (async () => {
        for (;;) {
          const bytes = new Uint8Array(randomBytes(200_000))
          const sha256 = createHash('sha256').update(bytes).digest('hex')
          const put = await fetch(`${address}/api/files/${sha256}`, { method: 'PUT', body: bytes }).catch(
            () => undefined,
          )
          if (!put?.ok) return
          files.push(sha256)
        }
      })()
      const copying = (async () => {
        const db = await openDatabase(file)
        const to = join(folder, `copy-${round}.db`)
        await copyDatabase(db, to)
        await db.destroy()
        const copy = await openDatabase(to)
        const { rows } = await sql<Record<string, string>>`PRAGMA quick_check(1)`.execute(copy)
        if (Object.values(rows[0])[0] === 'ok') copies++
        else lost.push(`round ${round}: the copy is not whole`)
        await copy.destroy()
        rmSync(to)
      })()
      // Once it is at work, however slow the machine is; then somewhere within it, another moment each time.
      const enough = saves + 2
      while (saves < enough && child.exitCode === null) await setTimeout(5)
      await setTimeout(60 + ((round * 137) % 400))
      child.kill('SIGKILL')
      await Promise.all([gone, saving, uploading, copying])
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  return { rounds, saves, uploads: files.length, copies, lost }
}
