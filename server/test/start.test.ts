import { once } from 'node:events'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'kysely'
import Libsql from 'libsql'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { lockDatabase, Locked } from '../src/db/lock'
import { migrations } from '../src/db/migrations'
import { copyDatabase, openDatabase } from '../src/db/open'
import { openWhole, prepareFolder, settingsOf } from '../src/start'
import { spawned } from './child'

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'hilera-start-'))))
afterEach(() => {
  chmodSync(folder, 0o755)
  rmSync(folder, { recursive: true })
})

/** Starts the server as a process and waits for its end. */
async function ended(env: Record<string, string>): Promise<{ code: number; says: string }> {
  const child = spawned(env)
  const [code] = (await once(child, 'close')) as [number]
  return { code, says: child.says() }
}

describe('what keeps it from starting is told in one sentence', () => {
  it.each([
    [{ HILERA_PORT: 'many' }, 'HILERA_PORT is “many”'],
    [{ HILERA_PORT: '70000' }, 'HILERA_PORT is “70000”'],
    [{ HILERA_LOG: 'loud' }, 'HILERA_LOG is “loud”'],
    [{ HILERA_HOST: 'no host' }, 'HILERA_HOST is “no host”'],
    [{ HILERA_DATA: ' ' }, 'HILERA_DATA is empty'],
  ])('%o', (env, words) => expect(() => settingsOf(env)).toThrow(words))

  it('a folder where a file should be, a file where a folder should be', () => {
    mkdirSync(join(folder, 'a.db'))
    expect(() => prepareFolder(join(folder, 'a.db'))).toThrow('a.db is a folder.')
    writeFileSync(join(folder, 'file'), '')
    expect(() => prepareFolder(join(folder, 'file', 'a.db'))).toThrow('cannot be written')
  })

  it('text, a damaged database, one of a newer Hilera', async () => {
    const file = join(folder, 'a.db')
    writeFileSync(file, 'This is a letter, and no database. '.repeat(300))
    await expect(openWhole(file)).rejects.toThrow('is no Hilera database')
    rmSync(file)
    const db = await openDatabase(file)
    await sql`INSERT INTO kysely_migration VALUES ('9999_of_tomorrow', '2030-01-01')`.execute(db)
    await sql`PRAGMA wal_checkpoint(TRUNCATE)`.execute(db)
    await db.destroy()
    await expect(openWhole(file)).rejects.toThrow('comes from a newer Hilera')
    const bytes = readFileSync(file)
    bytes.fill(0x55, 4096, 20_000)
    writeFileSync(file, bytes)
    await expect(openWhole(file)).rejects.toThrow(/is damaged|is no Hilera database|could not be opened/)
  })

  it('as a process: exit code 2 and no trace of where', async () => {
    const { code, says } = await ended({ HILERA_DATA: folder })
    expect([code, says]).toEqual([2, `${folder} is a folder. Set HILERA_DATA to a file, such as ${folder}/hilera.db.`])
  })
})

describe('the database', () => {
  it('is opened by one server alone; what a dead one left is taken over', () => {
    const file = join(folder, 'a.db')
    const free = lockDatabase(file)
    expect(existsSync(`${file}.lock`)).toBe(true)
    free()
    // Process 1 always runs.
    const host = JSON.parse((lockDatabase(file), readFileSync(`${file}.lock`, 'utf8'))) as { host: string }
    writeFileSync(`${file}.lock`, JSON.stringify({ pid: 1, host: host.host }))
    expect(() => lockDatabase(file)).toThrow(Locked)
    writeFileSync(`${file}.lock`, JSON.stringify({ pid: 2 ** 22 + 1, host: host.host }))
    lockDatabase(file)()
    writeFileSync(`${file}.lock`, '{"pid":')
    lockDatabase(file)()
    expect(existsSync(`${file}.lock`)).toBe(false)
  })

  it('keeps a copy of itself from before a migration, and knows then which files its projects use', async () => {
    const file = join(folder, 'a.db')
    const sha256 = 'ab'.repeat(32)
    // As the first Hilera left it.
    const old = new Libsql(file)
    old.exec(`CREATE TABLE kysely_migration (name varchar(255) PRIMARY KEY NOT NULL, timestamp varchar(255) NOT NULL);
      CREATE TABLE kysely_migration_lock (id varchar(255) PRIMARY KEY NOT NULL, is_locked integer DEFAULT 0 NOT NULL);
      INSERT INTO kysely_migration_lock VALUES ('migration_lock', 0);
      INSERT INTO kysely_migration VALUES ('0001_projects_and_files', '2026-01-01');
      CREATE TABLE projects (id text PRIMARY KEY, name text NOT NULL, document text NOT NULL, revision integer NOT NULL DEFAULT 1,
        parts integer NOT NULL, copies integer NOT NULL DEFAULT 0, picture blob, created_at text NOT NULL, changed_at text NOT NULL, deleted_at text);
      CREATE TABLE files (sha256 text PRIMARY KEY, bytes blob NOT NULL, size integer NOT NULL, created_at text NOT NULL);
      INSERT INTO projects (id, name, document, parts, created_at, changed_at) VALUES ('p', 'Old', '{"file":"${sha256}"}', 0, 'x', 'x')`)
    old.close()
    const db = await openDatabase(file)
    expect(await db.selectFrom('project_files').selectAll().execute()).toEqual([{ project_id: 'p', sha256 }])
    await db.destroy()
    // It is named by the first migration that the database had not been through.
    const next = Object.keys(migrations)[1]
    expect(readdirSync(folder)).toContain(`a.db.before-${next}`)
    const copy = new Libsql(join(folder, `a.db.before-${next}`))
    expect(copy.prepare('SELECT name FROM projects').all()).toMatchObject([{ name: 'Old' }])
    copy.close()
  })

  it('is copied whole while it is written', async () => {
    const file = join(folder, 'a.db')
    const db = await openDatabase(file)
    for (let n = 0; n < 50; n++)
      await db
        .insertInto('files')
        .values({ sha256: String(n).padStart(64, '0'), bytes: Buffer.alloc(5000), size: 5000, created_at: 'x' })
        .execute()
    await copyDatabase(db, join(folder, 'copy.db'))
    const copy = await openDatabase(join(folder, 'copy.db'))
    const { count } = await copy
      .selectFrom('files')
      .select((e) => e.fn.countAll<number>().as('count'))
      .executeTakeFirstOrThrow()
    expect(count).toBe(50)
    await copy.destroy()
    await db.destroy()
  })
})
