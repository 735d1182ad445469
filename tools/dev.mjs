import { spawn } from 'node:child_process'
import { installPackages, root } from './install.mjs'

/** The server and Vite side by side, both reloading as files change. */
installPackages()
const children = [
  spawn('npx', ['tsx', 'watch', 'server/src/main.ts'], { cwd: root, stdio: 'inherit' }),
  spawn('npx', ['vite', 'web', '--config', 'web/vite.config.ts'], { cwd: root, stdio: 'inherit' }),
]
const stop = () => children.forEach((child) => child.kill())
for (const child of children) child.on('exit', stop)
process.on('SIGINT', stop)
