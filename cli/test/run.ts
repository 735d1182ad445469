import { main } from '../src/main'

/** Runs a command as the command line does: its exit code, what it prints and what it complains of. */
export async function run(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  const [out, err]: [string[], string[]] = [[], []]
  const code = await main(
    args,
    (line) => out.push(line),
    (line) => err.push(line),
  )
  return { code, out: out.join('\n'), err: err.join('\n') }
}
