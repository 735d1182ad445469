import { describe, expect, it } from 'vitest'
import { layoutKinds } from '../src/layouts/index'
import { knowledge } from '../src/sentences/knowledge'
import { patternNumbers } from '../src/sentences/patternNumbers'
import { stepDefinitionOf, stepKinds } from '../src/steps/index'
import { aLine, aPattern, aProject, begun, box } from './projects'

/** The numbers that the sentences of a kind say as it begins, by how they are called there. */
function names(kind: string, pattern: ReturnType<typeof aPattern>, of: string): string {
  const project = aProject([box('tin', 0.1)], pattern)
  const numbers = patternNumbers(pattern, { knows: knowledge, project, unit: 'mm' }).filter((n) => n.of === of)
  return `${kind}: ${numbers.map(({ label, quantity }) => `${label} (${quantity})`).join(', ')}`
}

describe('the names of numbers', () => {
  it('are part of documents that change them in time: another name needs an upgrade of those', async () => {
    const layouts = layoutKinds.map((kind) => {
      const layout = begun(kind)
      return names(kind, aPattern(layout, ['tin']), 'layout')
    })
    const steps = stepKinds.map((kind) => {
      const step = stepDefinitionOf({ kind }).begin('step')
      return names(kind, aPattern(aLine(), ['tin'], { steps: [step] }), 'step')
    })
    const place = names('place', aPattern(aLine(), ['tin']), 'place')
    const all = [...layouts, ...steps, place].join('\n')
    await expect(`${all}\n`).toMatchFileSnapshot('./fixtures/number-names.txt')
  })

  it('tell the numbers of one sentence apart', () => {
    for (const kind of layoutKinds) {
      const layout = begun(kind)
      const pattern = aPattern(layout, ['tin'])
      const numbers = patternNumbers(pattern, {
        knows: knowledge,
        project: aProject([box('tin', 0.1)], pattern),
        unit: 'mm',
      })
      const keys = numbers.map(({ of, label }) => `${of} ${label}`)
      expect([kind, keys.filter((key, i) => keys.indexOf(key) !== i)]).toEqual([kind, []])
    }
  })
})
