import { existsSync, readdirSync, rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import Libsql from 'libsql'
import { Kysely, Migrator, SqliteDialect, sql } from 'kysely'
import { migrations } from './migrations'
import type { Tables } from './tables'

/** So many copies from before migrations are kept beside the database. */
const KEPT_COPIES = 2

/**
 * Opens the SQLite file, brought up to the present schema: WAL, foreign keys, `synchronous = NORMAL`, space given back bit by bit.
 * Before a migration of a database that was there a copy is kept beside it.
 *
 * @param file a path, or `:memory:`
 */
export async function openDatabase(file: string): Promise<Kysely<Tables>> {
  const isNew = file === ':memory:' || !existsSync(file)
  const sqlite = new Libsql(file)
  // To be said before the first table is there; an older file takes it up as it is rewritten once.
  sqlite.pragma('auto_vacuum = INCREMENTAL')
  for (const pragma of ['journal_mode = WAL', 'foreign_keys = ON', 'synchronous = NORMAL', 'busy_timeout = 5000'])
    sqlite.pragma(pragma)
  const prepare = sqlite.prepare.bind(sqlite)
  // Binding a boolean aborts the whole process in libsql, and undefined is not a value it knows.
  sqlite.prepare = ((sql: string) => {
    const statement = prepare(sql)
    for (const method of ['all', 'run', 'iterate', 'get'] as const) {
      const original = statement[method].bind(statement) as (...values: unknown[]) => unknown
      Object.assign(statement, { [method]: (...values: unknown[]) => original(...values.map(bindable)) })
    }
    // A pragma that gives no rows would be begun and left open, and hold its tables: it is read to its end like the others.
    if (/^\s*PRAGMA\b/i.test(sql)) Object.defineProperty(statement, 'reader', { value: true })
    return statement
  }) as typeof sqlite.prepare
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite as never }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => migrations } })
  const pending = (await migrator.getMigrations()).filter(({ executedAt }) => !executedAt)
  if (!isNew && pending.length > 0) await keepCopy(db, file, pending[0].name)
  const { error } = await migrator.migrateToLatest()
  if (error) throw error
  const { rows } = await sql<{ auto_vacuum: number }>`PRAGMA auto_vacuum`.execute(db)
  if (rows[0]?.auto_vacuum === 0) await sql`VACUUM`.execute(db)
  return db
}

/** A copy of the whole database as it is now, made while others read and write it. */
export async function copyDatabase(db: Kysely<Tables>, to: string): Promise<void> {
  await sql`VACUUM INTO ${to}`.execute(db)
}

async function keepCopy(db: Kysely<Tables>, file: string, before: string): Promise<void> {
  const prefix = `${basename(file)}.before-`
  const copy = join(dirname(file), `${prefix}${before}`)
  rmSync(copy, { force: true })
  await copyDatabase(db, copy)
  const copies = readdirSync(dirname(file)).filter((name) => name.startsWith(prefix))
  for (const name of copies.sort().slice(0, -KEPT_COPIES)) rmSync(join(dirname(file), name))
}

/**
 * Closes it so that the one file holds everything: what waits beside it in the log is brought in, and a copy of the file is a copy
 * of the work.
 */
export async function closeDatabase(db: Kysely<Tables>): Promise<void> {
  await sql`PRAGMA wal_checkpoint(TRUNCATE)`.execute(db)
  await db.destroy()
}

function bindable(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(bindable)
  if (typeof value === 'boolean') return value ? 1 : 0
  return value === undefined ? null : value
}
