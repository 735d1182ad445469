import * as Comlink from 'comlink'
import { describe, expect, it, vi } from 'vitest'
import { WorkerClient, WorkerEnded, WorkerNotFetched } from './client'
import { startJob } from './job'

interface Api {
  add(a: number, b: number): number
  never(): Promise<number>
  run(onProgress: (share: number) => void): Promise<string>
}

/** A worker over a channel, which can break down. */
class Fake extends EventTarget {
  private readonly port: MessagePort
  terminated = false

  constructor(api: Api) {
    super()
    const { port1, port2 } = new MessageChannel()
    Comlink.expose(api, port1)
    this.port = port2
    this.port.onmessage = (event) => this.dispatchEvent(new MessageEvent('message', { data: event.data as unknown }))
  }
  postMessage(message: unknown, transfer: Transferable[]): void {
    this.port.postMessage(message, transfer)
  }
  terminate(): void {
    this.terminated = true
    this.port.close()
  }
  breakDown(): void {
    this.dispatchEvent(new ErrorEvent('error', { cancelable: true, message: 'out of memory' }))
  }
  /** As a browser tells it of a worker whose code did not come. */
  neverCame(): void {
    this.dispatchEvent(new Event('error', { cancelable: true }))
  }
}

const api: Api = {
  add: (a, b) => a + b,
  never: () => new Promise(() => {}),
  run: async (onProgress) => {
    for (const share of [0.5, 1]) onProgress(share)
    return 'done'
  },
}

function clientOf(started = vi.fn(), broke = vi.fn()) {
  const made: Fake[] = []
  const make = (): Worker => {
    made.push(new Fake(api))
    return made.at(-1) as unknown as Worker
  }
  return { made, make, started, broke, client: new WorkerClient<Api>(make, started, broke) }
}

describe('speaking to a worker', () => {
  it('starts one when it is first asked, and asks the same one again', async () => {
    const { client, made, started } = clientOf()
    expect(client.isRunning).toBe(false)
    expect(await client.ask((to) => to.add(1, 2))).toBe(3)
    expect(await client.ask((to) => to.add(3, 4))).toBe(7)
    expect([made.length, started.mock.calls.length, client.isRunning]).toEqual([1, 1, true])
  })

  it('starts one before it is asked where that is wanted, and only one', async () => {
    const { client, made, started } = clientOf()
    client.begin()
    client.begin()
    expect([client.isRunning, made.length, started.mock.calls.length]).toEqual([true, 1, 1])
    expect(await client.ask((to) => to.add(1, 2))).toBe(3)
    expect(made.length).toBe(1)
  })

  it('tells who waits when it breaks down, and starts another one', async () => {
    const { client, made, started, broke } = clientOf()
    const waiting = client.ask((to) => to.never())
    made[0].breakDown()
    await expect(waiting).rejects.toBeInstanceOf(WorkerEnded)
    expect([made[0].terminated, broke.mock.calls.length]).toEqual([true, 1])
    expect(await client.ask((to) => to.add(1, 1))).toBe(2)
    expect([made.length, started.mock.calls.length]).toEqual([2, 2])
    // What an old one still says is not heard.
    made[0].breakDown()
    expect([client.isRunning, broke.mock.calls.length]).toEqual([true, 1])
  })

  it('tells apart what never came from what broke down', async () => {
    const { client, made } = clientOf()
    const first = client.ask((to) => to.never())
    made[0].neverCame()
    await expect(first).rejects.toBeInstanceOf(WorkerNotFetched)
    expect(await client.ask((to) => to.add(2, 3))).toBe(5)
    const second = client.ask((to) => to.never())
    // It was there: without a message it broke down all the same.
    made[1].neverCame()
    await expect(second).rejects.not.toBeInstanceOf(WorkerNotFetched)
  })

  it('tells who waits when it is stopped', async () => {
    const { client, broke } = clientOf()
    const waiting = client.ask((to) => to.never())
    client.stop()
    await expect(waiting).rejects.toBeInstanceOf(WorkerEnded)
    expect([client.isRunning, broke.mock.calls.length]).toEqual([false, 0])
  })
})

describe('work that is done once', () => {
  it('says how far it is, gives its result and ends its worker; nothing is heard after that', async () => {
    const { made, make } = clientOf()
    const told: number[] = []
    let tell: (share: number) => void = () => {}
    const job = startJob<Api, string, [number]>(
      make,
      (to, onProgress) => {
        tell = onProgress
        return to.run(onProgress)
      },
      (share) => void told.push(share),
      'It broke off.',
    )
    expect(await job.result).toBe('done')
    const heard = [...told]
    tell(0.7)
    expect([told, made[0].terminated]).toEqual([heard, true])
  })

  it('gives nothing when it is cancelled, and a sentence when it breaks down', async () => {
    const { made, make } = clientOf()
    const begin = () =>
      startJob<Api, number, []>(
        make,
        (to) => to.never(),
        () => {},
        'It broke off.',
      )
    const cancelled = begin()
    cancelled.cancel()
    expect(await cancelled.result).toBeUndefined()
    const broken = begin()
    made[1].breakDown()
    await expect(broken.result).rejects.toThrow('It broke off.')
    const absent = begin()
    made[2].neverCame()
    await expect(absent.result).rejects.toThrow('the server does not answer')
    expect(made.every((w) => w.terminated)).toBe(true)
  })
})
