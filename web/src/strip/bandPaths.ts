import type { Strip } from '@hilera/core/spacing/strip'
import type { facePath } from '../parts/silhouettes'

type Face = Parameters<typeof facePath>[0]

/** A face of a silhouette as path data: to scale along the ruler, pressed together upwards, standing on the floor. */
export function squeezedFace(
  face: Face,
  { at, across, up, base, floor }: Record<'at' | 'across' | 'up' | 'base' | 'floor', number>,
): string {
  const points = face.points.map(([a, b]) => `${(at + a * across).toFixed(2)} ${(floor - (b - base) * up).toFixed(2)}`)
  return `M${points.join('L')}Z`
}

/** Many copies as the path data of plain blocks, those that fall on one pixel drawn once. */
export function blocks(strip: Strip, x: (metres: number) => number, floor: number, tall: number): string {
  let out = ''
  let last = -Infinity
  for (let i = 0; i < strip.count; i++) {
    const high = x(strip.high[i])
    if (high - last < 0.6) continue
    const low = x(strip.low[i])
    const right = Math.max(high, low + 0.5)
    out += `M${low.toFixed(1)} ${floor}V${floor - tall * 0.7}H${right.toFixed(1)}V${floor}Z`
    last = high
  }
  return out
}
