import { mix } from '../slots'
import type { Balls } from './bodies'
import type { NearPairs } from './nearPairs'
import type { PushOptions } from './pushApart'

/**
 * One round over balls: each pair that is nearer than asked moves apart by what it lacks, along the axes that are free, each by half. A
 * closed form, where other bodies are walked about.
 *
 * @returns by how much the worst pair lacked the clearance when it was met, in metres
 */
export function pushBalls(
  { position: p, middle: m, radius }: Balls,
  { list, count }: NearPairs,
  { clearance, free, held }: PushOptions,
): number {
  const [fx, fy, fz] = free
  let worst = 0
  for (let n = 0; n < 2 * count; n += 2) {
    const i = list[n]
    const j = list[n + 1]
    const a = 3 * i
    const b = 3 * j
    let x = p[b] + m[b] - p[a] - m[a]
    let y = p[b + 1] + m[b + 1] - p[a + 1] - m[a + 1]
    let z = p[b + 2] + m[b + 2] - p[a + 2] - m[a + 2]
    const reach = radius[i] + radius[j] + clearance
    const square = x * x + y * y + z * z
    if (square >= reach * reach) continue
    const lack = reach - Math.sqrt(square)
    if (lack > worst) worst = lack
    if (!fx) x = 0
    if (!fy) y = 0
    if (!fz) z = 0
    const along = x * x + y * y + z * z
    const distance = Math.sqrt(along)
    // What lies across the axes that are free stays: so far apart along them the two are clear.
    const wanted = Math.sqrt(reach * reach - (square - along))
    // A hair more than is lacking, so that rounding does not leave them touching by too much.
    const amount = (wanted - distance) * (1 + 1e-9)
    // So near each other the squares run out of digits, and a direction would not be of unit length.
    if (distance > 1e-140) {
      x /= distance
      y /= distance
      z /= distance
    } else {
      chanceWay(i, j, free, way)
      x = way[0]
      y = way[1]
      z = way[2]
    }
    const first = held?.[i] ? 0 : held?.[j] ? amount : amount / 2
    const second = amount - first
    p[a] -= first * x
    p[a + 1] -= first * y
    p[a + 2] -= first * z
    p[b] += second * x
    p[b + 1] += second * y
    p[b + 2] += second * z
  }
  return worst
}

const way = new Float64Array(3)

/** A direction along the axes that are free, for two bodies that stand in one place: settled by who they are. */
export function chanceWay(i: number, j: number, free: readonly boolean[], out: Float64Array): void {
  const axes = [0, 1, 2].filter((c) => free[c])
  const u = mix(i * 2 + 1) / 2 ** 32
  const v = mix(mix(j * 2 + 1) ^ i) / 2 ** 32
  out.fill(0)
  if (axes.length === 1) out[axes[0]] = v < 0.5 ? -1 : 1
  if (axes.length < 2) return
  const up = axes.length === 3 ? 2 * u - 1 : 0
  const flat = Math.sqrt(1 - up * up)
  out[axes[0]] = flat * Math.cos(2 * Math.PI * v)
  out[axes[axes.length - 1]] = flat * Math.sin(2 * Math.PI * v)
  if (axes.length === 3) out[1] = up
}
