import { Evaluator } from '@hilera/core/evaluate'
import type { Project } from '@hilera/core/model/project'
import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { cards } from './cards'
import { casaNispero } from './casaNispero'
import { terrace } from './terrace'

const copiesIn = (project: Project): number =>
  new Evaluator()
    .evaluate(project, new Map())
    .reduce((n, { copies }, i) => n + (project.patterns[i].hidden ? 0 : copies.presentCount()), 0)

it('has cards that tell as many copies as stand there', async () => {
  expect(copiesIn(casaNispero())).toBe(cards.casaNispero.copies)
  expect(copiesIn((await terrace()).project)).toBe(cards.terrace.copies)
})

it('has a picture of each, as a browser draws it', () => {
  for (const { picture } of Object.values(cards)) {
    const bytes = readFileSync(new URL(`../cards/${picture}`, import.meta.url))
    expect(bytes.subarray(1, 4).toString()).toBe('PNG')
    expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([420, 262])
  }
})
