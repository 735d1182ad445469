import { Chance } from './chance'
import { kinds } from './registry'
import { type Came, tried } from './tried'

/** What is asked of the process, and what it answers. */
export interface Asked {
  readonly kind: number
  readonly number: number
}
export interface Answered extends Asked {
  readonly came: Came | { readonly as: 'uncaught'; readonly why: string }
  readonly name: string
  readonly bytes: number
  readonly milliseconds: number
  /** The most that the process has held so far, in bytes. */
  readonly held: number
}

process.on('message', ({ kind, number }: Asked) => void answer(kind, number))
process.send?.('ready')

async function answer(kind: number, number: number): Promise<void> {
  const file = await kinds[kind].make(new Chance(1000 * kind + number), number)
  process.send?.({ begun: true, name: file.name, bytes: file.bytes.length })
  const begun = performance.now()
  let came: Answered['came']
  // Until the answer is there; reading it back is no work of the program.
  let milliseconds = NaN
  let held = NaN
  const answered = (): void => {
    milliseconds = performance.now() - begun
    held = 1024 * process.resourceUsage().maxRSS
  }
  try {
    const answer = await tried(file)
    answered()
    came = typeof answer === 'function' ? await answer() : answer
  } catch (fault) {
    answered()
    came = {
      as: 'uncaught',
      why: fault instanceof Error ? `${fault.name}: ${fault.message}`.slice(0, 160) : String(fault),
    }
  }
  process.send?.({
    kind,
    number,
    came,
    name: file.name,
    bytes: file.bytes.length,
    milliseconds,
    held,
  } satisfies Answered)
}
