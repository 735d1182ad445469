import { parseQuantity } from '../numbers/parse'
import { type Quantity, unitNamed } from '../numbers/units'
import type { Reading } from './reading'
import { SMALL } from './small'
import type { Token } from './tokens'

/** Units that are also words. */
const GOES_ON = new Set(['in', 'turn', 'turns', 'per', 'm'])
/** A quantity is told by so many tokens at the most. */
const MOST_TOKENS = 24

/** A value in brackets, or "as many as fit", is said to be worked out; the token after it. */
export function workedOut(at: number, { tokens }: Reading): number | undefined {
  if (['as', 'many', 'as', 'fit'].every((word, i) => tokens[at + i]?.text.toLowerCase() === word)) return at + 4
  if (tokens[at]?.text !== '(') return undefined
  let end = at + 1
  while (end < tokens.length && end < at + MOST_TOKENS && tokens[end].text !== ')') end++
  if (tokens[end]?.text !== ')' || !tokens.slice(at + 1, end).every(isOfRemark)) return undefined
  const after = tokens[end + 1]
  // A sum may begin with a bracket: (2 + 3) × 12 mm.
  const goesOn = after && (isOperator(after) || (after.is === 'word' && isUnit(after) && !SMALL.has(after.text)))
  return goesOn ? undefined : end + 1
}
const isOperator = ({ text }: Token): boolean => /^[+\-−–*×·/÷]$/.test(text)
const isUnit = ({ text }: Token): boolean =>
  unitNamed(text, 'length') !== undefined || unitNamed(text, 'angle') !== undefined
const isOfQuantity = (token: Token): boolean =>
  token.is === 'number' ||
  (token.is === 'word' ? isUnit(token) || token.text === 'per' : /^[+\-−–*×·/÷()'"′″’”°%²]$/.test(token.text))

/** What stands in brackets of a value that was worked out: a quantity, or that it was. */
const isOfRemark = (token: Token): boolean => isOfQuantity(token) || /^(worked|out|≈|,)$/.test(token.text)

/** The longest quantity that stands at a token. */
export function quantityAt(
  at: number,
  quantity: Quantity,
  { text, tokens, unit, misfits }: Pick<Reading, 'text' | 'tokens' | 'unit' | 'misfits'>,
): { readonly value: number; readonly next: number } | undefined {
  let most = at
  while (most < tokens.length && most < at + MOST_TOKENS && isOfQuantity(tokens[most])) most++
  for (let end = most; end > at; end--) {
    const said = text.slice(tokens[at].at, tokens[end - 1].end)
    // A plain number is no density: it is the count.
    if (quantity === 'density' && !/\/|per/.test(said)) return undefined
    const read = parseQuantity(said, quantity, unit)
    if (read.ok) return { value: read.value, next: end }
    if (end === most) misfits.push({ at, says: read.problem.says })
    // A unit that does not fit is not left behind; only a word that goes on with the sentence is.
    if (!GOES_ON.has(tokens[end - 1].text.toLowerCase())) return undefined
  }
  return undefined
}
