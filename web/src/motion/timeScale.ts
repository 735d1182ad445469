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

/** From when to when the strip shows, in seconds. */
export interface Span {
  readonly from: number
  readonly to: number
}

/** @param width of the strip in pixels */
export function timeScale({ from, to }: Span, width: number): TimeScale {
  const per = Math.max(width - 2 * MARGIN, 1) / (to - from)
  // Steps in seconds read well as those in metres do.
  const step = niceStep(TICK / per, 'm')
  const first = Math.ceil(from / step - 1e-9)
  const count = Math.floor(to / step + 1e-9) - first
  return {
    x: (seconds) => MARGIN + (seconds - from) * per,
    seconds: (x) => from + (x - MARGIN) / per,
    ticks: Array.from({ length: count + 1 }, (_, i) => (first + i) * step),
    places: Math.max(0, -Math.floor(Math.log10(step) + 1e-9)),
  }
}

/** So many pictures are shown at the least. */
const LEAST = 6

/**
 * So many times as much of the time, or as little, the moment staying where it is seen; no more than all of it.
 *
 * @param by above 1 for a closer look
 * @param length of all, in seconds, at so many pictures a second
 */
export function closer({ from, to }: Span, at: number, by: number, length: number, rate: number): Span {
  const span = Math.min(Math.max((to - from) / by, Math.min(LEAST / rate, length)), length)
  return within({ from: at - ((at - from) / (to - from)) * span, to: 0 }, span, length)
}

/** So many seconds on, as far as there is time. */
export const shifted = ({ from, to }: Span, by: number, length: number): Span =>
  within({ from: from + by, to }, to - from, length)

function within({ from }: Span, span: number, length: number): Span {
  const begin = Math.min(Math.max(from, 0), length - span)
  return { from: begin, to: begin + span }
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
