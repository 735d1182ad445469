import { bringIn } from '@hilera/core/links/acrossProjects'
import { recipeOf } from '@hilera/core/links/recipe'
import { sentenceText } from '@hilera/core/numbers/format'
import { patternsAsText } from '@hilera/core/sentences/projectText'
import type { RecipeCard, StoredRecipe } from '@hilera/server/api'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api } from '../api/client'
import { newId } from '../names'
import { useMeshes } from '../parts/meshes'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Recipes: patterns without their parts, kept beside all projects to be used with other parts. */
export const useRecipes = defineStore('recipes', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const meshes = useMeshes()
  /** The patterns of which a recipe is being kept. */
  const keeping = ref<readonly string[]>()
  /** Whether one is being chosen to be used. */
  const using = ref(false)

  /** Keeps patterns, with those that they rest on, under a name. */
  async function keep(ids: readonly string[], name: string): Promise<RecipeCard> {
    const { project } = document
    const sentences = patternsAsText(project, ids, outcomes.patterns)
    const recipe = recipeOf(project, ids, { parts: project.parts, meshes: document.meshes })
    return api.keepRecipe({ name, sentences: sentences.slice(0, 20_000), document: recipe })
  }

  /**
   * Uses a recipe, as one step.
   *
   * @param given parts of this project by the placeholders whose place they take; a placeholder without one comes along
   * @returns what is wrong, if anything
   */
  async function use({ name, document: recipe }: StoredRecipe, given: ReadonlyMap<string, string>): Promise<string> {
    let patterns: readonly string[] = []
    const problem = await document.change(`place by the recipe ${name}`, (project) => {
      patterns = bringIn(project, recipe, newId, given).patterns
    })
    if (problem) return sentenceText(problem.says, document.unit)
    selection.pickPattern(patterns.at(-1))
    await meshes.readAll().catch(() => undefined)
    return ''
  }
  return { keeping, using, keep, use }
})
