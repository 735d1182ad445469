import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** As build.ts leaves it. */
const BUILT = 'server/test-build/main.js'

/** The server as a process of its own, on a free port. */
export function spawned(env: Readonly<Record<string, string>>): ChildProcess & { says(): string } {
  const child = spawn(process.execPath, [BUILT], {
    cwd: root,
    env: { ...process.env, HILERA_PORT: '0', HILERA_LOG: 'silent', HILERA_WEB: join(root, 'nowhere'), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let says = ''
  child.stderr.on('data', (data: Buffer) => (says += data.toString()))
  return Object.assign(child, { says: () => says.trim() })
}

/**
 * Starts it and waits until it says its address.
 *
 * @throws with what it said, where it ends before that
 */
export async function start(env: Readonly<Record<string, string>>) {
  const child = spawned(env)
  const ended = once(child, 'close').then(([code]) => {
    throw new Error(`The server ended with ${String(code)} before it was ready: ${child.says()}`)
  })
  const [line] = (await Promise.race([once(child.stdout!, 'data'), ended])) as [Buffer]
  ended.catch(() => {})
  return { address: /https?:\S+\w/.exec(line.toString())![0], child }
}
