import { unquoted } from './names'
import type { Token } from './tokens'

/** A name that a text may say, and what it stands for. */
export interface Named {
  readonly name: string
  readonly value: string
}

/** So many names that begin alike are compared with a text at the most. */
const MOST_ALIKE = 200

/** Names as they are said in a text: whole, in small or capital letters, one or several of the thing. */
export class NameBook {
  private readonly byFirst = new Map<string, Named[]>()
  private readonly whole = new Map<string, Named[]>()

  constructor(named: readonly Named[]) {
    for (const entry of named) {
      const lower = entry.name.toLowerCase()
      push(this.whole, lower, entry)
      push(this.byFirst, firstOf(lower), entry)
    }
    for (const list of this.byFirst.values()) list.sort((a, b) => b.name.length - a.name.length)
  }

  /**
   * The longest name that stands at a token.
   *
   * @returns what it stands for and the token after it; `several` where two things carry that name
   */
  at(
    text: string,
    tokens: readonly Token[],
    at: number,
  ): { readonly value: string; readonly next: number; readonly several: boolean } | undefined {
    const token = tokens[at]
    if (!token) return undefined
    if (token.is === 'quoted') {
      const found = this.whole.get(unquoted(token.text).toLowerCase())
      return found && { value: found[0].value, next: at + 1, several: found.length > 1 }
    }
    const first = token.text.toLowerCase()
    for (const key of new Set([first, singular(first)]))
      for (const entry of (this.byFirst.get(key) ?? []).slice(0, MOST_ALIKE)) {
        const next = endOf(text, tokens, at, entry.name.toLowerCase())
        if (next === undefined) continue
        const same = this.whole.get(entry.name.toLowerCase()) ?? []
        return { value: entry.value, next, several: same.length > 1 }
      }
    return undefined
  }
}

const push = (map: Map<string, Named[]>, key: string, entry: Named): void =>
  void (map.get(key)?.push(entry) ?? map.set(key, [entry]))
const firstOf = (lower: string): string => /^[\p{L}\p{M}’'-]+|^\S/u.exec(lower)?.[0] ?? ''
/** Of several things the one: tins, boxes, berries. */
export const singular = (word: string): string =>
  word
    .replace(/ies$/, 'y')
    .replace(/(?<=x|sh|ch|ss)es$/, '')
    .replace(/(?<=[^s])s$/, '')

/** The token after a name that stands in a text, if it does; its last word may be of several. */
function endOf(text: string, tokens: readonly Token[], at: number, lower: string): number | undefined {
  const pieces = lower.split(/\s+/)
  let end = tokens[at].at
  for (const [i, piece] of pieces.entries()) {
    while (/\s/u.test(text[end] ?? '')) end++
    const said = text.slice(end, end + piece.length + 3).toLowerCase()
    if (said.startsWith(piece)) {
      end += piece.length
      continue
    }
    const word = /^[\p{L}\p{M}’'-]+/u.exec(said)?.[0]
    if (i < pieces.length - 1 || word === undefined || singular(word) !== piece) return undefined
    end += word.length
  }
  let next = at
  while (next < tokens.length && tokens[next].end <= end) next++
  // Of several: "tins" where the thing is called Tin.
  const last = tokens[next]
  if (last && last.at < end)
    return singular(last.text.toLowerCase()) === pieces[pieces.length - 1] ? next + 1 : undefined
  return next > at && tokens[next - 1].end === end ? next : undefined
}
