/** A place on the screen, in pixels. */
export interface ScreenPlace {
  readonly x: number
  readonly y: number
}

/** The corners of a rectangle between two of them. */
export const rectangle = (a: ScreenPlace, b: ScreenPlace): ScreenPlace[] => [
  a,
  { x: b.x, y: a.y },
  b,
  { x: a.x, y: b.y },
]

/** The lowest and highest x and y of places. */
export type Bounds = readonly [number, number, number, number]

export function boundsOf(places: readonly ScreenPlace[]): Bounds {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const { x, y } of places) {
    left = Math.min(left, x)
    top = Math.min(top, y)
    right = Math.max(right, x)
    bottom = Math.max(bottom, y)
  }
  return [left, top, right, bottom]
}

/** Whether two of them have a place in common. */
export const meet = (a: Bounds, b: Bounds): boolean => a[0] <= b[2] && b[0] <= a[2] && a[1] <= b[3] && b[1] <= a[3]

/** Whether a place lies inside a closed outline, by crossings of a ray to the right. */
export function isInside({ x, y }: ScreenPlace, outline: readonly ScreenPlace[]): boolean {
  let odd = false
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[i], outline[j]]
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) odd = !odd
  }
  return odd
}

/** Whether all corners of a thing lie inside the outline. */
export const enclosed = (corners: readonly ScreenPlace[], outline: readonly ScreenPlace[]): boolean =>
  corners.every((corner) => isInside(corner, outline))

/** Whether an outline touches a thing: one lies in the other, or the outline runs across the box in which the thing is seen. */
export function touched(corners: readonly ScreenPlace[], outline: readonly ScreenPlace[]): boolean {
  if (corners.some((corner) => isInside(corner, outline))) return true
  const [left, top, right, bottom] = boundsOf(corners)
  const box = rectangle({ x: left, y: top }, { x: right, y: bottom })
  if (outline.some((place) => isInside(place, box))) return true
  return outline.some((a, i) => {
    const b = outline[(i + 1) % outline.length]
    return box.some((c, j) => cross(a, b, c, box[(j + 1) % 4]))
  })
}

/** Whether two lines cross between their ends. */
function cross(a: ScreenPlace, b: ScreenPlace, c: ScreenPlace, d: ScreenPlace): boolean {
  const side = (p: ScreenPlace, q: ScreenPlace, r: ScreenPlace): number =>
    Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  return side(a, b, c) !== side(a, b, d) && side(c, d, a) !== side(c, d, b)
}
