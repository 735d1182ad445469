import { formatNumber } from '@hilera/core/numbers/format'

/** So many bars a chart has at the most. */
const MOST_BARS = 14
/** Widths of bars that read well, within a power of ten. */
const ROUND = [1, 2, 2.5, 5, 10]
/** What lies below the edge of a bar by no more than this share of its width is on the edge. */
const ON_EDGE = 1e-9

/** How values are spread: in bars, or all the same. */
export type Histogram =
  | { readonly as: 'bars'; readonly labels: string[]; readonly now: number[]; readonly before: number[] }
  | { readonly as: 'one'; readonly now: number; readonly before: number }
  | { readonly as: 'none' }

/**
 * Counts values in bars of one round width whose edges are round; both lists in the same bars, each named by its lower edge. One value
 * throughout is no chart.
 *
 * @param now in the unit in which they are shown, as are those before
 */
export function histogram(now: readonly number[], before: readonly number[]): Histogram {
  const all = [...now, ...before]
  if (now.length === 0) return { as: 'none' }
  const [least, most] = [leastOf(all), -leastOf(all.map((n) => -n))]
  const isOne = (values: readonly number[]): boolean =>
    -leastOf(values.map((n) => -n)) - leastOf(values) < 1e-9 * Math.max(1, Math.abs(most))
  if (isOne(now) && (before.length === 0 || isOne(before)))
    return { as: 'one', now: now[0], before: before[0] ?? now[0] }
  const step = roundStep((most - least) / (MOST_BARS - 1))
  const low = Math.floor(least / step + ON_EDGE) * step
  const bars = Math.floor((most - low) / step + ON_EDGE) + 1
  const count = (values: readonly number[]): number[] => {
    const counted = Array.from({ length: bars }, () => 0)
    for (const v of values) counted[Math.min(bars - 1, Math.floor((v - low) / step + ON_EDGE))]++
    return counted
  }
  // A quarter of a power of ten has a digit more.
  const power = Math.floor(Math.log10(step) + ON_EDGE)
  const digits = Math.max(0, -power + (Math.abs(step / 10 ** power - 2.5) < ON_EDGE ? 1 : 0))
  const labels = Array.from({ length: bars }, (_, i) => formatNumber(low + i * step, digits))
  return { as: 'bars', labels, now: count(now), before: count(before) }
}

const leastOf = (values: readonly number[]): number => values.reduce((a, b) => Math.min(a, b), Infinity)

/** The smallest round width that is no smaller. */
function roundStep(atLeast: number): number {
  const power = 10 ** Math.floor(Math.log10(atLeast))
  return power * ROUND.find((n) => n * power >= atLeast * (1 - 1e-9))!
}
