import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { findChromium, findTestFiles } from './chromium.mjs'
import { installPackages, root } from './install.mjs'
import { playwrightCounts, vitestCounts } from './tally.mjs'

/** Everything that must hold: types, lint, unit and server tests, the build, and the interface in a real browser. */
const scratch = mkdtempSync(join(tmpdir(), 'hilera-tests-'))
let failedSteps = 0

function step(title, command, args, env = {}) {
  console.log(`\n== ${title}`)
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (status !== 0) {
    failedSteps++
    console.error(`${title}: failed`)
  }
  return status === 0
}

/** What a runner counted, or one failure where it wrote no report. */
function counts(file, read) {
  try {
    return read(JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    return { passed: 0, failed: 1, skipped: 0, names: [] }
  }
}

try {
  installPackages()
  const chromium = findChromium()
  findTestFiles()
  const unitReport = join(scratch, 'unit.json')
  const browserReport = join(scratch, 'browser.json')
  step('Types', 'npm', ['run', '--silent', 'typecheck'])
  step('Lint', 'npm', ['run', '--silent', 'lint'])
  step('Unit and server tests', 'npx', [
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${unitReport}`,
  ])
  const built = step('Build', 'npm', ['run', '--silent', 'build'])
  if (built)
    step('Browser tests', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
      CHROMIUM_PATH: chromium,
      HILERA_BROWSER_REPORT: browserReport,
    })
  const tallies = [counts(unitReport, vitestCounts), counts(browserReport, playwrightCounts)]
  const sum = (key) => tallies.reduce((n, t) => n + t[key], 0)
  // A step that failed without a failing test (types, lint, build) counts as one failure.
  const failed = Math.max(sum('failed'), failedSteps)
  // Said once more where whoever reads only the end finds it.
  for (const name of tallies.flatMap((t) => t.names))
    console.log(`\nfailed: ${name.split('\n').slice(0, 40).join('\n')}`)
  console.log(`\n${sum('passed')} passed, ${failed} failed${sum('skipped') ? `, ${sum('skipped')} skipped` : ''}`)
  process.exitCode = failed > 0 ? 1 : 0
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
} finally {
  rmSync(scratch, { recursive: true, force: true })
}
