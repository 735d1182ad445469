import { expect, it } from 'vitest'
import { hostile } from './run'

/** Files that are damaged or made to harm, 600 of them: each gets its answer, in time, and what is read is whole. */
it('answers every hostile file with a sentence or a thing that is whole', { timeout: 600_000 }, async () => {
  const tallies = [...(await hostile(600)).values()]
  // How long and how large says as much of the machine as of the code: `npm run hostile` tells that.
  expect(tallies.flatMap(({ faults }) => faults).filter((fault) => !/: (took|held) /.test(fault))).toEqual([])
  expect(tallies.reduce((n, { tried }) => n + tried, 0)).toBe(600)
  for (const { tried, refused, read } of tallies) expect(refused + read).toBe(tried)
})
