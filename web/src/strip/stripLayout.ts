import type { Strip } from '@hilera/core/spacing/strip'

/** Metres of a strip on the screen. */
export interface StripScale {
  /** Pixels a metre. */
  readonly perMetre: number
  /** Where 0 lies, in pixels. */
  readonly zero: number
}

/** Fits a strip and its room into a width, with a margin at both sides. */
export function scaleFor(strip: Strip, room: { low: number; high: number }, width: number, margin: number): StripScale {
  let [low, high] = [room.low, room.high]
  for (let i = 0; i < strip.count; i++) {
    low = Math.min(low, strip.low[i])
    high = Math.max(high, strip.high[i])
  }
  const perMetre = (width - 2 * margin) / Math.max(high - low, 1e-6)
  return { perMetre, zero: margin - low * perMetre }
}

/** How a spacing is read between neighbour i and the next: from pivot to pivot, clear, or outside to outside. */
export function readBetween(strip: Strip, i: number, measure: 'pitch' | 'gap' | 'overall'): number {
  if (measure === 'pitch') return strip.pivot[i + 1] - strip.pivot[i]
  return measure === 'gap' ? strip.low[i + 1] - strip.high[i] : strip.high[i + 1] - strip.low[i]
}

/** Marks of a ruler: a named one every step and nine small ones between; where no step is wide enough, the zero alone. */
export function rulerMarks(
  low: number,
  high: number,
  step: number,
): { readonly at: number; readonly named: boolean }[] {
  if (!Number.isFinite(step)) return [{ at: 0, named: true }]
  const minor = step / 10
  const marks = []
  for (let n = Math.ceil(low / minor - 1e-9); n <= Math.floor(high / minor + 1e-9); n++)
    marks.push({ at: (n || 0) * minor, named: n % 10 === 0 })
  return marks
}

/** How wide a character of a figure is, and how much stays free between two of them, in pixels. */
const CHARACTER = 6.7
const BETWEEN = 6

/**
 * Which figures are written where not all of them have room: what matters goes first, then from left to right, so that none stands on
 * another.
 *
 * @param figures with their middles in pixels, from left to right
 */
export function figuresWithRoom(
  figures: readonly { readonly at: number; readonly text: string; readonly matters: boolean }[],
): boolean[] {
  const taken: [number, number][] = []
  const shown = figures.map(() => false)
  const put = (matters: boolean): void => {
    for (const [i, { at, text, matters: own }] of figures.entries()) {
      const half = (text.length * CHARACTER + BETWEEN) / 2
      if (own !== matters || taken.some(([low, high]) => at - half < high && at + half > low)) continue
      taken.push([at - half, at + half])
      shown[i] = true
    }
  }
  put(true)
  put(false)
  return shown
}
