import * as Comlink from 'comlink'
import { WorkerClient, WorkerEnded, WorkerNotFetched } from './client'

/** Work that is done once, in a worker of its own: stopping it ends the worker and leaves nothing. */
export interface Job<R> {
  /** Undefined when it was stopped. */
  readonly result: Promise<R | undefined>
  cancel(): void
}

/**
 * Starts a job.
 *
 * @param broke what is said when the worker breaks down
 * @param onProgress not called any more once the result is there: the two come over channels of their own, in any order
 */
export function startJob<T, R, P extends unknown[]>(
  make: () => Worker,
  question: (remote: Comlink.Remote<T>, onProgress: (...progress: P) => void) => Promise<R>,
  onProgress: (...progress: P) => void,
  broke: string,
): Job<R> {
  const client = new WorkerClient<T>(make)
  let running = true
  let stopped = false
  const tell = Comlink.proxy((...progress: P) => {
    if (running) onProgress(...progress)
  })
  const end = (): void => {
    running = false
    client.stop()
  }
  const result = client
    .ask((to) => question(to, tell))
    .catch((fault: unknown) => {
      if (stopped) return undefined
      throw fault instanceof WorkerEnded && !(fault instanceof WorkerNotFetched) ? new Error(broke) : fault
    })
    .finally(end)
  return {
    result,
    cancel() {
      stopped = true
      end()
    },
  }
}
