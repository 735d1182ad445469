import { changes, compareCopies } from '@hilera/core/compare/copies'
import { compareTexts } from '@hilera/core/compare/texts'
import { Evaluator } from '@hilera/core/evaluate'
import { formatAngle, formatLength, formatNumber } from '@hilera/core/numbers/format'
import { read, Refused } from './arguments'
import { openProject } from './openProject'

export const compareUsage = `  hilera compare A.hilera B.hilera [--json]
    Says what differs from A to B: sentences word by word, and copies that were added, moved, turned, sized,
    swapped, coloured or removed. The exit code is 0 where nothing does, 1 where something does.`

/** What differs between two projects, and 1 as the exit code where something does. */
export async function compare(args: string[]): Promise<{ text: string; code: number }> {
  const { values, positionals } = read({ args, allowPositionals: true, options: { json: { type: 'boolean' } } })
  const [from, to, ...more] = positionals
  if (!from || !to || more.length > 0) throw new Refused('Give two projects: hilera compare A.hilera B.hilera')
  const [a, b] = [await state(from), await state(to)]
  const copies = compareCopies(a, b)
  const texts = compareTexts(a, b)
  const differs = texts.length > 0 || changes.some((change) => copies.changed[change].count > 0)
  const code = differs ? 1 : 0
  if (values.json) {
    const changed = Object.fromEntries(
      changes.map((change) => {
        const { slots, ...told } = copies.changed[change]
        return [change, { ...told, slots: Object.fromEntries(slots) }]
      }),
    )
    return { text: JSON.stringify({ differs, changed, unchanged: copies.unchanged, texts }), code }
  }
  const { unit } = b.project
  const nameOf = (id: string): string => [...b.project.patterns, ...a.project.patterns].find((p) => p.id === id)!.name
  const lines = [
    ...texts.map(
      ({ name, pieces }) =>
        `${name}: ${pieces
          .map(({ text, in: where }) => (where === 'both' ? text : where === 'first' ? `[-${text}-]` : `{+${text}+}`))
          .join('')}`,
    ),
    ...changes.flatMap((change) => {
      const { count, most, where } = copies.changed[change]
      if (count === 0) return []
      const much =
        most === undefined
          ? ''
          : change === 'moved'
            ? `, by ${formatLength(most, unit)} at the most`
            : change === 'turned'
              ? `, by ${formatAngle(most)} at the most`
              : `, to ${formatNumber(most * 100, 1)} %`
      return [`${change} ${count}${much}${where ? ` (${nameOf(where.pattern)} ${where.number})` : ''}`]
    }),
    `unchanged ${copies.unchanged}`,
  ]
  return { text: lines.join('\n').replaceAll('\u202f', ' '), code }
}

async function state(path: string) {
  const { project, meshes } = await openProject(path)
  return { project, outcomes: new Evaluator().evaluate(project, meshes) }
}
