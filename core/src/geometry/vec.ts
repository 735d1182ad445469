/** Across (X), up (Y), deep (Z): right-handed, Y up, metres, as in glTF 2.0. */
export type Vec3 = [number, number, number]

export const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

export const cross = (a: ArrayLike<number>, b: ArrayLike<number>): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

export const plus = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const minus = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const times = (a: Readonly<Vec3>, by: number): Vec3 => [a[0] * by, a[1] * by, a[2] * by]

/** Two unit vectors square to one and to each other; all three are right-handed, the given one the last. */
export function acrossTo([x, y, z]: Readonly<Vec3>): [Vec3, Vec3] {
  const side: Vec3 = Math.abs(y) > 0.9 ? [1, 0, 0] : [0, 1, 0]
  const along = x * side[0] + y * side[1] + z * side[2]
  const raw: Vec3 = [side[0] - along * x, side[1] - along * y, side[2] - along * z]
  const size = Math.hypot(...raw)
  const a = raw.map((n) => n / size) as Vec3
  return [a, [y * a[2] - z * a[1], z * a[0] - x * a[2], x * a[1] - y * a[0]]]
}
