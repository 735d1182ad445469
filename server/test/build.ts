import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { build } from 'vite'

const root = fileURLToPath(new URL('..', import.meta.url))
const outDir = 'test-build'

/**
 * The server as one file, for tests that start it as a process. From its sources each start would compile them all anew in two threads,
 * which takes 4 s alone on a machine, and 1.6 s this way.
 */
export default async function setup(): Promise<() => void> {
  await build({ root, logLevel: 'error', build: { outDir } })
  return () => rmSync(`${root}${outDir}`, { recursive: true, force: true })
}
