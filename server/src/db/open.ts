import Libsql from 'libsql'
import { Kysely, Migrator, SqliteDialect, sql } from 'kysely'
import { migrations } from './migrations'
import type { Tables } from './tables'

/**
 * Opens the SQLite file, brought up to the present schema: WAL, foreign keys, `synchronous = NORMAL`.
 *
 * @param file a path, or `:memory:`
 */
export async function openDatabase(file: string): Promise<Kysely<Tables>> {
  const sqlite = new Libsql(file)
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
    return statement
  }) as typeof sqlite.prepare
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite as never }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => migrations } })
  const { error } = await migrator.migrateToLatest()
  if (error) throw error
  return db
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
