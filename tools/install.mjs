import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's folder. */
export const root = fileURLToPath(new URL('..', import.meta.url))

const [major, minor] = process.versions.node.split('.').map(Number)
export const nodeIsOldEnough = major > 20 || (major === 20 && minor >= 19)

/** Runs a command in the project's folder and shows what it prints. */
export function run(command, args, env = {}) {
  execFileSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
}

/** Installs the packages unless what is there was made from the present lock file. */
export function installPackages() {
  if (!nodeIsOldEnough) throw new Error(`Node ${process.versions.node} is too old: install Node 20.19 or newer.`)
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const mark = join(root, 'node_modules', '.made-from')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  console.log('Installing packages…')
  run('npm', ['ci', '--no-audit', '--no-fund'])
  writeFileSync(mark, lock)
}
