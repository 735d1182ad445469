import type { Spacing } from '../values/spacing'

/** A count at the spacing that there is now: the room follows. */
export function countAt(spacing: Spacing, count: number, now: number): void {
  if (!Number.isNaN(now)) spacing.spacing = now
  spacing.count = count
  spacing.hold = ['spacing', 'count']
}

/** A spacing so much wider than it came out; than it is held where a single copy has none. */
export const spacingBy = (held: number, now: number, by: number): number =>
  Math.round(((Number.isNaN(now) ? held : now) + by) * 1e9) / 1e9
