import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readProject, SCHEMA } from '../src/model/project'
import { evaluated } from './placed'
import { aFill } from './projects'

const fixture = (version: number): Record<string, unknown> =>
  JSON.parse(readFileSync(new URL(`./fixtures/project-${version}.json`, import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >
function opened(version: number) {
  const read = readProject(fixture(version))
  if (!read.ok) throw new Error(JSON.stringify(read.problem))
  return read.value
}

describe('documents of every version', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18])(
    'of version %i open, are of the present one, and stand as they stood',
    (version) => {
      const doc = opened(version)
      expect(doc.schema).toBe(SCHEMA)
      const { table, problem } = evaluated(doc)
      expect([problem, table.count, table.presentCount()]).toEqual([undefined, 5, 4])
      const places = Array.from({ length: 5 }, (_, k) => table.position[3 * k])
      for (let k = 1; k < 5; k++) expect(places[k] - places[0]).toBeCloseTo(0.12 * k, 9)
      // Read again, it is the same: nothing is upgraded twice.
      const again = readProject(structuredClone(doc))
      expect(again.ok && again.value).toEqual(doc)
    },
  )

  it('what cleared copies is a step, in its place; names of what is gone are let go', () => {
    const [three, four] = [opened(3), opened(4)]
    expect(three.patterns[0].steps.map((s) => s.kind)).toEqual(['grade', 'clear'])
    expect(JSON.stringify(three)).not.toMatch(/gone|set-9|group-9/)
    expect(three.sets).toEqual(four.sets)
    expect(three.patterns[0].steps).toEqual(four.patterns[0].steps)
  })

  it('an area of before goes by pivots, one of now by whole copies', () => {
    const margins = [5, 6].map((version) => {
      const old = fixture(version)
      const area = { ...aFill(), edge: undefined }
      const read = readProject({
        ...old,
        patterns: [{ ...[old.patterns].flat()[0]!, steps: [], touchUps: {}, layout: area }],
      })
      return read.ok && read.value.patterns[0].layout.kind === 'fill' ? read.value.patterns[0].layout.edge : 'refused'
    })
    expect(margins).toEqual(['pivots', undefined])
  })

  it('a newer one, or a kind that is not known, is refused with a sentence', () => {
    const says = (doc: unknown): string => {
      const read = readProject(doc)
      return read.ok ? '' : read.problem.says.join('')
    }
    expect(says({ ...fixture(SCHEMA), schema: SCHEMA + 1 })).toContain('Update Hilera to open it')
    const [pattern] = fixture(SCHEMA).patterns as Record<string, unknown>[]
    const spiral = { ...pattern, layout: { kind: 'maze' } }
    expect(says({ ...fixture(SCHEMA), patterns: [spiral] })).toBe(
      'Row is laid out as “maze”: this Hilera does not know that. Update Hilera to open it.',
    )
    expect(says({ ...fixture(SCHEMA), patterns: [{ ...pattern, steps: [{ kind: 'melt', id: 'm' }] }] })).toContain(
      '“melt”',
    )
  })
})
