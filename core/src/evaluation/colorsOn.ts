import { nearestOnSurface } from '../contact/surfaceTree'
import { type InstanceTable } from '../instances'
import type { Vec3 } from '../values/values'
import { type PartSource, partMesh } from '../parts/partMesh'
import { type Quaternion, inverse, rotate } from '../geometry/rotation'
import type { Mesh } from '../geometry/mesh'

interface Painted {
  readonly mesh: Mesh
  readonly at: Vec3
  readonly back: Quaternion
  readonly size: Vec3
}

/**
 * The brightness of vertex colours near a place: that of the nearest point of all surfaces that carry any, blended between the
 * three corners of its triangle (luma of ITU-R BT.709, as the colours are seen).
 *
 * @returns undefined where no copy has vertex colours
 */
export function brightnessOn(
  table: InstanceTable,
  source: PartSource,
): ((place: Readonly<Vec3>) => number) | undefined {
  const painted: Painted[] = []
  const { position: p, quaternion: q, scale: s } = table
  for (let k = 0; k < table.count; k++) {
    const part = source.parts[table.thing[k]]
    const mesh = part && table.isPresent(k) ? partMesh(part, source) : undefined
    if (!mesh?.colors) continue
    const hand = table.isTwin(k) ? -1 : 1
    painted.push({
      mesh,
      at: [p[3 * k], p[3 * k + 1], p[3 * k + 2]],
      back: inverse([q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]),
      size: [hand * s[3 * k], s[3 * k + 1], s[3 * k + 2]],
    })
  }
  if (painted.length === 0) return undefined
  return (place) => {
    let [least, found] = [Infinity, 0]
    for (const { mesh, at, back, size } of painted) {
      const turned = rotate(back, place.map((n, i) => n - at[i]) as Vec3)
      const inside = turned.map((n, i) => n / size[i]) as Vec3
      const near = nearestOnSurface(mesh, inside)
      if (!near) continue
      const away = Math.hypot(...size.map((n, i) => n * (near.at[i] - inside[i])))
      if (away >= least) continue
      least = away
      found = near.corners.reduce((sum, v, i) => sum + near.shares[i] * lumaOf(mesh.colors!, v), 0)
    }
    return found
  }
}

const lumaOf = (colors: Uint8Array, v: number): number =>
  (0.2126 * colors[3 * v] + 0.7152 * colors[3 * v + 1] + 0.0722 * colors[3 * v + 2]) / 255
