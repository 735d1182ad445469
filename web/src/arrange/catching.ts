import type { Vec3 } from '@hilera/core/values/values'
import * as THREE from 'three'
import type { Copies, Hit } from '../stage/copies'
import type { Viewer } from '../stage/viewer'

/** Corners and the pivot are caught from so many pixels away, and edges. */
const CORNER = 12
const EDGE = 9

const whole = (p: THREE.Vector3): Vec3 => p.toArray().map((n) => Math.round(n * 1e7) / 1e7 + 0) as Vec3

/** What a click on a copy catches: its nearest corner or its pivot, a place on its nearest edge, or the place on its face. */
export function caughtBy(hit: Hit, viewer: Viewer, clientX: number, clientY: number, pivot: Vec3): Vec3 {
  const edges = hit.edges()
  const { left, top } = viewer.canvas.getBoundingClientRect()
  const at = new THREE.Vector2(clientX - left, clientY - top)
  let corner: { p: THREE.Vector3; away: number } | undefined
  let along: { p: THREE.Vector3; away: number } | undefined
  const [a, b] = [new THREE.Vector3(), new THREE.Vector3()]
  const near = (end: { x: number; y: number }, p: THREE.Vector3): void => {
    const away = Math.hypot(end.x - at.x, end.y - at.y)
    if (away <= CORNER && (!corner || away < corner.away)) corner = { p: p.clone(), away }
  }
  near(viewer.toScreen(a.fromArray(pivot)), a)
  for (let k = 0; k < edges.length; k += 6) {
    const [from, to] = [viewer.toScreen(a.fromArray(edges, k)), viewer.toScreen(b.fromArray(edges, k + 3))]
    near(from, a)
    near(to, b)
    const [dx, dy] = [to.x - from.x, to.y - from.y]
    const length = dx * dx + dy * dy
    if (length < 1e-9) continue
    const share = Math.min(1, Math.max(0, ((at.x - from.x) * dx + (at.y - from.y) * dy) / length))
    const away = Math.hypot(from.x + share * dx - at.x, from.y + share * dy - at.y)
    if (away <= EDGE && (!along || away < along.away)) along = { p: a.clone().lerp(b, share), away }
  }
  const found = corner ?? along
  return whole(found ? found.p : viewer.ray(clientX, clientY).at(hit.distance, new THREE.Vector3()))
}

/**
 * Where a plane that faces along a direction is caught: at both faces and the middle of every copy that is shown, and at the
 * world's origin.
 *
 * @param except the pattern whose copies move with the plane
 */
export function planeCatches(copies: Copies | undefined, along: THREE.Vector3, except: string): number[] {
  const found = new Set([0])
  for (const { patternId, corners } of copies?.boxes() ?? []) {
    if (patternId === except) continue
    const reach = corners.map((corner) => corner.dot(along))
    const [low, high] = [Math.min(...reach), Math.max(...reach)]
    for (const at of [low, (low + high) / 2, high]) found.add(Math.round(at * 1e7) / 1e7)
  }
  return [...found]
}
