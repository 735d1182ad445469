import { type Box, sizeOfBox } from '../geometry/box'
import { niceStep } from '../numbers/niceStep'
import type { LengthUnit } from '../numbers/units'

/** What a new layout is fitted to. */
export interface Start {
  /** How far the thing reaches across, up and deep, in metres. */
  readonly width: number
  readonly height: number
  readonly depth: number
  /** In which the figures it begins with are round. */
  readonly unit: LengthUnit
  /** Another pattern, for a layout that needs one. */
  readonly host?: string
  /** A ground, for a layout that needs one. */
  readonly ground?: string
}

/** A thing is taken to be a millimetre large at least: what has no extent gives no spacing. */
const LEAST = 0.001

/** How a layout begins for a thing that fills a box. */
export function startFor(box: Box, unit: LengthUnit): Start {
  const [width, height, depth] = sizeOfBox(box).map((n) => Math.max(n, LEAST))
  return { width, height, depth, unit }
}

/** So much of a figure its step may be: tenths and hundreds read well, small parts of an inch do not. */
const PARTS: Readonly<Record<LengthUnit, number>> = { mm: 20, cm: 20, m: 20, in: 10, ftin: 10 }

/**
 * The next round figure of a unit from a length on, in metres: at a step of 1, 2 or 5 that is no more than a small part of it. Never
 * less, so that what is to clear something does.
 */
export function roundFigure(metres: number, unit: LengthUnit): number {
  const length = Math.max(metres, LEAST)
  const step = niceStep(length / PARTS[unit], unit)
  // To a picometre, so that 6 times 0.02 is 0.12.
  return Math.round(Math.ceil(length / step - 1e-9) * step * 1e12) / 1e12
}
