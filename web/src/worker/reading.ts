import { type Result, refused } from '@hilera/core/words'
import type { Remote } from 'comlink'
import { WorkerClient, WorkerNotFetched } from './client'
import type { Reading } from './read.worker'

/** A file that is not read by then is given up: those that are read here take a few seconds at the most. */
const LONGEST = 60_000

const client = new WorkerClient<Reading>(
  () => new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' }),
)

/**
 * Asks the worker that reads files; a sentence where it breaks down over one, does not come to an end, or never came.
 *
 * @param name the file's name, for the sentences
 */
export async function readAway<T>(
  name: string,
  question: (to: Remote<Reading>) => Promise<Result<T>>,
): Promise<Result<T>> {
  const timer = setTimeout(() => client.stop(), LONGEST)
  try {
    return await client.ask(question)
  } catch (fault) {
    if (fault instanceof WorkerNotFetched) return refused(fault.message)
    return refused(`${name} could not be read: it is damaged, or too much for this browser. Save it again, or smaller.`)
  } finally {
    clearTimeout(timer)
  }
}
