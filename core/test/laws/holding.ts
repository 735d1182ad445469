import fc from 'fast-check'
import { describe, it } from 'vitest'
import { type Law, worked } from './laws'
import { anyProject } from './projects'

/** So many projects each; `npm run laws` tries more of them. */
const RUNS = Number(process.env.HILERA_LAWS ?? 200)

/**
 * Tries laws over whole projects. They are told apart into two files, which two workers try beside each other.
 *
 * Reading texts, the slowest law, takes 0.2 s a project on an idle machine and twice as long beside others. The limit is for what hangs.
 */
export function hold(laws: readonly Law[]): void {
  describe('laws of whole projects', () => {
    it.each(laws)('$words', { timeout: 120_000 + RUNS * 600 }, async ({ check }) => {
      await fc.assert(
        fc.asyncProperty(anyProject, async (doc) => check(doc, worked(doc))),
        // Filters make shrinking slow: the project that failed is told as it is.
        { numRuns: RUNS, endOnFailure: true },
      )
    })
  })
}
