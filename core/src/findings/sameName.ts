import { plural } from '../words'
import type { FindingDefinition } from './definition'

/** Patterns, or parts, of one name: sentences, texts and files call both by it. Capitals do not tell them apart. */
export const sameName: FindingDefinition = {
  weight: -4,
  find: ({ project }) =>
    [project.patterns, project.parts].flatMap((list) => {
      const seen = new Map<string, string>()
      const again = new Map<string, string[]>()
      for (const { id, name } of list) {
        const key = name.toLowerCase()
        const first = seen.get(key)
        if (first === undefined) seen.set(key, id)
        else again.set(first, [...(again.get(first) ?? []), id])
      }
      return [...again].map(([first, others]) => ({
        [list === project.patterns ? 'pattern' : 'part']: first,
        things: others,
        count: others.length + 1,
        worst: 0,
        rows: [],
      }))
    }),
  says: ({ count, pattern, part }, nameOf) => [
    { count },
    ` ${pattern === undefined ? plural(count, 'part is', 'parts are') : plural(count, 'pattern is', 'patterns are')} called “${nameOf(pattern ?? part ?? '')}”.`,
  ],
  fixes: [{ by: 'rename', words: 'Number them' }],
}
