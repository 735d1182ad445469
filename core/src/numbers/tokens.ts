import { type Result, done, refused } from '../words'

export type Token =
  | { readonly kind: 'number'; readonly text: string; readonly at: number; readonly end: number }
  | { readonly kind: 'word'; readonly text: string; readonly at: number; readonly end: number }
  | {
      readonly kind: 'sign'
      readonly text: '+' | '-' | '*' | '/' | '(' | ')'
      readonly at: number
      readonly end: number
    }

// Thousands may stand apart, as they are shown: "1 180". A fraction keeps its own figures: "1 125/1000" is a mixed number.
const number = /(?:\d{1,3}(?:[ \u00a0\u202f]\d{3})+(?!\d|\s*\/)(?:\.\d+)?|(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)/iy
const word = /[a-zµ]+|[°%'"′″’”]/iy
const space = /[\s\u00a0\u202f]+/y
const signs: Record<string, '+' | '-' | '*' | '/' | '(' | ')'> = {
  '+': '+',
  '-': '-',
  '−': '-',
  '–': '-',
  '*': '*',
  '×': '*',
  '·': '*',
  '/': '/',
  '÷': '/',
  ':': '/',
  '(': '(',
  ')': ')',
}

/** Cuts what was typed into numbers, words and signs. */
export function tokens(text: string): Result<Token[]> {
  const found: Token[] = []
  let at = 0
  const take = (pattern: RegExp): string | undefined => {
    pattern.lastIndex = at
    return pattern.exec(text)?.[0]
  }
  while (at < text.length) {
    const blank = take(space)
    if (blank) {
      at += blank.length
      continue
    }
    const sign = signs[text[at]]
    const figures = take(number)
    const letters = take(word)
    if (sign) found.push({ kind: 'sign', text: sign, at, end: at + 1 })
    else if (figures)
      found.push({ kind: 'number', text: figures.replace(/[\s\u00a0\u202f]/g, ''), at, end: at + figures.length })
    else if (letters) found.push({ kind: 'word', text: letters, at, end: at + letters.length })
    else if (text[at] === ',') return refused('A comma could part thousands or decimals. Write 1180 or 1.18 instead.')
    else return refused(`“${text[at]}” has no meaning in a sum. Use numbers, units, + − × ÷ and brackets.`)
    at = found[found.length - 1].end
  }
  return done(found)
}
