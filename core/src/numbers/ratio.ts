/**
 * A number kept as a fraction of two whole doubles while both stay exact, so that a typed sum is rounded once,
 * at its end, and never on the way: 1/3 in, 0.1 mm and 7 ft 5 in all come out as the nearest double.
 */
export interface Ratio {
  readonly n: number
  readonly d: number
}

export const ratio = (n: number, d = 1): Ratio => reduce(n, d)
export const valueOf = (a: Ratio): number => a.n / a.d

/** Reads an unsigned decimal literal ("12", "0.1", ".5", "1e9") exactly. */
export function fromDecimal(text: string): Ratio {
  const [figures, exponent = '0'] = text.toLowerCase().split('e')
  const [whole, part = ''] = figures.split('.')
  const power = Number(exponent) - part.length
  const digits = Number(`${whole}${part}`)
  return power < 0 ? reduce(digits, 10 ** -power) : reduce(digits * 10 ** power, 1)
}

export const add = (a: Ratio, b: Ratio): Ratio => reduce(a.n * b.d + b.n * a.d, a.d * b.d)
export const negate = (a: Ratio): Ratio => ({ n: -a.n, d: a.d })
export const multiply = (a: Ratio, b: Ratio): Ratio => reduce(a.n * b.n, a.d * b.d)
export const divide = (a: Ratio, b: Ratio): Ratio =>
  b.n < 0 ? reduce(-a.n * b.d, -a.d * b.n) : reduce(a.n * b.d, a.d * b.n)

function reduce(n: number, d: number): Ratio {
  if (!Number.isSafeInteger(n) || !Number.isSafeInteger(d)) return { n: n / d, d: 1 }
  const g = gcd(Math.abs(n), d)
  return g > 1 ? { n: n / g, d: d / g } : { n, d }
}

function gcd(a: number, b: number): number {
  while (b !== 0) [a, b] = [b, a % b]
  return a
}
