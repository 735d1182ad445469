import { createHash, randomBytes } from 'node:crypto'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { readProject } from '@hilera/core/model/project'
import { sql } from 'kysely'
import { copyDatabase, openDatabase } from '../src/db/open'
import type { ProjectCard, StoredProject, VersionCard } from '../src/api'
import { start } from './child'

export interface Killed {
  readonly rounds: number
  /** Saves, versions kept, uploads and copies of the database that were told to be done. */
  readonly saves: number
  readonly versions: number
  readonly uploads: number
  readonly copies: number
  /** What was told to be done and is not there, or is not whole. */
  readonly lost: readonly string[]
}

/**
 * Kills a server in the midst of saves, uploads, copies and versions being kept, again and again, and looks each time whether all that it had confirmed is
 * there and whole.
 */
export async function killed(rounds: number): Promise<Killed> {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-kill-'))
  const file = join(folder, 'test.db')
  const lost: string[] = []
  const files: string[] = []
  const versions: { readonly id: string; readonly note: string }[] = []
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
      for (const { id, note } of versions.slice(-5)) {
        const back = await fetch(`${address}/api/projects/${card.id}/versions/${id}`)
        const version = (await back.json()) as StoredProject & VersionCard
        if (!back.ok || !readProject(version.document).ok) lost.push(`round ${round}: ${note}`)
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
      const keeping = (async () => {
        for (let n = 1; ; n++) {
          const note = `Round ${round}, version ${n}`
          const headers = { 'Content-Type': 'application/json' }
          const to = `${address}/api/projects/${card.id}/versions`
          const kept = await fetch(to, { method: 'POST', body: JSON.stringify({ note }), headers }).catch(
            () => undefined,
          )
          const told = kept?.ok ? ((await kept.json().catch(() => undefined)) as VersionCard | undefined) : undefined
          if (!told) return
          versions.push({ id: told.id, note })
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
      await Promise.all([gone, saving, keeping, uploading, copying])
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  return { rounds, saves, versions: versions.length, uploads: files.length, copies, lost }
}
