import { parseQuantity } from '@hilera/core/numbers/parse'
import type { Sentence } from '@hilera/core/words'
import { parseArgs, type ParseArgsConfig } from 'node:util'

/** Something that was asked for and cannot be: one sentence, and exit code 2. */
export class Refused extends Error {
  constructor(readonly says: string | Sentence) {
    super('refused')
  }
}

/** Reads options strictly; what is not known is told in one sentence. */
export function read<T extends ParseArgsConfig>(config: T) {
  try {
    return parseArgs(config)
  } catch (fault) {
    throw new Refused((fault as Error).message.split('. To specify')[0])
  }
}

export function length(name: string, text: string | undefined): number | undefined {
  return quantity(name, text, 'length')
}

export function count(name: string, text: string | undefined): number | undefined {
  return quantity(name, text, 'count')
}

function quantity(name: string, text: string | undefined, kind: 'length' | 'count'): number | undefined {
  if (text === undefined) return undefined
  const read = parseQuantity(text, kind, 'm')
  if (!read.ok) throw new Refused([`--${name}: `, ...read.problem.says])
  return read.value
}

/** One of a few words. */
export function choice<T extends string>(name: string, text: string | undefined, words: readonly T[], usual: T): T {
  if (text === undefined) return usual
  const found = words.find((word) => word === text)
  if (!found) throw new Refused(`--${name} is ${words.join(', ')}; “${text}” is none of these.`)
  return found
}
