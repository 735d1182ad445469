import { Evaluator } from '@hilera/core/evaluate'
import { readProject } from '@hilera/core/model/project'
import { factsText } from '@hilera/core/numbers/format'
import { expect, it } from 'vitest'
import { terrace } from './terrace'

it('the terrace is a valid project; its stools stand on the deck and the slope, its boats on the wave, its lamps on the ground', async () => {
  const { project } = await terrace()
  const read = readProject(JSON.parse(JSON.stringify(project)))
  expect(read.ok && read.value).toEqual(project)
  const [stools, boats, lamps] = new Evaluator().evaluate(project, new Map())
  expect(
    [stools, boats, lamps].map((o) => [o.problem, o.table.presentCount(), Object.values(o.astray).flat()]),
  ).toEqual([
    [undefined, 16, []],
    [undefined, 24, []],
    [undefined, 8, []],
  ])
  expect(factsText(stools.stepFacts['stools-settle'], 'mm')).toMatch(
    /^\d+ on Deck · \d+ on Slope · .* up · steepest [\d.]+°/,
  )
  const on = (id: string): number => stools.table.position[3 * stools.table.rowOf(id) + 1]
  // The sixteenth stands on the slope: 340 mm over 4 m, at 0.86 m in front of its middle.
  expect(on('f')).toBeCloseTo(0.34 * (0.5 - 0.86 / 4), 2)
  // The first stands on the deck.
  expect(on('0')).toBeCloseTo(0.36, 6)
})
