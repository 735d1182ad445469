import { randomUUID } from 'node:crypto'
import { readProject } from '@hilera/core/model/project'
import { filesOfProject } from '@hilera/core/model/references'
import { sentenceText } from '@hilera/core/numbers/format'
import { type Response, Router, json } from 'express'
import type { Kysely, Selectable } from 'kysely'
import { MAX_DOCUMENT_BYTES, MOST_RECIPES, type RecipeCard, type StoredRecipe, recipeBody, recipeName } from '../api'
import { storedDocument } from '../applied'
import type { Tables } from '../db/tables'
import { pack, unpack } from '../packing'
import { sendProblem } from '../problem'

type Recipe = Selectable<Tables['recipes']>

const missing = (response: Response): void =>
  sendProblem(response, 404, 'There is no such recipe. It may have been removed.')

const NAMED = 'A recipe has a name of up to 80 characters.'

/** Recipes belong to no project: what is kept in one is used in any. */
export function recipeRoutes(db: Kysely<Tables>): Router {
  const routes = Router()
  routes.use(json({ limit: MAX_DOCUMENT_BYTES }))

  routes.get('/', async (_request, response) => {
    const rows = await db
      .selectFrom('recipes')
      .select(['id', 'name', 'sentences', 'created_at'])
      .orderBy('name')
      .orderBy('created_at')
      .execute()
    response.json(rows.map(cardOf))
  })

  routes.post('/', async (request, response) => {
    const body = recipeBody.safeParse(request.body)
    if (!body.success) return sendProblem(response, 400, NAMED)
    const { name, sentences } = body.data
    const read = readProject(body.data.document)
    if (!read.ok) return sendProblem(response, 400, sentenceText(read.problem.says, 'mm'))
    if (read.value.patterns.length === 0) return sendProblem(response, 400, 'A recipe has a pattern at least.')
    const packed = await pack(JSON.stringify(read.value))
    const kept = await db.transaction().execute(async (tx): Promise<Recipe | undefined> => {
      const { count } = await tx
        .selectFrom('recipes')
        .select((e) => e.fn.countAll<number>().as('count'))
        .executeTakeFirstOrThrow()
      if (count >= MOST_RECIPES) return undefined
      const recipe = await tx
        .insertInto('recipes')
        .values({ id: randomUUID(), name, sentences, packed, created_at: new Date().toISOString() })
        .returningAll()
        .executeTakeFirstOrThrow()
      for (const sha256 of new Set(filesOfProject(read.value).map(({ file }) => file)))
        await tx.insertInto('recipe_files').values({ recipe_id: recipe.id, sha256 }).execute()
      return recipe
    })
    if (!kept) return sendProblem(response, 409, `Up to ${MOST_RECIPES} recipes are kept. Remove some first.`)
    response.status(201).json(cardOf(kept))
  })

  routes.get('/:id', async (request, response) => {
    const recipe = await db.selectFrom('recipes').selectAll().where('id', '=', request.params.id).executeTakeFirst()
    if (!recipe) return missing(response)
    const read = storedDocument(await unpack(recipe.packed))
    if (!read.ok) throw new Error(sentenceText(read.problem.says, 'mm'))
    response.json({ ...cardOf(recipe), document: read.value } satisfies StoredRecipe)
  })

  routes.patch('/:id', async (request, response) => {
    const body = recipeName.safeParse(request.body)
    if (!body.success) return sendProblem(response, 400, NAMED)
    const { id } = request.params
    const named = await db.updateTable('recipes').set(body.data).where('id', '=', id).returningAll().executeTakeFirst()
    if (!named) return missing(response)
    response.json(cardOf(named))
  })

  routes.delete('/:id', async (request, response) => {
    const gone = await db.deleteFrom('recipes').where('id', '=', request.params.id).executeTakeFirst()
    if (gone.numDeletedRows === 0n) return missing(response)
    response.status(204).end()
  })

  return routes
}

const cardOf = ({ id, name, sentences, created_at }: Omit<Recipe, 'packed'>): RecipeCard => ({
  id,
  name,
  sentences,
  createdAt: created_at,
})
