import { formatAngle } from '@hilera/core/numbers/format'

/** Degrees between named marks that read well. */
const STEPS = [0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 45, 90, 180, 360]

/** A ruler along a ring that tells angles. */
export function angleRuler(radius: number) {
  const round = Math.max(radius, 1e-9)
  const along = (degrees: number): number => (degrees * Math.PI * round) / 180
  return {
    /** Between marks that are at least so many metres apart; infinite where the whole ring is shorter. */
    step: (least: number): number => along(STEPS.find((degrees) => along(degrees) >= least) ?? Infinity),
    text: (at: number): string => formatAngle(at / round),
  }
}
