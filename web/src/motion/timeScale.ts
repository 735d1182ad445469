import { niceStep } from '@hilera/core/numbers/niceStep'
import type { Bar } from '@hilera/core/motion/definition'

/** Seconds and pixels of the time strip. */
export interface TimeScale {
  readonly x: (seconds: number) => number
  readonly seconds: (x: number) => number
  /** Where the axis has its marks, and how many decimals their figures need. */
  readonly ticks: readonly number[]
  readonly places: number
}

/** Room beside the axis for the figures at its ends, and how far apart its figures stand, in pixels. */
const MARGIN = 16
const TICK = 70

/** @param width of the strip in pixels */
export function timeScale(length: number, width: number): TimeScale {
  const per = Math.max(width - 2 * MARGIN, 1) / length
  // Steps in seconds read well as those in metres do.
  const step = niceStep(TICK / per, 'm')
  const count = Math.floor(length / step + 1e-9)
  return {
    x: (seconds) => MARGIN + seconds * per,
    seconds: (x) => (x - MARGIN) / per,
    ticks: Array.from({ length: count + 1 }, (_, i) => i * step),
    places: Math.max(0, -Math.floor(Math.log10(step) + 1e-9)),
  }
}

/** A time on the nearest picture. */
export const onPicture = (seconds: number, rate: number): number => Math.round(seconds * rate) / rate

/** The thinnest a bar is drawn, and the highest, in pixels. */
const THIN = 2
const HIGH = 8

/** The bars that have room above each other, and how high each is; of more than that, some spread over all. */
export function barsShown(
  bars: readonly Bar[],
  height: number,
): { readonly shown: readonly Bar[]; readonly high: number } {
  const most = Math.max(1, Math.floor(height / THIN))
  if (bars.length <= most) return { shown: bars, high: Math.min(HIGH, height / Math.max(bars.length, 1)) }
  const shown = Array.from({ length: most }, (_, i) => bars[Math.round((i * (bars.length - 1)) / (most - 1 || 1))])
  return { shown, high: THIN }
}
