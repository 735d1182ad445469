/** What Vitest's JSON report counts, and which failed, with why. */
export const vitestCounts = (report) => ({
  passed: report.numPassedTests,
  // A file that could not be loaded holds no tests, but it is a failure.
  failed:
    report.numFailedTests +
    report.testResults.filter((file) => file.status === 'failed' && file.assertionResults.length === 0).length,
  skipped: report.numPendingTests + report.numTodoTests,
  names: report.testResults.flatMap((file) => [
    ...(file.status === 'failed' && file.assertionResults.length === 0 ? [`${file.name}: ${file.message}`] : []),
    ...file.assertionResults
      .filter(({ status }) => status === 'failed')
      // A test that ran out of its time has no message of its own in the report.
      .map(
        ({ fullName, failureMessages: [why] }) =>
          `${fullName}: ${/STACK_TRACE_ERROR/.test(why) ? 'it ran out of time' : why}`,
      ),
  ]),
})

/** The tests of a Playwright suite and of the suites inside it. */
const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)]

/** What a failed test noted of the page. */
const toldBy = (result) =>
  (result?.attachments ?? [])
    .filter(({ contentType, body }) => contentType === 'text/plain' && body)
    .map(({ body }) => `\n${Buffer.from(body, 'base64').toString('utf8')}`)
    .join('')

/** What Playwright's JSON report counts; a test that passed on a second try counts as failed. */
export const playwrightCounts = ({ stats, errors = [], suites = [] }) => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky + errors.length,
  skipped: stats.skipped,
  names: [
    ...errors.map(({ message }) => message),
    ...suites
      .flatMap(specs)
      .filter(({ ok }) => !ok)
      .map(({ title, tests }) => `${title}: ${tests[0]?.results[0]?.error?.message}${toldBy(tests[0]?.results[0])}`),
  ],
})
