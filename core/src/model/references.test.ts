import { casaNispero } from '@hilera/demo/casaNispero'
import { describe, expect, it } from 'vitest'
import { type Mark, markOf } from '../values/marks'
import { defOf, innerSchemas } from '../values/walk'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { plainReflection } from '../values/reflection'
import { companion } from '../layouts/companion/index'
import { filesOfProject, keepersOf, patternsNamed, referencesOf, removed, restsOn, withParts } from './references'
import { type Pattern } from './pattern'
import { project, readProject } from './project'

/** Texts of the document that name nothing in it, where they stand. */
const TEXTS = [
  'name',
  // A word in the names of variants.
  'called',
  'look.color',
  'notes',
  'fileName',
  'mime',
  'point',
  'text',
  'font',
  'slot',
  'touchUps.{key}',
  'baseline.copies.{key}',
  'copies.{}.[]',
  'colors.[]',
  'color',
  'colors.from',
  'colors.to',
  'tint',
  // A sentence of the same pattern, a step by its id, and how the number is called there: it is let go with the step.
  'motion.[].of',
  'motion.[].value',
  // The name of what was looked for.
  'ignored.[].what',
  // What the part was called when its edges were taken.
  'from.part',
]

/** Every text in a schema with its mark and the way there. */
function textsIn(schema: Parameters<typeof innerSchemas>[0]): Map<string, Mark | undefined> {
  const found = new Map<string, Mark | undefined>()
  const into = (at: typeof schema, path: string): void => {
    if (defOf(at).type === 'string') found.set(path, markOf(at))
    for (const [step, inner] of innerSchemas(at))
      into(inner, step === '' || step.startsWith('|') ? path : `${path}.${step}`)
  }
  into(schema, '')
  return found
}

describe('the ids of the schema', () => {
  it('each say what they name: a text of the document is an id, a file, or stated to be a mere text', () => {
    const texts = textsIn(project)
    const silent = [...texts].filter(([path, mark]) => !mark && !TEXTS.some((text) => path.endsWith(`.${text}`)))
    expect(silent.map(([path]) => path)).toEqual([])
    expect([...texts].filter(([, mark]) => mark?.says === 'ref').length).toBeGreaterThan(20)
  })
})

const mirrored = (id: string, ...of: string[]): Pattern =>
  aPattern({ kind: 'mirror', sources: of.map((id) => ({ kind: 'pattern', id })), ...plainReflection('across') }, [], {
    id,
    name: id,
  })

describe('what rests on what', () => {
  const row = (id: string, part = 'tin', change: Partial<Pattern> = {}): Pattern =>
    aPattern(aLine(), [part], { id, name: id, ...change })

  it('a deal on its only part, a companion on its host, a mirror on its only source', () => {
    expect(restsOn(row('a'), 'tin')).toBe(true)
    expect(restsOn(mirrored('m', 'a'), 'a')).toBe(true)
    expect(restsOn(mirrored('m', 'a', 'b'), 'a')).toBe(false)
    const cups = aPattern(companion.begin({ width: 0, height: 0, depth: 0, unit: 'mm', host: 'a' }), ['tin'], {
      id: 'cups',
      name: 'cups',
    })
    expect(restsOn(cups, 'a')).toBe(true)
    const doc = aProject([box('tin', 0.1)], row('a'), mirrored('m', 'a'), cups)
    expect(keepersOf(doc, 'a').map((k) => k.name)).toEqual(['m', 'cups'])
    expect(keepersOf(doc, 'tin').map((k) => k.name)).toEqual(['a', 'cups'])
    expect(keepersOf(doc, 'm')).toEqual([])
  })

  it('what can do without a thing goes on without it, whoever names it', () => {
    const doc = {
      ...aProject(
        [box('tin', 0.1), { ...box('jar', 0.2), variants: ['lid'] }, box('lid', 0.05)],
        row('a', 'jar', {
          fits: { lid: { move: [0, 1, 0] }, jar: { move: [0, 2, 0] } },
          plain: ['lid', 'jar'],
        }),
        row('b'),
      ),
      sets: [{ id: 'set-1', name: 'Left', copies: { a: ['0'], b: ['1'] } }],
    }
    const left = removed(doc, new Set(['lid']))
    expect(JSON.stringify(left)).not.toContain('"lid"')
    expect(left.patterns[0]).toMatchObject({ fits: { jar: { move: [0, 2, 0] } }, plain: ['jar'] })
    expect(left.parts[1]).not.toHaveProperty('variants.0')
    expect(readProject(structuredClone(left)).ok).toBe(true)
    const without = removed(doc, new Set(['a']))
    expect(without.sets[0].copies).toEqual({ b: ['1'] })
  })

  it('a part that was given to a copy by hand is in use there', () => {
    const doc = aProject([box('tin', 0.1), box('lid', 0.1)], row('a', 'tin', { touchUps: { '1': { part: 'lid' } } }))
    expect(keepersOf(doc, 'lid').map((k) => k.id)).toEqual(['a'])
  })

  it('what nothing can do without is not removed', () => {
    expect(() => removed(aProject([box('tin', 0.1)], row('a')), new Set(['tin']))).toThrow('rests on')
  })
})

describe('the walk over a pattern', () => {
  const demo = casaNispero()

  it('finds the ids that the text of the document holds', () => {
    const all = new Set([...demo.parts, ...demo.patterns].map(({ id }) => id))
    for (const pattern of demo.patterns) {
      const text = JSON.stringify(pattern).replaceAll('"sign":', '')
      const named = new Set(referencesOf(pattern).flatMap(({ id }) => (all.has(id) ? [id] : [])))
      // An id that stands in the text as a whole string, beside the pattern's own.
      const there = [...all].filter((id) => id !== pattern.id && text.includes(`"${id}"`))
      expect([...named].sort()).toEqual(there.sort())
    }
    expect(filesOfProject(demo).every(({ file }) => /^[0-9a-f]{64}$/.test(file))).toBe(true)
  })

  it('tells whose copies are needed from what only guides', () => {
    const front = demo.patterns.find((p) => p.id === 'counter-mirrored')!
    expect([...patternsNamed(front, 'copies')]).toEqual(['counter-front'])
  })

  it('renames parts wherever they are named, and nothing else', () => {
    for (const pattern of demo.patterns) {
      const now = withParts(pattern, (id) => `${id}-2`)
      const back = withParts(now, (id) => id.replace(/-2$/, ''))
      expect(back).toEqual(pattern)
      expect(withParts(pattern, (id) => id)).toBe(pattern)
    }
  })
})
