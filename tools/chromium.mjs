import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const CHROMIUM = '/usr/bin/chromium'
const PACKAGES = ['chromium', 'libegl1', 'libgl1-mesa-dri']
/** Files and programs by other hands that the tests read with, by the packages that bring them. */
const FILES = {
  '/usr/bin/ffprobe': 'ffmpeg',
  '/usr/share/assimp/models': 'assimp-testmodels',
  '/usr/share/glmark2/models/bunny.obj': 'glmark2-data',
  '/usr/libexec/installed-tests/RSVG/fixtures/reftests/svg1.1': 'librsvg2-tests',
}

const mayInstall = () => process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')
const commandFor = (packages) => `apt-get install -y --no-install-recommends ${packages.join(' ')}`

function install(packages) {
  console.log(`Installing ${packages.join(', ')}…`)
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'] }
  execFileSync('apt-get', ['update', '-qq'], quiet)
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], quiet)
}

/** The path of Debian's Chromium, installed when it is missing and we may; otherwise an error that says what to install. */
export function findChromium() {
  const path = process.env.CHROMIUM_PATH ?? CHROMIUM
  if (existsSync(path)) return path
  if (!mayInstall() || process.env.CHROMIUM_PATH) {
    throw new Error(
      `Chromium is not at ${path}. Install it with “sudo ${commandFor(PACKAGES)}”, or set CHROMIUM_PATH to where it is.`,
    )
  }
  install(PACKAGES)
  return path
}

/** Brings the test files in where we may; without them the tests that read them are skipped, and said to be. */
export function findTestFiles() {
  const missing = Object.entries(FILES).flatMap(([path, name]) => (existsSync(path) ? [] : [name]))
  if (missing.length === 0) return
  if (!mayInstall()) {
    console.log(`Some tests are skipped without ${missing.join(', ')}: “sudo ${commandFor(missing)}” brings them.`)
    return
  }
  try {
    install(missing)
  } catch {
    console.log(`${missing.join(', ')} could not be installed: the tests that read them are skipped.`)
  }
}
