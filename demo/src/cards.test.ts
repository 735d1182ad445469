import { Evaluator } from '@hilera/core/evaluate'
import type { Project } from '@hilera/core/model/project'
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
