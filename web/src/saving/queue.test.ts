import { emptyProject, type Project } from '@hilera/core/model/project'
import { type Patch, patched } from '@hilera/core/model/patches'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Away } from './away'
import { Conflict, SaveQueue, type Unsent, isSame } from './queue'

/** A server that can be away, slow, or changed by somebody else. */
class Kept {
  revision = 1
  document: Project = emptyProject('First')
  fault: Error | undefined
  readonly sent: (readonly Patch[])[] = []
  /** Lets a request that waits be answered. */
  answer: (() => void) | undefined
  slow = false

  read = () => Promise.resolve({ revision: this.revision, document: this.document })
  async send(_id: string, revision: number, patches: readonly Patch[]) {
    if (this.slow) await new Promise<void>((resolve) => (this.answer = resolve))
    if (this.fault) throw this.fault
    if (revision !== this.revision) throw new Conflict('changed')
    this.sent.push(patches)
    this.document = patched(this.document, patches) as Project
    return { revision: ++this.revision }
  }
}

let kept: Kept
let shelf: Map<string, Unsent>
const queueFor = (id = 'p'): SaveQueue =>
  new SaveQueue(id, kept.revision, kept.document, kept, {
    keep: async (of, unsent) => void shelf.set(of, unsent),
    clear: async (of) => void shelf.delete(of),
  })
const named = (name: string): Project => ({ ...emptyProject(name) })

beforeEach(() => {
  vi.useFakeTimers()
  kept = new Kept()
  shelf = new Map()
})
afterEach(() => void vi.useRealTimers())

describe('saving', () => {
  it('sends what came together once, and then holds nothing back', async () => {
    const queue = queueFor()
    for (const name of ['A', 'B', 'C']) void queue.offer(named(name))
    expect([queue.state, shelf.get('p')?.document.name]).toEqual(['waiting', 'C'])
    await vi.runAllTimersAsync()
    expect([queue.state, kept.document.name, kept.sent.length, shelf.size]).toEqual(['saved', 'C', 1, 0])
  })

  it('a change while one is under way goes with the next, from the revision that came back', async () => {
    const queue = queueFor()
    kept.slow = true
    void queue.offer(named('A'))
    await vi.advanceTimersByTimeAsync(600)
    expect(queue.state).toBe('sending')
    void queue.offer(named('B'))
    kept.slow = false
    kept.answer!()
    await vi.advanceTimersByTimeAsync(1)
    expect([queue.state, shelf.get('p')]).toMatchObject(['waiting', { revision: 2, document: { name: 'B' } }])
    await vi.runAllTimersAsync()
    expect([queue.state, kept.revision, kept.document.name]).toEqual(['saved', 3, 'B'])
  })

  it('what is heavy is shelved only where it cannot be sent, and then at once', async () => {
    const heavy = (name: string): Project => ({
      ...emptyProject(name),
      groups: Array.from({ length: 30_000 }, (_, i) => ({ id: `g${i}`, name: `${i}` })),
    })
    const queue = queueFor()
    void queue.offer(heavy('A'))
    expect([queue.state, shelf.size]).toEqual(['waiting', 0])
    kept.fault = new Away('away')
    await vi.advanceTimersByTimeAsync(600)
    expect([queue.state, shelf.get('p')?.document.name]).toEqual(['away', 'A'])
    void queue.offer(heavy('B'))
    await vi.advanceTimersByTimeAsync(1)
    expect([queue.state, shelf.get('p')?.document.name]).toEqual(['away', 'B'])
    kept.fault = undefined
    await vi.runAllTimersAsync()
    expect([queue.state, kept.document.name, shelf.size]).toEqual(['saved', 'B', 0])
    kept.fault = new Error('No.')
    void queue.offer(heavy('C'))
    await vi.runAllTimersAsync()
    expect([queue.state, shelf.get('p')?.document.name]).toEqual(['refused', 'C'])
  })

  it('while the server is away it keeps what is here and tries again', async () => {
    const queue = queueFor()
    kept.fault = new Away('away')
    void queue.offer(named('A'))
    await vi.advanceTimersByTimeAsync(5000)
    expect([queue.state, shelf.get('p')?.document.name]).toEqual(['away', 'A'])
    void queue.offer(named('B'))
    expect(queue.state).toBe('away')
    kept.fault = undefined
    await queue.flush()
    expect([queue.state, kept.document.name, shelf.size]).toEqual(['saved', 'B', 0])
  })

  it('what is refused says why, and the next change is tried', async () => {
    const queue = queueFor()
    kept.fault = new Error('Too large.')
    void queue.offer(named('A'))
    await vi.runAllTimersAsync()
    expect([queue.state, queue.detail]).toEqual(['refused', 'Too large.'])
    kept.fault = undefined
    void queue.offer(named('B'))
    await vi.runAllTimersAsync()
    expect([queue.state, queue.detail, kept.document.name]).toEqual(['saved', '', 'B'])
  })

  it('a conflict waits for a choice, and either state can stay', async () => {
    for (const mine of [true, false]) {
      kept = new Kept()
      const queue = queueFor()
      Object.assign(kept, { revision: 7, document: named('Theirs') })
      void queue.offer(named('Mine'))
      await vi.runAllTimersAsync()
      expect([queue.state, kept.document.name, queue.mine.name]).toEqual(['conflict', 'Theirs', 'Mine'])
      void queue.offer(named('Mine too'))
      await vi.runAllTimersAsync()
      expect([queue.state, kept.document.name]).toEqual(['conflict', 'Theirs'])
      await (mine ? queue.keepMine() : queue.drop())
      expect([queue.state, kept.document.name, shelf.size]).toEqual(['saved', mine ? 'Mine too' : 'Theirs', 0])
    }
  })

  it('what was kept unsent goes on from its revision; on a newer one it is a conflict, never lost', async () => {
    const same = queueFor()
    await same.resume({ revision: 1, document: named('Unsent') })
    await vi.runAllTimersAsync()
    expect([same.state, kept.document.name]).toEqual(['saved', 'Unsent'])
    const newer = queueFor()
    await newer.resume({ revision: 1, document: named('Older') })
    await vi.runAllTimersAsync()
    expect([newer.state, newer.mine.name, kept.document.name]).toEqual(['conflict', 'Older', 'Unsent'])
  })

  /** A page that is left while A is under way, with B done after it where there is more: what it leaves on the shelf. */
  async function leftWhileSending(more: boolean) {
    kept = new Kept()
    shelf = new Map()
    const queue = queueFor()
    kept.slow = true
    void queue.offer(named('A'))
    await vi.advanceTimersByTimeAsync(600)
    if (more) void queue.offer(named('B'))
    await vi.advanceTimersByTimeAsync(1)
    const left = structuredClone(shelf.get('p')!)
    /** Its request arrives all the same; nobody is there to hear of it. */
    const arrive = async (): Promise<void> => {
      kept.slow = false
      kept.answer!()
      await vi.advanceTimersByTimeAsync(1)
      vi.clearAllTimers()
      kept.document = structuredClone(kept.document)
    }
    return { left, arrive }
  }

  it('what arrived although the page was left before it was answered is no conflict, and what came after it goes on', async () => {
    for (const more of [false, true]) {
      const { left, arrive } = await leftWhileSending(more)
      await arrive()
      expect([kept.revision, left.document.name]).toEqual([2, more ? 'B' : 'A'])
      shelf = new Map([['p', left]])
      const next = queueFor()
      expect(isSame(left.document, kept.document)).toBe(!more)
      if (more) await next.resume(left)
      else shelf.clear()
      expect(next.state).toBe(more ? 'waiting' : 'saved')
      await vi.runAllTimersAsync()
      expect([next.state, kept.document.name, shelf.size]).toEqual(['saved', more ? 'B' : 'A', 0])
    }
  })

  it('what arrives after the page that sent it was left, and the next one has read, is gone on from', async () => {
    for (const more of [false, true]) {
      const { left, arrive } = await leftWhileSending(more)
      const next = queueFor()
      await arrive()
      await next.resume(left)
      await vi.runAllTimersAsync()
      const told = [next.state, kept.document.name, kept.revision, shelf.size]
      expect(told).toEqual(['saved', more ? 'B' : 'A', more ? 3 : 2, 0])
    }
  })

  it('what arrived although its answer was lost on the way is gone on from', async () => {
    const queue = queueFor()
    void queue.offer(named('A'))
    const send = kept.send.bind(kept)
    kept.send = async (...args) => {
      await send(...args)
      throw new Away('lost')
    }
    await vi.advanceTimersByTimeAsync(600)
    expect([queue.state, kept.document.name]).toEqual(['away', 'A'])
    void queue.offer(named('B'))
    kept.send = send
    await vi.runAllTimersAsync()
    expect([queue.state, kept.document.name, kept.revision, shelf.size]).toEqual(['saved', 'B', 3, 0])
    // Somebody else’s change is still one.
    kept.document = named('Theirs')
    kept.revision++
    void queue.offer(named('C'))
    await vi.runAllTimersAsync()
    expect([queue.state, kept.document.name]).toEqual(['conflict', 'Theirs'])
  })

  it('one that is left goes on to its own project', async () => {
    const asked: string[] = []
    const target = {
      read: kept.read,
      send: (id: string, r: number, p: readonly Patch[]) => (asked.push(id), kept.send(id, r, p)),
    }
    const none = { keep: async () => {}, clear: async () => {} }
    const left = new SaveQueue('left', 1, kept.document, target, none)
    void left.offer(named('Left'))
    const next = new SaveQueue('next', 1, named('Next'), target, none)
    void left.flush()
    await vi.runAllTimersAsync()
    expect([asked, left.state, next.state]).toEqual([['left'], 'saved', 'saved'])
  })
})
