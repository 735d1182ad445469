import { type ChildProcess, fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { build } from 'vite'
import type { Answered, Asked } from './child'
import { kinds } from './registry'

/** A file that takes longer than this has hung, on a busy machine too. */
const HANGS = 60_000
/** An answer is to be there within so long, and in so much memory, for files of up to a megabyte. */
const SLOW = 5000
const HEAVY = 512 * 2 ** 20
const SMALL = 2 ** 20

export interface Tally {
  readonly tried: number
  readonly refused: number
  readonly read: number
  readonly uncaught: number
  readonly hung: number
  readonly died: number
  readonly slow: number
  readonly heavy: number
  readonly invalid: number
  /** The faults one by one, as a person can find them again. */
  readonly faults: readonly string[]
}

type Column = Exclude<keyof Tally, 'faults'>

/** Tries so many files, shared out over the kinds, in processes of their own. */
export async function hostile(
  count: number,
  told: (done: number) => void = () => undefined,
): Promise<Map<string, Tally>> {
  await build({ configFile: fileURLToPath(new URL('vite.config.ts', import.meta.url)) })
  const asked = sharedOut(count)
  const tallies = new Map(kinds.map(({ name }) => [name, fresh()]))
  let next = 0
  let done = 0
  await Promise.all([0, 1].map(worker))
  return tallies

  async function worker(): Promise<void> {
    let child: ChildProcess | undefined
    while (next < asked.length) {
      const one = asked[next++]
      child ??= await begun()
      const answer = await ask(child, one)
      const tally = tallies.get(kinds[one.kind].name)!
      tally.tried++
      entered(tally, one, answer)
      // What a process has held is never told smaller: each that was heavy ends it.
      if (answer === 'hung' || answer === 'died' || answer.held > HEAVY / 2) {
        child.kill('SIGKILL')
        child = undefined
      }
      told(++done)
    }
    child?.kill('SIGKILL')
  }
}

type Counts = { -readonly [K in Column]: number } & { faults: string[] }
const fresh = (): Counts => ({
  tried: 0,
  refused: 0,
  read: 0,
  uncaught: 0,
  hung: 0,
  died: 0,
  slow: 0,
  heavy: 0,
  invalid: 0,
  faults: [],
})

function entered(tally: Counts, { kind, number }: Asked, answer: Answered | 'hung' | 'died'): void {
  const told = (why: string): void => void tally.faults.push(`${kinds[kind].name}, number ${number}: ${why}`)
  if (answer === 'hung' || answer === 'died') {
    tally[answer]++
    return told(answer)
  }
  tally[answer.came.as]++
  if ('why' in answer.came) told(`${answer.came.as}, ${answer.name}: ${answer.came.why}`)
  const honest = Math.max(1, answer.bytes / SMALL)
  if (answer.milliseconds > SLOW * honest) {
    tally.slow++
    told(`took ${(answer.milliseconds / 1000).toFixed(1)} s for ${answer.bytes} bytes`)
  }
  if (answer.held > HEAVY * honest) {
    tally.heavy++
    told(`held ${Math.round(answer.held / 2 ** 20)} MB for ${answer.bytes} bytes`)
  }
}

/** Every fault that is known by itself, and of the others as many as are left, in turn. */
function sharedOut(count: number): Asked[] {
  const known = kinds.flatMap(({ count: own = 0 }, kind) =>
    Array.from({ length: own }, (_, number) => ({ kind, number })),
  )
  const endless = kinds.flatMap(({ count: own }, kind) => (own === undefined ? [kind] : []))
  const rest = Math.max(0, count - known.length)
  const more = Array.from({ length: rest }, (_, i) => ({
    kind: endless[i % endless.length],
    number: Math.floor(i / endless.length),
  }))
  return [...known, ...more]
}

async function begun(): Promise<ChildProcess> {
  const child = fork(fileURLToPath(new URL('dist/child.js', import.meta.url)), {
    execArgv: ['--max-old-space-size=3000'],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  await new Promise((resolve, reject) => {
    child.once('message', resolve)
    child.once('exit', (code) => reject(new Error(`the process that tries files ended with ${code}`)))
  })
  return child
}

function ask(child: ChildProcess, one: Asked): Promise<Answered | 'hung' | 'died'> {
  return new Promise((resolve) => {
    let timer: NodeJS.Timeout | undefined
    const end = (answer: Answered | 'hung' | 'died'): void => {
      clearTimeout(timer)
      child.off('message', hear)
      child.off('exit', gone)
      resolve(answer)
    }
    const gone = (): void => end('died')
    // The time runs from when the file is there: making it is not what is tried.
    const hear = (message: Answered | { begun: true }): void => {
      if ('begun' in message) timer = setTimeout(() => end('hung'), HANGS)
      else end(message)
    }
    child.on('message', hear)
    child.once('exit', gone)
    child.send(one)
  })
}

const columns: readonly Column[] = ['tried', 'refused', 'read', 'uncaught', 'hung', 'died', 'slow', 'heavy', 'invalid']

/** The tallies as a table of text, with their sums. */
export function asTable(tallies: ReadonlyMap<string, Tally>): string {
  const sum = (column: Column): number => [...tallies.values()].reduce((n, t) => n + t[column], 0)
  const rows = [
    ['', ...columns],
    ...[...tallies].map(([name, tally]) => [name, ...columns.map((c) => String(tally[c]))]),
    ['together', ...columns.map((c) => String(sum(c)))],
  ]
  const widths = rows[0].map((_, i) => Math.max(...rows.map((row) => row[i].length)))
  return rows
    .map((row) => row.map((cell, i) => (i === 0 ? cell.padEnd(widths[i]) : cell.padStart(widths[i]))).join('  '))
    .join('\n')
}
