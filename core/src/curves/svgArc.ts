type Point = readonly [number, number]

/** Arcs are cut into pieces of at most this angle, for which a cubic is off by less than a 1e-10 of its radius. */
const PIECE = Math.PI / 18

/**
 * An elliptical arc of an SVG path as cubic pieces, each two handles and an end: from the end points to the centre as in
 * SVG 2, appendix B.2.4; radii that are too small are grown (B.2.5), a radius of 0 gives a straight line, equal ends nothing.
 *
 * @param turn of the ellipse against the x axis, in radians
 */
export function arcPieces(
  from: Point,
  rx: number,
  ry: number,
  turn: number,
  large: boolean,
  sweep: boolean,
  to: Point,
): [Point, Point, Point][] {
  if (from[0] === to[0] && from[1] === to[1]) return []
  let [a, b] = [Math.abs(rx), Math.abs(ry)]
  if (a === 0 || b === 0) return [[from, to, to]]
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const [hx, hy] = [(from[0] - to[0]) / 2, (from[1] - to[1]) / 2]
  const [x, y] = [cos * hx + sin * hy, -sin * hx + cos * hy]
  const need = (x * x) / (a * a) + (y * y) / (b * b)
  if (need > 1) [a, b] = [a * Math.sqrt(need), b * Math.sqrt(need)]
  const over = Math.max(0, (a * a * b * b - a * a * y * y - b * b * x * x) / (a * a * y * y + b * b * x * x))
  const k = (large === sweep ? -1 : 1) * Math.sqrt(over)
  const [cx1, cy1] = [(k * a * y) / b, (-k * b * x) / a]
  const [cx, cy] = [cos * cx1 - sin * cy1 + (from[0] + to[0]) / 2, sin * cx1 + cos * cy1 + (from[1] + to[1]) / 2]
  const start = Math.atan2((y - cy1) / b, (x - cx1) / a)
  let swept = Math.atan2((-y - cy1) / b, (-x - cx1) / a) - start
  if (sweep && swept < 0) swept += 2 * Math.PI
  if (!sweep && swept > 0) swept -= 2 * Math.PI
  const count = Math.max(1, Math.ceil(Math.abs(swept) / PIECE))
  const step = swept / count
  const handle = (4 / 3) * Math.tan(step / 4)
  const onEllipse = (u: number, v: number): Point => [cx + cos * a * u - sin * b * v, cy + sin * a * u + cos * b * v]
  return Array.from({ length: count }, (_, i) => {
    const [p, q] = [start + i * step, start + (i + 1) * step]
    const end = i === count - 1 ? to : onEllipse(Math.cos(q), Math.sin(q))
    return [
      onEllipse(Math.cos(p) - handle * Math.sin(p), Math.sin(p) + handle * Math.cos(p)),
      onEllipse(Math.cos(q) + handle * Math.sin(q), Math.sin(q) - handle * Math.cos(q)),
      end,
    ]
  })
}
