import { type ListStep, listSteps } from '@hilera/core/model/listing'
import type { useListEdits } from '../arrange/listEdits'
import type { Command } from './commands'

const STEPS: Readonly<Record<ListStep, { readonly words: string; readonly keys: string }>> = {
  up: { words: 'List it further up', keys: 'Alt Up' },
  down: { words: 'List it further down', keys: 'Alt Down' },
  in: { words: 'Put it into the group beside it', keys: 'Alt Right' },
  out: { words: 'Take it out of its group', keys: 'Alt Left' },
}

/**
 * Commands that put the picked pattern or group elsewhere in the list.
 *
 * @param id of it
 * @param needOne why there is none
 */
export const listCommands = (
  edits: ReturnType<typeof useListEdits>,
  id: string | undefined,
  needOne: string | undefined,
): Command[] =>
  listSteps.map((step) => ({
    id: `list-${step}`,
    ...STEPS[step],
    unavailable: id === undefined ? needOne : edits.cannotStep(id, step),
    run: () => id !== undefined && edits.take(id, step),
  }))
