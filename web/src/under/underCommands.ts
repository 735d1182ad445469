import { groundDefinitionOf, groundKinds } from '@hilera/core/grounds/index'
import type { Command } from '../commands/commands'
import type { useView } from '../stores/view'
import type { useUnderEdits } from './underEdits'

/** Commands on what lies under the arrangement. */
export function underCommands(edits: ReturnType<typeof useUnderEdits>, view: ReturnType<typeof useView>): Command[] {
  return [
    ...groundKinds
      .map((kind) => ({ kind, definition: groundDefinitionOf({ kind }) }))
      .filter(({ definition }) => definition.begin)
      .map(({ kind, definition }) => ({
        id: `add-ground-${kind}`,
        words: `Add a ground: ${definition.words.toLowerCase()}`,
        run: () => edits.addGround(kind),
      })),
    {
      id: 'normals',
      words: view.normals ? 'Hide the ground’s normals' : 'Show the ground’s normals under the copies',
      run: () => void (view.normals = !view.normals),
    },
  ]
}
