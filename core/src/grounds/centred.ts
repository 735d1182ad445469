import type { Level } from './surface'

/** A rectangle about the origin. */
export const centred = (width: number, depth: number): Level => ({
  lowX: -width / 2,
  highX: width / 2,
  lowZ: -depth / 2,
  highZ: depth / 2,
})
