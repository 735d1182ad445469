import type { Chance } from './chance'

/** A file that somebody could hand over. */
export interface HostileFile {
  readonly name: string
  readonly bytes: Uint8Array
}

/** One kind of hostile or broken file. A new one is a function and a line in the registry. */
export interface HostileKind {
  readonly name: string
  /** How many different ones there are, tried in turn; left out, each seed makes another. */
  readonly count?: number
  make(chance: Chance, number: number): HostileFile | Promise<HostileFile>
}

export const text = (name: string, content: string): HostileFile => ({ name, bytes: new TextEncoder().encode(content) })
