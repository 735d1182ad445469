import fc from 'fast-check'
import { describe, it } from 'vitest'
import { laws, worked } from './laws'
import { anyProject } from './projects'

/** So many projects each; `npm run laws` tries more of them. */
const RUNS = Number(process.env.HILERA_LAWS ?? 200)

describe('laws of whole projects', () => {
  it.each(laws)('$words', { timeout: 60_000 + RUNS * 200 }, async ({ check }) => {
    await fc.assert(
      fc.asyncProperty(anyProject, async (doc) => check(doc, worked(doc))),
      // Filters make shrinking slow: the project that failed is told as it is.
      { numRuns: RUNS, endOnFailure: true },
    )
  })
})
