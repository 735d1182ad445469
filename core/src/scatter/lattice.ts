import { type Area, isInside } from './area'
import type { Margin, Scatter } from './spread'

/**
 * Points in rows, square or hexagonal, about the middle of an area's box: the nearest to it first, so that a higher count keeps those
 * that there were. A point's dart is its row and its place in it, folded into one number: it stays whatever the outline is.
 *
 * @param pitch from one to the next, and from row to row: √3/2 of it where rows are each half a step on
 */
export function lattice(
  area: Area,
  margin: Margin,
  count: number,
  pitch: number,
  how: 'square' | 'hexagonal',
): Scatter {
  const { low, high } = area
  const middle = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  const apart = how === 'square' ? pitch : (pitch * Math.sqrt(3)) / 2
  const rows = Math.ceil((high[1] - low[1]) / 2 / apart)
  const columns = Math.ceil((high[0] - low[0]) / 2 / pitch) + 1
  const found: { x: number; y: number; dart: number; away: number }[] = []
  for (let j = -rows; j <= rows; j++) {
    const shift = how === 'hexagonal' && j % 2 !== 0 ? 0.5 : 0
    for (let i = -columns; i <= columns; i++) {
      const [x, y] = [middle[0] + (i + shift) * pitch, middle[1] + j * apart]
      const dart = pairNumber(i, j)
      if (isInside(area, x, y, margin.of(dart, found.length)) && margin.keeps?.(x, y, dart) !== false)
        found.push({ x, y, dart, away: (x - middle[0]) ** 2 + (y - middle[1]) ** 2 })
    }
  }
  const chosen = found.sort((a, b) => a.away - b.away || a.dart - b.dart).slice(0, count)
  return {
    points: Float64Array.from(chosen.flatMap(({ x, y }) => [x, y])),
    darts: Uint32Array.from(chosen, ({ dart }) => dart),
    count: chosen.length,
    full: chosen.length < count,
  }
}

/** Two whole numbers as one: each zigzag to 0, 1, 2 …, then along the diagonals (Cantor 1878). */
export function pairNumber(i: number, j: number): number {
  const [a, b] = [i, j].map((n) => (n >= 0 ? 2 * n : -2 * n - 1))
  return ((a + b) * (a + b + 1)) / 2 + b
}
