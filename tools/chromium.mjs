import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const PACKAGES = ['chromium', 'libegl1', 'libgl1-mesa-dri']

/** The path of Debian's Chromium, installed when it is missing and we may; otherwise an error that says what to install. */
export function findChromium() {
  const path = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium'
  if (existsSync(path)) return path
  const command = `apt-get install -y --no-install-recommends ${PACKAGES.join(' ')}`
  const canInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get') && !process.env.CHROMIUM_PATH
  if (!canInstall) {
    throw new Error(
      `Chromium is not at ${path}. Install it with “sudo ${command}”, or set CHROMIUM_PATH to where it is.`,
    )
  }
  console.log('Installing Chromium…')
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'] }
  execFileSync('apt-get', ['update', '-qq'], quiet)
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...PACKAGES], quiet)
  return path
}
