/** What Vitest's JSON report counts. */
export const vitestCounts = (report) => ({
  passed: report.numPassedTests,
  // A file that could not be loaded holds no tests, but it is a failure.
  failed:
    report.numFailedTests +
    report.testResults.filter((file) => file.status === 'failed' && file.assertionResults.length === 0).length,
  skipped: report.numPendingTests + report.numTodoTests,
})

/** What Playwright's JSON report counts; a test that passed on a second try counts as failed. */
export const playwrightCounts = ({ stats, errors = [] }) => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky + errors.length,
  skipped: stats.skipped,
})
