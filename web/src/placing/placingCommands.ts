import { type Neutral, neutrals } from '@hilera/core/placing/neutral'
import { type ActKind, acts as definitions } from '@hilera/core/placing/registry'
import type { Command } from '../commands/commands'
import type { useActs } from './acts'
import type { Problem } from '@hilera/core/words'
import type { useBaseline } from './baseline'
import type { usePivotOnStage } from '../parts/pivotOnStage'
import type { usePicked } from './picked'
import { type Tool, tools as all, type useTools } from './tools'

const neutralWords: Readonly<Record<Neutral, string>> = {
  move: 'Back to neutral: where it is',
  turn: 'Back to neutral: its turn',
  size: 'Back to neutral: its size',
  all: 'Back to neutral: place, turn and size',
}
const toolWords: Readonly<Record<Tool, string>> = {
  move: 'Pins that move',
  turn: 'Pins that turn',
  size: 'Pins that size',
}

/** Commands on what is picked: acts, the mark, the pins, catching. */
export function placingCommands(
  acts: ReturnType<typeof useActs>,
  picked: ReturnType<typeof usePicked>,
  tools: ReturnType<typeof useTools>,
  baseline: ReturnType<typeof useBaseline>,
  pivot: ReturnType<typeof usePivotOnStage>,
  refuse: (problem: Problem) => void,
  neutral: (what: Neutral) => void,
): Command[] {
  const count = picked.things.length
  const need = (least: number): string | undefined =>
    count >= least
      ? undefined
      : least > 1
        ? 'Pick at least two things: click copies with Shift, or patterns in the list with Shift.'
        : 'Pick something first.'
  return [
    ...(Object.keys(definitions) as ActKind[]).map((kind) => ({
      id: `act-${kind}`,
      words: `${definitions[kind].words} what is picked`,
      unavailable: need(definitions[kind].needs),
      run: () => acts.begin(kind),
    })),
    { id: 'mark-next', words: 'Mark the next of what is picked', unavailable: need(2), run: () => picked.markNext() },
    ...all.map((tool) => ({
      id: `tool-${tool}`,
      words: toolWords[tool],
      run: () => {
        tools.tool = tool
        picked.takeHold()
      },
    })),
    ...neutrals.map((what) => ({
      id: `neutral-${what}`,
      words: neutralWords[what],
      unavailable: need(1),
      run: () => neutral(what),
    })),
    {
      id: 'baseline-take',
      words: 'Take the places of what is picked as baseline',
      unavailable: need(1),
      run: () => baseline.take(),
    },
    {
      id: 'baseline-back',
      words: 'Back to the baseline',
      unavailable: need(1) ?? (baseline.off ? undefined : 'No baseline was taken of what is picked.'),
      run: () => void baseline.goBack().then((problem) => problem && refuse(problem)),
    },
    {
      id: 'pivot-on-stage',
      words: 'Move the pivot of the picked copy’s part',
      unavailable: pivot.lack.value,
      run: () => void pivot.pick().then((problem) => problem && refuse(problem)),
    },
    {
      id: 'catch',
      words: tools.isCatching ? 'Catch nothing while dragging' : 'Catch while dragging',
      keys: 'X',
      run: () => void (tools.isCatching = !tools.isCatching),
    },
  ]
}
