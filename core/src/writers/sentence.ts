import { type Template, sentenceOf } from '../sentences/nodes'
import type { WriterOptions } from './definition'
import { writers } from './registry'

/** Which format is written, and how. */
export interface ExportWish {
  ending: string
  /** What is chosen now, the usual where nothing else was. */
  readonly options: WriterOptions
  /** What has been chosen otherwise than usual. */
  chosen: WriterOptions
}

const say = sentenceOf<ExportWish>()

/**
 * What goes out as which file; a new writer is offered by itself.
 *
 * @param matters the keys of the choices that make a difference to what there is to write
 */
export const exportSentence = (ending: string, matters: readonly string[]): Template<ExportWish> => [
  'Write ',
  say.said((_, { project }) => project.name),
  ' as ',
  ...(Object.keys(writers).length > 1
    ? [
        say.choice('ending', {
          label: 'Format',
          options: Object.values(writers).map((w) => ({ value: w.ending, words: w.words })),
        }),
      ]
    : [writers[ending].words]),
  ...writers[ending].choices
    .filter(({ key }) => matters.includes(key))
    .flatMap(({ key, before, label, values }, i) => [
      `${i === 0 ? ', ' : '; '}${before} `,
      say.choice(({ options }) => options[key] ?? '', {
        label,
        options: values,
        write: (wish, to) => void (wish.chosen = { ...wish.chosen, [key]: to }),
      }),
    ]),
  '.',
]
