import { emptyProject } from '@hilera/core/model/project'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'

/** What the worker was asked for strips, to be answered by hand. */
const strips: { readonly id: string; readonly answer: () => void }[] = []
const remote = {
  load: () => Promise.resolve({ patterns: [], problems: [], milliseconds: 1, packing: 0, times: [] }),
  apply: () => Promise.resolve({ patterns: [], problems: [], milliseconds: 1, packing: 0, times: [] }),
  crowd: () => Promise.resolve(undefined),
  strip: (id: string) =>
    new Promise((resolve) =>
      strips.push({ id, answer: () => resolve({ strip: { as: 'nearest', distances: [] }, facts: [] }) }),
    ),
}
vi.mock('../worker/client', () => ({
  WorkerEnded: class extends Error {},
  WorkerClient: class {
    isRunning = true
    ask = (question: (to: typeof remote) => Promise<unknown>): Promise<unknown> => question(remote)
  },
}))
const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

beforeEach(() => {
  setActivePinia(createPinia())
  strips.length = 0
})

it('the strip of a pattern that is watched while that of another one is read is read next', async () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  void outcomes.watchStrip('old')
  document.open('project', emptyProject('Any'))
  await soon()
  for (const { answer } of strips.splice(0)) answer()
  await soon()
  expect(outcomes.strip?.id).toBe('old')

  document.change('make another', (project) => void (project.name = 'Other'))
  await soon()
  expect(strips.map(({ id }) => id)).toEqual(['old'])
  // As when what a command made is picked as soon as it is taken.
  void outcomes.watchStrip('new')
  for (const { answer } of strips.splice(0)) answer()
  await soon()
  expect(strips.map(({ id }) => id)).toEqual(['new'])
  for (const { answer } of strips.splice(0)) answer()
  await soon()
  expect(outcomes.strip?.id).toBe('new')
  expect(outcomes.settled).toBe(true)
})
