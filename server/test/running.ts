import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { type AppOptions, createApp } from '../src/app'
import { openDatabase } from '../src/db/open'
import { httpServer } from '../src/httpServer'

/** A server on a free port over a real SQLite file in a folder of its own. */
export async function running(options: Partial<AppOptions> = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'hilera-'))
  const file = join(folder, 'test.db')
  const db = await openDatabase(file)
  const server = httpServer(createApp({ db, log: pino({ level: 'silent' }), ...options })).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    db,
    file,
    base,
    call: (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
      fetch(base + path, {
        method,
        headers: { ...(body !== undefined && { 'Content-Type': 'application/json' }), ...headers },
        ...(body !== undefined && { body: JSON.stringify(body) }),
      }),
    async stop() {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      await db.destroy()
      rmSync(folder, { recursive: true })
    },
  }
}
