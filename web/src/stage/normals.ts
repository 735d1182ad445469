import { inWorld } from '@hilera/core/model/inWorld'
import type { InstanceTable } from '@hilera/core/instances'
import type { Pattern } from '@hilera/core/model/pattern'
import * as THREE from 'three'

/** Of a crowd so many arrows are drawn, spread over all of it. */
const MOST = 4000
/** An arrow's head, in parts of its length. */
const HEAD = 0.22

/** How a ground looks under copies: an arrow at each, along the normal there. */
export class Normals {
  readonly lines = new THREE.LineSegments(
    new THREE.BufferGeometry(),
    new THREE.LineBasicMaterial({ depthTest: false, transparent: true }),
  )

  constructor() {
    this.lines.frustumCulled = false
    this.lines.renderOrder = 2
  }

  /** @param placeAt height and normal of what lies topmost under a place of the world; undefined where nothing does */
  show(
    pattern: Pattern,
    table: InstanceTable,
    placeAt: (x: number, z: number) => Float64Array | undefined,
    length: number,
    color: string,
  ): void {
    const points: number[] = []
    const each = Math.max(1, Math.ceil(table.count / MOST))
    for (let k = 0; k < table.count; k += each) {
      if (!table.isPresent(k)) continue
      const [x, , z] = inWorld(pattern, table.placingOf(k)).move
      const place = placeAt(x, z)
      if (place) arrow([x, place[0], z], [place[1], place[2], place[3]], length, points)
    }
    this.put(points, color)
  }
  clear(): void {
    this.put([], '#000000')
  }
  private put(points: readonly number[], color: string): void {
    this.lines.geometry.dispose()
    this.lines.geometry = new THREE.BufferGeometry()
    this.lines.geometry.setAttribute('position', new THREE.Float32BufferAttribute(points, 3))
    ;(this.lines.material as THREE.LineBasicMaterial).color.set(color)
  }
}

/** A stem with a head of two strokes across it. */
function arrow(from: readonly number[], way: readonly number[], length: number, out: number[]): void {
  const end = from.map((n, i) => n + length * way[i])
  const side = Math.abs(way[0]) < 0.9 ? [0, way[2], -way[1]] : [-way[2], 0, way[0]]
  const wide = Math.hypot(...side)
  out.push(...from, ...end)
  for (const hand of [1, -1]) {
    const back = end.map((n, i) => n - HEAD * length * (way[i] - (hand * 0.5 * side[i]) / wide))
    out.push(...end, ...back)
  }
}
