import type { Part } from '@hilera/core/model/part'
import type { Router } from 'vue-router'
import type { Command } from '../commands/commands'
import type { useSwapDialog } from '../links/swapDialog'
import type { usePartEdits } from './partEdits'

const NONE = 'Pick a part first.'

/** What can be done with the picked part. */
export const partCommands = (
  part: Part | undefined,
  edits: ReturnType<typeof usePartEdits>,
  swap: ReturnType<typeof useSwapDialog>,
  router: Router,
): Command[] => [
  {
    id: 'split-part',
    words: part ? `Split ${part.name} into parts …` : 'Split the part into parts …',
    unavailable: splitLack(part),
    // The screen of the parts knows how; it is not loaded before.
    run: () => void router.push({ name: 'parts', query: { split: 'yes' } }),
  },
  {
    id: 'twin-part',
    words: part ? `Make the twin of ${part.name}` : 'Make the twin of the part',
    unavailable: twinLack(part),
    run: () => part && void edits.addTwin(part),
  },
  {
    id: 'swap-everywhere',
    words: part ? `Swap ${part.name} everywhere …` : 'Swap the part everywhere …',
    unavailable: part ? undefined : NONE,
    run: () => {
      if (!part) return
      swap.open('everywhere', part.id)
      void router.push({ name: 'arrange' })
    },
  },
]

function splitLack(part: Part | undefined): string | undefined {
  if (!part) return NONE
  return part.shape.kind === 'mesh' ? undefined : 'Only a part that came from a file can be split. Pick such a part.'
}

function twinLack(part: Part | undefined): string | undefined {
  if (!part) return NONE
  const { kind } = part.shape
  return kind === 'twin' || kind === 'light' || kind === 'placeholder'
    ? 'A twin, a light or a placeholder has no twin. Pick another part.'
    : undefined
}
