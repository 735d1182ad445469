import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { casaNispero } from '@hilera/demo/casaNispero'
import { readProject, SCHEMA } from '../src/model/project'
import { sentenceText } from '../src/numbers/format'

type Path = readonly (string | number)[]

/** Every place in a document, one for each that is of one sort: of lists the first two entries. */
function placesIn(doc: unknown): Path[] {
  const found = new Map<string, Path>()
  const look = (value: unknown, path: Path, sort: string): void => {
    if (path.length > 0 && !found.has(sort)) found.set(sort, path)
    if (typeof value !== 'object' || value === null) return
    const own = 'kind' in value ? `${sort}(${String(value.kind)})` : sort
    const entries = Array.isArray(value) ? [...value.entries()].slice(0, 2) : Object.entries(value)
    for (const [key, inner] of entries) look(inner, [...path, key], `${own}.${typeof key === 'number' ? '#' : key}`)
  }
  look(doc, [], '')
  return [...found.values()]
}

function withAt(doc: object, path: Path, value: unknown): unknown {
  const copy = structuredClone(doc)
  const holder = path
    .slice(0, -1)
    .reduce<Record<string | number, unknown>>((at, key) => at[key] as never, copy as never)
  holder[path[path.length - 1]] = value
  return copy
}

const wrong: readonly unknown[] = [
  null,
  'x',
  '',
  -1,
  1e9,
  0.5,
  [],
  {},
  true,
  'A'.repeat(300),
  [null],
  { kind: 'nothing' },
]
/** As the validator would put it. */
const VALIDATORS = /invalid|expected|received|too (small|big)|unrecognized|regex|>=|<=|undefined|NaN|\bobject\b/i

const fixture = new URL(`./fixtures/project-${SCHEMA}.json`, import.meta.url)
it.each([
  ['the demo', casaNispero()],
  ['a document of everything', JSON.parse(readFileSync(fixture, 'utf8')) as object],
])('what cannot be in %s is refused in a person’s words, with whose it is', { timeout: 60_000 }, (_, doc) => {
  let refused = 0
  for (const path of placesIn(doc))
    for (const value of wrong) {
      const read = readProject(withAt(doc, path, value))
      if (read.ok) continue
      refused++
      const says = sentenceText(read.problem.says, 'mm')
      expect(says).not.toMatch(VALIDATORS)
      expect(says).toMatch(/^\p{Lu}.*\.$/u)
    }
  expect(refused).toBeGreaterThan(1000)
})
