import * as Comlink from 'comlink'
import { NOT_FETCHED } from '../faults'

/** A worker that ended before it answered: it broke down, or was stopped. */
export class WorkerEnded extends Error {}

/** A worker that never began: its code is fetched when it is first needed, and the server did not answer. */
export class WorkerNotFetched extends WorkerEnded {
  constructor() {
    super(NOT_FETCHED)
  }
}

/**
 * Speaks to one worker. It is started when it is first asked; when it breaks down, whoever waits is told, and the next question
 * starts another one.
 */
export class WorkerClient<T> {
  private worker: Worker | undefined
  private remote: Comlink.Remote<T> | undefined
  private readonly waiting = new Set<(fault: Error) => void>()

  /**
   * @param make starts a worker
   * @param started called with each one that is started, before it is asked anything
   * @param broke called when one has broken down by itself
   */
  constructor(
    private readonly make: () => Worker,
    private readonly started: (remote: Comlink.Remote<T>) => void = () => {},
    private readonly broke: () => void = () => {},
  ) {}

  /** Whether a worker is there at present. */
  get isRunning(): boolean {
    return this.worker !== undefined
  }

  /** Starts it before it is asked anything, so that its code comes while something else is waited for. */
  begin(): void {
    this.start()
  }

  ask<R>(question: (remote: Comlink.Remote<T>) => Promise<R>): Promise<R> {
    return new Promise<R>((resolve, reject) => {
      this.waiting.add(reject)
      question(this.start())
        .then(resolve, reject)
        .finally(() => this.waiting.delete(reject))
    })
  }

  /** Ends the worker; those who wait are told. */
  stop(fault = new WorkerEnded('It was stopped.')): void {
    this.worker?.terminate()
    this.worker = undefined
    this.remote = undefined
    for (const reject of [...this.waiting]) reject(fault)
    this.waiting.clear()
  }

  private start(): Comlink.Remote<T> {
    if (this.remote) return this.remote
    const worker = this.make()
    const down = (fault: WorkerEnded): void => {
      if (this.worker !== worker) return
      this.stop(fault)
      this.broke()
    }
    const broken = (): WorkerEnded => new WorkerEnded('Working it out broke down. It is started again.')
    let hasSpoken = false
    worker.addEventListener('message', () => (hasSpoken = true), { once: true })
    worker.addEventListener('error', (event) => {
      event.preventDefault?.()
      // A fault in its code says where it is; that the code did not come says nothing at all.
      const isFault = hasSpoken || event instanceof ErrorEvent
      down(isFault ? broken() : new WorkerNotFetched())
    })
    worker.addEventListener('messageerror', () => down(broken()))
    this.worker = worker
    this.remote = Comlink.wrap<T>(worker)
    this.started(this.remote)
    return this.remote
  }
}
