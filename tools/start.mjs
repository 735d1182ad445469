import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { installPackages, root, run } from './install.mjs'

/** Installs what is missing, builds what has changed, and starts the server with the demo. */
try {
  installPackages()
  const built = join(root, 'web', 'dist', 'index.html')
  const server = join(root, 'server', 'dist', 'main.js')
  const age = Math.min(...[built, server].map((file) => (existsSync(file) ? statSync(file).mtimeMs : 0)))
  if (newest(['core/src', 'demo/src', 'server/src', 'web/src', 'web/index.html', 'package-lock.json']) > age) {
    console.log('Building…')
    run('npm', ['run', 'build', '--silent'])
  }
  process.chdir(root)
  await import(server)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
}

/** When the newest of some files and folders was changed, in milliseconds. */
function newest(paths) {
  return Math.max(
    ...paths.map((path) => {
      const full = join(root, path)
      const stat = statSync(full)
      return stat.isDirectory() ? Math.max(0, newest(readdirSync(full).map((name) => join(path, name)))) : stat.mtimeMs
    }),
  )
}
