import { existsSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import type { Patch } from '@hilera/core/model/patches'
import type { Result } from '@hilera/core/words'
import { type Start, type Written, appliedPatches, readStart } from './applied'
import type { Job } from './apply.worker'

/** Documents of more characters than this are checked in a thread of their own: everybody else would wait for a second. */
const LARGE = 1_000_000

/** Beside the server as it was built. */
const built = new URL('./apply.worker.js', import.meta.url)
/** Among its sources, which a thread has to be taught to read by itself. */
const fromSource = `import('tsx/esm/api').then((tsx) => (tsx.register(), import(${JSON.stringify(new URL('./apply.worker.ts', import.meta.url).href)})))`

const startThread = (): Worker => (existsSync(built) ? new Worker(built) : new Worker(fromSource, { eval: true }))

/** Has it done in a thread of its own. */
function inThread<T>(job: Job): Promise<T> {
  return new Promise((resolve, reject) => {
    const thread = startThread()
    thread.once('message', (answer: T) => {
      resolve(answer)
      void thread.terminate()
    })
    thread.once('error', reject)
    thread.postMessage(job)
  })
}

/** Applies patches to a stored document and checks it whole; a large one in a thread of its own. */
export const apply = async (text: string, patches: readonly Patch[]): Promise<Result<Written>> =>
  text.length < LARGE ? appliedPatches(text, patches) : inThread({ text, patches })

/** Reads what a new project is to start from, and checks the document where it is one; a large one in a thread of its own. */
export const startOf = async (text: string): Promise<Start | undefined> =>
  text.length < LARGE ? readStart(text) : inThread({ text })
