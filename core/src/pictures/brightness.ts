/** Brightness, row by row from the top left, from 0 for black. */
export interface Gray {
  readonly width: number
  readonly height: number
  readonly values: Uint8Array | Uint16Array
  /** What white is: 255, or up to 65 535 where the picture tells finer shades. */
  readonly most: number
}

/**
 * The brightness at a place of a picture, blended between the middles of the four pixels about it.
 *
 * @param across from 0 at its left edge to 1
 * @param down from 0 at its top edge to 1
 * @returns from 0 to 1; undefined outside of it
 */
export function brightnessAt({ width, height, values, most }: Gray, across: number, down: number): number | undefined {
  if (!(across >= 0 && across <= 1 && down >= 0 && down <= 1)) return undefined
  const within = (n: number, end: number): number => Math.min(Math.max(n, 0), end)
  const [x, y] = [within(across * width - 0.5, width - 1), within(down * height - 0.5, height - 1)]
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [right, below] = [Math.min(left + 1, width - 1), Math.min(top + 1, height - 1)]
  const [u, v] = [x - left, y - top]
  const row = (r: number): number => (1 - u) * values[r * width + left] + u * values[r * width + right]
  return ((1 - v) * row(top) + v * row(below)) / most
}
