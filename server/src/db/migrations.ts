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
  '0002_files_of_projects': {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable('project_files')
        .addColumn('project_id', 'text', (c) => c.notNull().references('projects.id').onDelete('cascade'))
        .addColumn('sha256', 'text', (c) => c.notNull())
        .addPrimaryKeyConstraint('project_files_key', ['project_id', 'sha256'])
        .execute()
      await db.schema.createIndex('project_files_by_file').on('project_files').column('sha256').execute()
      // What stands in a document and could be the hash of a file keeps that file: rather one too many.
      const old = db as Kysely<{
        projects: { id: string; document: string }
        project_files: { project_id: string; sha256: string }
      }>
      for (const { id } of await old.selectFrom('projects').select('id').execute()) {
        const { document } = await old
          .selectFrom('projects')
          .select('document')
          .where('id', '=', id)
          .executeTakeFirstOrThrow()
        for (const sha256 of new Set(document.match(/\b[0-9a-f]{64}\b/g) ?? []))
          await old.insertInto('project_files').values({ project_id: id, sha256 }).execute()
      }
    },
  },
  '0003_versions': {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable('documents')
        .addColumn('sha256', 'text', (c) => c.primaryKey())
        .addColumn('packed', 'blob', (c) => c.notNull())
        .addColumn('size', 'integer', (c) => c.notNull())
        .execute()
      await db.schema
        .createTable('versions')
        .addColumn('id', 'text', (c) => c.primaryKey())
        .addColumn('project_id', 'text', (c) => c.notNull().references('projects.id').onDelete('cascade'))
        .addColumn('number', 'integer', (c) => c.notNull())
        .addColumn('note', 'text', (c) => c.notNull())
        .addColumn('by_itself', 'integer', (c) => c.notNull())
        .addColumn('document', 'text', (c) => c.notNull().references('documents.sha256'))
        .addColumn('copies', 'integer', (c) => c.notNull())
        .addColumn('picture', 'blob')
        .addColumn('created_at', 'text', (c) => c.notNull())
        .addUniqueConstraint('versions_number', ['project_id', 'number'])
        .execute()
      await db.schema.createIndex('versions_by_document').on('versions').column('document').execute()
      await db.schema
        .createTable('version_files')
        .addColumn('version_id', 'text', (c) => c.notNull().references('versions.id').onDelete('cascade'))
        .addColumn('sha256', 'text', (c) => c.notNull())
        .addPrimaryKeyConstraint('version_files_key', ['version_id', 'sha256'])
        .execute()
      await db.schema.createIndex('version_files_by_file').on('version_files').column('sha256').execute()
    },
  },
  '0004_steps': {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable('histories')
        .addColumn('project_id', 'text', (c) => c.primaryKey().references('projects.id').onDelete('cascade'))
        .addColumn('revision', 'integer', (c) => c.notNull())
        .addColumn('document_version', 'integer', (c) => c.notNull())
        .addColumn('done', 'integer', (c) => c.notNull())
        .execute()
      await db.schema
        .createTable('steps')
        .addColumn('project_id', 'text', (c) => c.notNull().references('projects.id').onDelete('cascade'))
        .addColumn('position', 'integer', (c) => c.notNull())
        .addColumn('packed', 'blob', (c) => c.notNull())
        .addColumn('size', 'integer', (c) => c.notNull())
        .addPrimaryKeyConstraint('steps_key', ['project_id', 'position'])
        .execute()
      await db.schema
        .createTable('step_files')
        .addColumn('project_id', 'text', (c) => c.notNull())
        .addColumn('position', 'integer', (c) => c.notNull())
        .addColumn('sha256', 'text', (c) => c.notNull())
        .addPrimaryKeyConstraint('step_files_key', ['project_id', 'position', 'sha256'])
        .addForeignKeyConstraint(
          'step_files_of_step',
          ['project_id', 'position'],
          'steps',
          ['project_id', 'position'],
          (c) => c.onDelete('cascade'),
        )
        .execute()
      await db.schema.createIndex('step_files_by_file').on('step_files').column('sha256').execute()
    },
  },
  '0005_recipes': {
    async up(db: Kysely<unknown>) {
      await db.schema
        .createTable('recipes')
        .addColumn('id', 'text', (c) => c.primaryKey())
        .addColumn('name', 'text', (c) => c.notNull())
        .addColumn('sentences', 'text', (c) => c.notNull())
        .addColumn('packed', 'blob', (c) => c.notNull())
        .addColumn('created_at', 'text', (c) => c.notNull())
        .execute()
      await db.schema
        .createTable('recipe_files')
        .addColumn('recipe_id', 'text', (c) => c.notNull().references('recipes.id').onDelete('cascade'))
        .addColumn('sha256', 'text', (c) => c.notNull())
        .addPrimaryKeyConstraint('recipe_files_key', ['recipe_id', 'sha256'])
        .execute()
      await db.schema.createIndex('recipe_files_by_file').on('recipe_files').column('sha256').execute()
    },
  },
}
