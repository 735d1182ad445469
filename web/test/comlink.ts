/**
 * The evaluating worker's own code, asked in this thread: what goes in and comes out is cloned as it is between threads, and
 * answers come later. To be put in the place of comlink: `vi.mock('comlink', () => import('../../test/comlink'))`.
 */
type Answers = Record<string, (...args: unknown[]) => unknown>
let exposed: Answers | undefined

export const expose = (answers: Answers): void => void (exposed = answers)
export const transfer = <T>(value: T): T => value
export const wrap = (): unknown =>
  new Proxy(
    {},
    {
      get:
        (_, name: string) =>
        async (...args: unknown[]) => {
          await import('../src/worker/evaluate.worker')
          return structuredClone(await exposed![name](...(structuredClone(args) as unknown[])))
        },
    },
  )
