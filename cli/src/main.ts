import { sentenceText } from '@hilera/core/numbers/format'
import { Refused } from './arguments'
import { exportFile, exportUsage } from './exportFile'
import { fold, foldUsage } from './fold'
import { make, readOut, sentencesUsage } from './sentences'
import { find, findUsage } from './find'
import { solve, solveUsage } from './solve'

const commands: Record<string, (args: string[]) => Promise<string> | string> = {
  solve: (args) => (args.some((arg) => arg.startsWith('--find')) ? find(args) : solve(args)),
  fold,
  export: exportFile,
  read: readOut,
  make,
}

const usage = `hilera: sets out repeated copies from the command line

${solveUsage}

${findUsage}

${foldUsage}

${exportUsage}

${sentencesUsage}

Lengths are sums with units, as in the fields: 7ft5in, "3/4 in", 1180mm; a plain number is metres.`

/**
 * Runs one command.
 *
 * @returns the exit code: 0, or 2 after one sentence on the error output
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
    if (!command) throw new Refused(`“${name}” is not a command: use solve, fold, export, read or make.`)
    print(await command(rest))
    return 0
  } catch (fault) {
    if (!(fault instanceof Refused)) throw fault
    complain(typeof fault.says === 'string' ? fault.says : sentenceText(fault.says, 'm').replaceAll('\u202f', ' '))
    return 2
  }
}
