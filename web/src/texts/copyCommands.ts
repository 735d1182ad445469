import type { Pattern } from '@hilera/core/model/pattern'
import type { Command } from '../commands/commands'
import type { useCopyText } from './copyText'

/** What can be copied as text: the pattern, what is picked, everything; with the reason where there is nothing. */
export const copyCommands = (
  texts: ReturnType<typeof useCopyText>,
  patterns: readonly Pattern[],
  pattern: Pattern | undefined,
): Command[] => [
  {
    id: 'copy-text',
    words: 'Copy the pattern as text',
    unavailable: pattern ? undefined : 'Pick a pattern first.',
    run: () => pattern && void texts.copy([pattern.id]),
  },
  {
    id: 'copy-text-picked',
    words: 'Copy the picked patterns, as text and for another project',
    keys: 'Ctrl C',
    unavailable: texts.picked().length > 0 ? undefined : 'Pick a pattern or some copies first.',
    run: () => void texts.copy(texts.picked()),
  },
  {
    id: 'copy-text-all',
    words: 'Copy the arrangement as text',
    unavailable: patterns.length > 0 ? undefined : 'There is no pattern yet.',
    run: () => void texts.copy(patterns.map((p) => p.id)),
  },
]
