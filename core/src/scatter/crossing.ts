import type { Area } from './area'

/** Of more edges than these it is not looked at: it would take longer than filling. */
const MOST_EDGES = 1000

/** Whether any two edges of an area's outlines cross, so that only the even-odd rule says what lies inside. */
export function outlinesCross({ rings }: Area): boolean {
  const edges = rings.flatMap((p) =>
    Array.from({ length: p.length / 2 }, (_, k) => {
      const [i, j] = [2 * k, (2 * k + 2) % p.length]
      return [p[i], p[i + 1], p[j], p[j + 1]] as const
    }),
  )
  if (edges.length > MOST_EDGES) return false
  return edges.some((a, i) => edges.slice(i + 1).some((b) => cross(a, b)))
}

type Edge = readonly [ax: number, ay: number, bx: number, by: number]

/** Whether two edges cross between their ends. */
function cross([ax, ay, bx, by]: Edge, [cx, cy, dx, dy]: Edge): boolean {
  const side = (x: number, y: number): number => (bx - ax) * (y - ay) - (by - ay) * (x - ax)
  const other = (x: number, y: number): number => (dx - cx) * (y - cy) - (dy - cy) * (x - cx)
  return side(cx, cy) * side(dx, dy) < 0 && other(ax, ay) * other(bx, by) < 0
}
