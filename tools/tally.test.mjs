import { describe, expect, it } from 'vitest'
import { playwrightCounts, vitestCounts } from './tally.mjs'

describe('counting what the runners report', () => {
  it('counts a file that could not be loaded as a failure', () => {
    const broken = { status: 'failed', assertionResults: [] }
    const fine = { status: 'passed', assertionResults: [{}] }
    expect(
      vitestCounts({
        numPassedTests: 7,
        numFailedTests: 1,
        numPendingTests: 2,
        numTodoTests: 0,
        testResults: [broken, fine],
      }),
    ).toEqual({ passed: 7, failed: 2, skipped: 2 })
  })

  it('counts a flaky test as failed', () => {
    expect(playwrightCounts({ stats: { expected: 5, unexpected: 1, flaky: 1, skipped: 3 } })).toEqual({
      passed: 5,
      failed: 2,
      skipped: 3,
    })
    expect(playwrightCounts({ stats: { expected: 0, unexpected: 0, flaky: 0, skipped: 0 }, errors: [{}] }).failed).toBe(
      1,
    )
  })
})
