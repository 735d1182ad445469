import type { Command } from '../commands/commands'
import type { useRecipes } from './recipes'

/** Keeping what is picked as a recipe, and placing by one. */
export const recipeCommands = (recipes: ReturnType<typeof useRecipes>, picked: readonly string[]): Command[] => [
  {
    id: 'keep-recipe',
    words: 'Keep the picked patterns as a recipe …',
    unavailable: picked.length > 0 ? undefined : 'Pick a pattern first.',
    run: () => void (recipes.keeping = picked),
  },
  { id: 'use-recipe', words: 'Place by a recipe …', run: () => void (recipes.using = true) },
]
