import type { z } from 'zod'

type Issue = z.core.$ZodIssue

/** The lists of a document, and what one of the things in them is called where it has no name. */
const lists: Readonly<Record<string, string>> = {
  parts: 'part',
  patterns: 'pattern',
  grounds: 'ground',
  plans: 'plan',
  groups: 'group',
  sets: 'saved selection',
  measures: 'kept distance',
  views: 'saved view',
}

/**
 * What a document says that cannot be, as a person would find it: "the spacing of Shelf tins is no number".
 *
 * @param doc the document as it came in
 */
export function misread(doc: Readonly<Record<string, unknown>>, { path, code, ...issue }: Issue): string {
  const [list, number] = path
  const kind = lists[String(list)]
  const thing: unknown =
    kind && Array.isArray(doc[String(list)]) ? (doc[String(list)] as unknown[])[Number(number)] : undefined
  const named = (thing as { name?: unknown } | null | undefined)?.name
  const owner =
    typeof named === 'string' && named !== ''
      ? named.slice(0, 80)
      : kind && typeof number === 'number'
        ? `${kind} ${number + 1}`
        : undefined
  const inside = owner === undefined ? path : path.slice(2)
  const field = inside.findLast((key): key is string => typeof key === 'string')
  const words = field?.replaceAll(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
  const fault = faults(code, issue)
  if (owner === undefined) return words === undefined ? `it ${fault}` : `its ${words} ${fault}`
  return words === undefined ? `${owner} ${fault}` : `the ${words} of ${owner} ${fault}`
}

/** Whether what has a length or a size is a list or the like. */
const many = (origin: unknown): boolean => origin === 'array' || origin === 'set' || origin === 'map'

function faults(code: Issue['code'], issue: object): string {
  const expected = 'expected' in issue ? issue.expected : undefined
  if (code === 'invalid_type' && (expected === 'number' || expected === 'int')) return 'is no number'
  if (code === 'invalid_type' && expected === 'string') return 'is no text'
  const origin = 'origin' in issue ? issue.origin : undefined
  if (code === 'too_small')
    return origin === 'string' ? 'is empty' : many(origin) ? 'has too few' : 'is less than it can be'
  if (code === 'too_big')
    return origin === 'string' ? 'is longer than it can be' : many(origin) ? 'has too many' : 'is more than it can be'
  if (code === 'invalid_value' || code === 'invalid_union') return 'is nothing that is known here'
  return 'is not what it can be'
}
