import type { useLinkEdits } from '../links/linkEdits'
import type { usePickEdits } from '../picking/pickEdits'
import type { useSelection } from '../stores/selection'
import type { Command } from './commands'

/** Commands on which copies are picked, and on those that are. */
export function pickCommands(
  selection: ReturnType<typeof useSelection>,
  picks: ReturnType<typeof usePickEdits>,
  links: ReturnType<typeof useLinkEdits>,
  needPattern: string | undefined,
): Command[] {
  const { pattern, count } = selection
  function pickSamePart(): void {
    for (const [i, id] of links.partsOfPicks().entries()) {
      const thing = links.things().findIndex((t) => t.id === id)
      picks.take(picks.found([{ joint: 'and', pick: { kind: 'part', thing } }], undefined), i === 0 ? 'only' : 'add')
    }
  }
  return [
    {
      id: 'unlink',
      words: 'Unlink the picked copies',
      unavailable: count === 0 ? 'Pick copies first.' : undefined,
      run: () => links.unlinkPicks(),
    },
    { id: 'invert', words: 'Invert what is picked', unavailable: needPattern, run: () => picks.invert() },
    {
      id: 'pick-all',
      words: 'Pick all copies of the pattern',
      keys: 'Ctrl A',
      unavailable: needPattern,
      run: () => pattern && picks.take(picks.found([{ joint: 'and', pick: { kind: 'all' } }], pattern.id), 'only'),
    },
    {
      id: 'pick-none',
      words: 'Pick no copy',
      unavailable: count === 0 ? 'No copy is picked.' : undefined,
      run: () => picks.none(),
    },
    {
      id: 'pick-part',
      words: 'Pick all copies of the same part',
      unavailable: count === 0 ? 'Pick a copy first.' : undefined,
      run: () => pickSamePart(),
    },
    {
      id: 'save-picks',
      words: 'Save the selection',
      unavailable: count === 0 ? 'Pick copies first.' : undefined,
      run: () => picks.save(),
    },
  ]
}
