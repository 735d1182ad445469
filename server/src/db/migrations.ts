import type { Kysely, Migration } from 'kysely'

/** In order of their names; a migration that has shipped is never changed. */
export const migrations: Record<string, Migration> = {
  '0001_projects_and_files': {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable('projects')
        .addColumn('id', 'text', (c) => c.primaryKey())
        .addColumn('name', 'text', (c) => c.notNull())
        .addColumn('document', 'text', (c) => c.notNull())
        .addColumn('revision', 'integer', (c) => c.notNull().defaultTo(1))
        .addColumn('parts', 'integer', (c) => c.notNull())
        .addColumn('copies', 'integer', (c) => c.notNull().defaultTo(0))
        .addColumn('picture', 'blob')
        .addColumn('created_at', 'text', (c) => c.notNull())
        .addColumn('changed_at', 'text', (c) => c.notNull())
        .addColumn('deleted_at', 'text')
        .execute()
      await db.schema
        .createTable('files')
        .addColumn('sha256', 'text', (c) => c.primaryKey())
        .addColumn('bytes', 'blob', (c) => c.notNull())
        .addColumn('size', 'integer', (c) => c.notNull())
        .addColumn('created_at', 'text', (c) => c.notNull())
        .execute()
    },
  },
}
