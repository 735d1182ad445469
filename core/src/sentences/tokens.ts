/** A piece of a text that is read: a word, a number, something in quotation marks, a colour or a sign. */
export interface Token {
  readonly is: 'word' | 'number' | 'quoted' | 'color' | 'sign'
  readonly text: string
  /** Where it stands in the text. */
  readonly at: number
  readonly end: number
}

const patterns: readonly (readonly [Token['is'], RegExp])[] = [
  ['quoted', /“(?:[^”]|””)*”(?!”)|"[^"\d][^"]*"/uy],
  ['color', /#[0-9a-f]{6}\b/iy],
  // Thousands may stand apart, as they are shown: "1 180".
  ['number', /\d{1,3}(?:[ \u00a0\u202f]\d{3})+(?!\d|\s*\/)(?:\.\d+)?|(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/iy],
  ['word', /\p{L}[\p{L}\p{M}]*(?:[’'-]\p{L}[\p{L}\p{M}]*)*/uy],
  ['sign', /[^\s]/uy],
]

/** Cuts a text into words, numbers and signs; a full stop that ends a number is not of it. */
export function tokensOf(text: string, from = 0, to = text.length): Token[] {
  const found: Token[] = []
  let at = from
  while (at < to) {
    if (/\s/u.test(text[at])) {
      at++
      continue
    }
    const token = tokenAt(text, at)
    found.push(token)
    at = token.end
  }
  return found
}

function tokenAt(text: string, at: number): Token {
  for (const [is, pattern] of patterns) {
    pattern.lastIndex = at
    const match = pattern.exec(text)?.[0]
    if (match === undefined) continue
    const own = is === 'number' && match.endsWith('.') ? match.slice(0, -1) : match
    return { is, text: own, at, end: at + own.length }
  }
  return { is: 'sign', text: text[at], at, end: at + 1 }
}
