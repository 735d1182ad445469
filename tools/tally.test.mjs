import { describe, expect, it } from 'vitest'
import { playwrightCounts, vitestCounts } from './tally.mjs'

describe('counting what the runners report', () => {
  it('counts a file that could not be loaded as a failure', () => {
    const broken = { name: 'a.test.ts', message: 'no such file', status: 'failed', assertionResults: [] }
    const failing = { status: 'failed', fullName: 'lines hold a gap', failureMessages: ['19 is not 20'] }
    const fine = { status: 'failed', assertionResults: [{ status: 'passed' }, failing] }
    expect(
      vitestCounts({
        numPassedTests: 7,
        numFailedTests: 1,
        numPendingTests: 2,
        numTodoTests: 0,
        testResults: [broken, fine],
      }),
    ).toEqual({
      passed: 7,
      failed: 2,
      skipped: 2,
      names: ['a.test.ts: no such file', 'lines hold a gap: 19 is not 20'],
    })
  })

  it('says that a test ran out of time where its report does not', () => {
    const hung = { status: 'failed', fullName: 'fills', failureMessages: ['Error: STACK_TRACE_ERROR\n  at task'] }
    const counts = { numPassedTests: 0, numFailedTests: 1, numPendingTests: 0, numTodoTests: 0 }
    expect(vitestCounts({ ...counts, testResults: [{ assertionResults: [hung] }] }).names).toEqual([
      'fills: it ran out of time',
    ])
  })

  it('counts a flaky test as failed', () => {
    const noted = { contentType: 'text/plain', body: Buffer.from('404: /a').toString('base64') }
    const result = { error: { message: 'no such field' }, attachments: [noted, { contentType: 'image/png' }] }
    const lost = { ok: false, title: 'a gap is held', tests: [{ results: [result] }] }
    expect(
      playwrightCounts({
        stats: { expected: 5, unexpected: 1, flaky: 1, skipped: 3 },
        suites: [{ suites: [{ specs: [lost] }] }],
      }),
    ).toEqual({
      passed: 5,
      failed: 2,
      skipped: 3,
      names: ['a gap is held: no such field\n404: /a'],
    })
    expect(playwrightCounts({ stats: { expected: 0, unexpected: 0, flaky: 0, skipped: 0 }, errors: [{}] }).failed).toBe(
      1,
    )
  })
})
