import { axes } from '@hilera/core/values/values'
import type { useOwnAxes } from '../stage/ownAxes'
import { mainViews, worldViews } from '../stage/views'
import { type Inking, inkings, type useView } from '../stores/view'
import type { Command } from './commands'

const inkingWords: Readonly<Record<Inking, string>> = {
  inked: 'Draw with ink edges',
  plain: 'Draw plain, without edges',
  ink: 'Draw as ink alone',
}

/** Commands on how the stage is looked at and drawn. */
export function viewCommands(
  view: ReturnType<typeof useView>,
  ownAxes: ReturnType<typeof useOwnAxes>,
  needPattern: string | undefined,
): Command[] {
  return [
    ...worldViews.map((name, i) => ({
      id: `view-${name}`,
      words: `View: ${name}`,
      keys: mainViews.includes(name) ? String(i + 1) : undefined,
      run: () => void (view.view = name),
    })),
    ...axes.map((axis, i) => ({
      id: `view-own-${axis}`,
      words: `View along its own ${axis}`,
      unavailable: ownAxes.directions.value ? undefined : 'Pick something first.',
      run: () => ownAxes.look(i),
    })),
    {
      id: 'view-four',
      words: view.four ? 'View: one alone' : 'View: four at once',
      run: () => void (view.four = !view.four),
    },
    ...inkings.map((inking) => ({
      id: `draw-${inking}`,
      words: inkingWords[inking],
      run: () => void (view.inking = inking),
    })),
    {
      id: 'frame',
      words: 'Where is it: frame the selection',
      keys: 'W',
      unavailable: needPattern,
      run: () => view.frame('selection'),
    },
    { id: 'frame-all', words: 'Frame everything', keys: 'Shift W', run: () => view.frame('everything') },
  ]
}
