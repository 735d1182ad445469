import { Fraction } from 'fraction.js'

/**
 * What is typed is kept as an exact fraction until it has been worked out, so that a sum is rounded once, at its end, and
 * never on the way: 1/3 in, 0.1 mm and 7 ft 5 in all come out as the nearest double.
 */
export type Ratio = Fraction

export const ratio = (n: number, d = 1): Ratio => new Fraction(n, d)

/** Above this, or below its opposite, nothing is a finite double or differs from 0. */
const MOST_DECIMALS = 400

/** Reads an unsigned decimal literal ("12", "0.1", ".5", "1e9") exactly. */
export function fromDecimal(text: string): Ratio {
  const [figures, exponent = '0'] = text.toLowerCase().split('e')
  const power = Math.max(-MOST_DECIMALS, Math.min(MOST_DECIMALS, Number(exponent)))
  const size = 10n ** BigInt(Math.abs(power))
  const read = new Fraction(figures.endsWith('.') ? figures.slice(0, -1) : figures)
  return power < 0 ? read.div(size) : read.mul(size)
}

/** The nearest double: fraction.js rounds numerator and denominator first where they are long, and so rounds twice. */
export function valueOf({ s, n, d }: Ratio): number {
  if (n <= Number.MAX_SAFE_INTEGER && d <= Number.MAX_SAFE_INTEGER) return Number(s * n) / Number(d)
  // 64 bits of the quotient or more, the last of them set where anything is left: enough to round once.
  const shift = Math.max(0, 66 + bits(d) - bits(n))
  const scaled = n << BigInt(shift)
  const quotient = (scaled / d) | (scaled % d === 0n ? 0n : 1n)
  return Number(s) * Number(quotient) * 2 ** -shift
}

const bits = (n: bigint): number => n.toString(2).length
