/** So many bars a chart has. */
const BARS = 14

/** Counts values in bars of one width; both lists in the same bars. */
export function histogram(
  now: readonly number[],
  before: readonly number[],
  label: (value: number) => string,
): { labels: string[]; now: number[]; before: number[] } {
  const all = [...now, ...before]
  if (all.length === 0) return { labels: [], now: [], before: [] }
  const low = all.reduce((a, b) => Math.min(a, b), Infinity)
  const high = all.reduce((a, b) => Math.max(a, b), -Infinity)
  // Values that rounding alone tells apart are one bar.
  if (high - low < 1e-9 * Math.max(1, Math.abs(high)))
    return { labels: [label(low)], now: [now.length], before: [before.length] }
  const width = (high - low) / BARS
  const count = (values: readonly number[]): number[] => {
    const bars = Array.from({ length: BARS }, () => 0)
    for (const v of values) bars[Math.min(BARS - 1, Math.floor((v - low) / width))]++
    return bars
  }
  const labels = Array.from({ length: BARS }, (_, i) => label(low + (i + 0.5) * width))
  return { labels, now: count(now), before: count(before) }
}
