import { sentenceText } from '@hilera/core/numbers/format'
import { Refused } from './arguments'
import { check, checkUsage } from './check'
import { compare, compareUsage } from './compare'
import { exportFile, exportUsage, tableOut, tableUsage } from './exportFile'
import { fold, foldUsage } from './fold'
import { make, readOut, sentencesUsage } from './sentences'
import { find, findUsage } from './find'
import { solve, solveUsage } from './solve'

export { limitIn } from './limit'

/** What a command says, and its exit code where that tells something. */
type Said = string | { readonly text: string; readonly code: number }

const commands: Record<string, (args: string[]) => Promise<Said> | Said> = {
  solve: (args) => (args.some((arg) => arg.startsWith('--find')) ? find(args) : solve(args)),
  fold,
  export: exportFile,
  table: tableOut,
  compare,
  check,
  read: readOut,
  make,
}

const usage = `hilera: sets out repeated copies from the command line

${solveUsage}

${findUsage}

${foldUsage}

${exportUsage}

${tableUsage}

${compareUsage}

${checkUsage}

${sentencesUsage}

Any command takes --limit SECONDS: what is not done by then is ended, and nothing is written.
Lengths are sums with units, as in the fields: 7ft5in, "3/4 in", 1180mm; a plain number is metres.`

/**
 * Runs one command.
 *
 * @returns the exit code: 0, 1 where two projects that are compared differ or something is wrong with one, or 2 after one sentence on the error output
 */
export async function main(
  args: string[],
  print: (line: string) => void,
  complain: (line: string) => void,
): Promise<number> {
  const [name, ...rest] = args
  if (name === undefined || name === '--help' || name === 'help') {
    print(usage)
    return 0
  }
  try {
    const command = Object.hasOwn(commands, name) ? commands[name] : undefined
    if (!command)
      throw new Refused(`“${name}” is not a command: use solve, fold, export, table, compare, check, read or make.`)
    const said = await command(rest)
    print(typeof said === 'string' ? said : said.text)
    return typeof said === 'string' ? 0 : said.code
  } catch (fault) {
    if (!(fault instanceof Refused)) throw fault
    complain(typeof fault.says === 'string' ? fault.says : sentenceText(fault.says, 'm').replaceAll('\u202f', ' '))
    return 2
  }
}
