import { type Result, done, refused } from '../words'
import { splitDensity } from './density'
import { PI } from './pi'
import { type Ratio, fromDecimal, valueOf } from './ratio'
import { type Token, tokens } from './tokens'
import { type LengthUnit, type Quantity, type UnitMeaning, fieldUnit, unitNamed } from './units'

/** A value on the way: `unit` is what it measures; `plain` takes the field's unit, `ratio` is what a length ÷ a length leaves. */
interface Value {
  readonly amount: Ratio
  readonly unit: UnitMeaning['quantity'] | 'plain' | 'ratio'
}

/** The longest length that is taken, in metres, and the largest number of any kind: a document holds no larger ones. */
const LONGEST = 1_000_000
const LARGEST = 1_000_000_000

class Misread extends Error {}

/**
 * Reads what a person types into a field: a number, a measure or a sum of them in mixed units.
 *
 * A compound length binds tighter than any sign (`7 ft 5 in / 16 in` is 5.5625), a fraction right before a unit belongs
 * to it (`3/4 in`, `1 1/2"`), and `6-1/2"` is six and a half. A plain number takes the unit that the field shows.
 *
 * @param text what was typed
 * @param field what the field holds
 * @param shown the unit in which the field shows lengths
 * @param rate pictures a second, a whole number: in a field for times `f` is one of them
 * @returns metres for a length, radians for an angle, parts of one for a share, seconds for a time, copies to the square metre for a density, the
 *   number itself for a count or a factor; correctly rounded once from the exact sum. A sentence when the text cannot be read.
 */
export function parseQuantity(text: string, field: Quantity, shown: LengthUnit = 'mm', rate = 24): Result<number> {
  if (field === 'density') {
    const split = splitDensity(text, shown)
    if (!split.ok) return split
    const sum = parseQuantity(split.value.sum, 'factor', shown)
    return sum.ok ? done(sum.value / split.value.area) : sum
  }
  const cut = tokens(text)
  if (!cut.ok) return cut
  if (cut.value.length === 0) return refused(`Nothing is typed. ${example(field)}`)
  try {
    const reader = new Reader(cut.value, text, field, shown, rate)
    return finish(reader.whole(), text.trim(), field, shown)
  } catch (fault) {
    if (fault instanceof Misread) return refused(fault.message)
    throw fault
  }
}

function finish(value: Value, text: string, field: Quantity, shown: LengthUnit): Result<number> {
  const wanted = field === 'count' || field === 'factor' ? 'plain' : field
  const plain = value.unit === 'plain' || (value.unit === 'ratio' && wanted !== 'length')
  if (value.unit === 'share' && field === 'factor') return done(valueOf(value.amount))
  if (value.unit !== wanted && !plain) {
    return refused(`“${text}” is ${noun[value.unit]}, but ${noun[field]} is needed here. ${example(field)}`)
  }
  const exact = plain && value.unit !== wanted ? value.amount.mul(fieldUnit(field, shown)) : value.amount
  // Degrees become radians before anything is rounded.
  const number = valueOf(field === 'angle' ? exact.mul(PI).div(180) : exact)
  if (!Number.isFinite(number)) return refused(`“${text}” is not a finite number. ${example(field)}`)
  if (field === 'length' && Math.abs(number) > LONGEST)
    return refused(`“${text}” is further than 1 000 km. Type a shorter length.`)
  if (Math.abs(number) > LARGEST) return refused(`“${text}” is too large a number here. Type a smaller one.`)
  return done(number)
}

const noun = {
  length: 'a length',
  angle: 'an angle',
  share: 'a share',
  time: 'a time',
  count: 'a plain number',
  factor: 'a plain number',
  density: 'a density',
  plain: 'a plain number',
  ratio: 'one length divided by another, a plain number',
}

const example = (field: Quantity): string =>
  ({
    length: 'Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.',
    angle: 'Type an angle such as 22.5° or 360/16.',
    share: 'Type a share such as 40 %.',
    count: 'Type a whole number such as 9, or a sum such as 9 + 3.',
    factor: 'Type a number such as 1.5.',
    density: 'Type a density such as 12 /m² or 2 /ft².',
    time: 'Type a time such as 1.5 s, 36 f or 2 s / 3.',
  })[field]

/** Recursive descent over the tokens: sum → product → signed → bracket or quantity. */
class Reader {
  private at = 0

  constructor(
    private readonly tokens: readonly Token[],
    private readonly text: string,
    private readonly field: Quantity,
    private readonly shown: LengthUnit,
    private readonly rate: number,
  ) {}

  whole(): Value {
    const value = this.sum()
    const rest = this.tokens[this.at]
    if (rest) throw new Misread(this.unreadable(rest))
    return value
  }

  private sum(): Value {
    let left = this.product()
    for (;;) {
      const sign = this.sign('+', '-')
      if (!sign) return left
      const right = this.product()
      const [a, b] = this.alike(left, right)
      left = { amount: sign === '-' ? a.amount.sub(b.amount) : a.amount.add(b.amount), unit: a.unit }
    }
  }

  private product(): Value {
    let left = this.signed()
    for (;;) {
      const sign = this.sign('*', '/')
      if (!sign) return left
      const right = this.signed()
      left = sign === '*' ? this.times(left, right) : this.over(left, right)
    }
  }

  private times(a: Value, b: Value): Value {
    if (!isNumber(a) && !isNumber(b))
      throw new Misread(`${upper(noun[a.unit])} times ${noun[b.unit]} has no place in this field.`)
    return { amount: a.amount.mul(b.amount), unit: isNumber(b) ? a.unit : b.unit }
  }

  private over(a: Value, b: Value): Value {
    if (b.amount.n === 0n) throw new Misread('Nothing can be divided by 0.')
    if (isNumber(b)) return { amount: a.amount.div(b.amount), unit: a.unit }
    if (a.unit === b.unit) return { amount: a.amount.div(b.amount), unit: 'ratio' }
    if (a.unit === 'plain') return this.over(this.inField(a, b.unit), b)
    throw new Misread(`${upper(noun[a.unit])} cannot be divided by ${noun[b.unit]}.`)
  }

  /** Two values of one kind, so that they can be added: a plain number beside a length takes the field's unit. */
  private alike(a: Value, b: Value): [Value, Value] {
    if (a.unit === b.unit) return [a, b]
    if (a.unit === 'plain') return [this.inField(a, b.unit), b]
    if (b.unit === 'plain') return [a, this.inField(b, a.unit)]
    throw new Misread(`${upper(noun[a.unit])} and ${noun[b.unit]} cannot be added.`)
  }

  private inField(value: Value, unit: Value['unit']): Value {
    if (unit === 'ratio') return { amount: value.amount, unit }
    const size = fieldUnit(unit as Quantity, this.shown)
    return { amount: value.amount.mul(size), unit }
  }

  private signed(): Value {
    if (this.sign('-')) {
      const value = this.signed()
      return { amount: value.amount.neg(), unit: value.unit }
    }
    this.sign('+')
    return this.primary()
  }

  private primary(): Value {
    if (this.sign('(')) {
      const value = this.sum()
      if (!this.sign(')')) throw new Misread('A bracket is open: add “)” where it ends.')
      const unit = value.unit === 'plain' ? this.unit() : undefined
      return unit ? { amount: value.amount.mul(unit.size), unit: unit.quantity } : value
    }
    return this.quantity()
  }

  /** A number with its unit, and the smaller measures that follow it: `7 ft 5 in`, `5' 3 7/16"`, `30° 15'`. */
  private quantity(): Value {
    let amount = this.number()
    let unit = this.unit()
    if (!unit) return { amount, unit: 'plain' }
    amount = amount.mul(unit.size)
    for (;;) {
      const back = this.at
      const dash = this.tokens[this.at]
      // In 5'-3 7/16" the dash joins feet to inches, in 5' - 3" it takes away: only a dash that touches both sides joins.
      if (dash?.kind === 'sign' && dash.text === '-' && this.touchesBothSides()) this.at++
      if (this.tokens[this.at]?.kind !== 'number') {
        this.at = back
        return { amount, unit: unit.quantity }
      }
      const more = this.number()
      const smaller = this.unit()
      if (!smaller || smaller.quantity !== unit.quantity || valueOf(smaller.size) >= valueOf(unit.size)) {
        throw new Misread(this.unreadable(this.tokens[back]))
      }
      amount = amount.add(more.mul(smaller.size))
      unit = smaller
    }
  }

  /** A decimal, a fraction or a mixed number. `a/b` is a fraction only right before a unit; else it is a division. */
  private number(): Ratio {
    const token = this.tokens[this.at]
    if (token?.kind !== 'number')
      throw new Misread(token ? this.unreadable(token) : 'The sum ends too early: a number is missing.')
    const fraction = this.fractionAt(this.at)
    if (fraction) {
      this.at += 3
      return fraction
    }
    this.at++
    const first = fromDecimal(token.text)
    const next = this.tokens[this.at]
    const dash = next?.kind === 'sign' && next.text === '-' && this.touchesBothSides() ? 1 : 0
    const part = this.fractionAt(this.at + dash)
    if (!part || !/^\d+$/.test(token.text)) return first
    this.at += 3 + dash
    return first.add(part)
  }

  private fractionAt(at: number): Ratio | undefined {
    const [over, slash, under, unit] = this.tokens.slice(at, at + 4)
    if (over?.kind !== 'number' || slash?.text !== '/' || under?.kind !== 'number' || unit?.kind !== 'word')
      return undefined
    const below = fromDecimal(under.text)
    if (below.n === 0n) throw new Misread('Nothing can be divided by 0.')
    return fromDecimal(over.text).div(below)
  }

  private touchesBothSides(): boolean {
    const [before, dash, after] = this.tokens.slice(this.at - 1, this.at + 2)
    return before?.end === dash?.at && dash?.end === after?.at
  }

  private unit(): UnitMeaning | undefined {
    const token = this.tokens[this.at]
    if (token?.kind !== 'word') return undefined
    const meaning = unitNamed(token.text, this.field, this.rate)
    if (!meaning) throw new Misread(this.unreadable(token))
    this.at++
    return meaning
  }

  private sign<S extends string>(...wanted: S[]): S | undefined {
    const token = this.tokens[this.at]
    if (token?.kind !== 'sign' || !wanted.includes(token.text as S)) return undefined
    this.at++
    return token.text as S
  }

  private unreadable(token: Token): string {
    const place = token.at > 0 ? ` after “${this.text.slice(0, token.at).trim()}”` : ''
    if (token.kind === 'word') return `“${token.text}”${place} is not a unit. ${example(this.field)}`
    return `“${token.text}”${place} cannot be read. ${example(this.field)}`
  }
}

const isNumber = (value: Value): boolean => value.unit === 'plain' || value.unit === 'ratio'

const upper = (text: string): string => text[0].toUpperCase() + text.slice(1)
