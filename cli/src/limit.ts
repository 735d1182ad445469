/** So long a command may take at the most, in seconds. */
const LONGEST = 24 * 60 * 60

export interface Limited {
  /** In seconds; absent where none is given. */
  readonly limit?: number
  /** The arguments without it. */
  readonly rest: readonly string[]
  /** Why it cannot be meant. */
  readonly problem?: string
}

/** Takes `--limit SECONDS` out of the arguments of any command. */
export function limitIn(args: readonly string[]): Limited {
  const at = args.findIndex((arg) => arg === '--limit' || arg.startsWith('--limit='))
  if (at < 0) return { rest: args }
  const joined = args[at].startsWith('--limit=')
  const said = joined ? args[at].slice('--limit='.length) : (args[at + 1] ?? '')
  const rest = [...args.slice(0, at), ...args.slice(at + (joined ? 1 : 2))]
  const limit = Number(/^(\d+(?:\.\d+)?) ?s?$/.exec(said)?.[1])
  if (!(limit > 0 && limit <= LONGEST))
    return { rest, problem: `--limit is a number of seconds, such as 30; “${said}” is none.` }
  return { limit, rest }
}
