import type { Vec3 } from '@hilera/core/values/values'
import * as THREE from 'three'
import type { Copies, Hit } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'

/** Corners and the pivot are caught from so many pixels away, and edges. */
const CORNER = 12
const EDGE = 9

const whole = (p: THREE.Vector3): Vec3 => p.toArray().map((n) => Math.round(n * 1e7) / 1e7 + 0) as Vec3

/** What can be caught of a copy, along an axis, about one, or under the pointer where no copy is. */
export const catchables = [
  'corners',
  'middles',
  'centres',
  'pivots',
  'edges',
  'faces',
  'outlines',
  'angles',
  'curves',
  'dots',
  'lines',
] as const
export type Catchable = (typeof catchables)[number]
export const catchWords: Readonly<Record<Catchable, { readonly one: string; readonly all: string }>> = {
  corners: { one: 'corner', all: 'corners' },
  middles: { one: 'middle', all: 'middles of edges' },
  centres: { one: 'middle of a face', all: 'middles of faces' },
  pivots: { one: 'pivot', all: 'pivots' },
  edges: { one: 'edge', all: 'edges' },
  faces: { one: 'face', all: 'faces' },
  outlines: { one: 'outline', all: 'outlines' },
  angles: { one: 'angle', all: 'angles' },
  curves: { one: 'point', all: 'points of curves' },
  dots: { one: 'dot', all: 'dots of the ground' },
  lines: { one: 'centre line', all: 'centre lines' },
}

export interface Caught {
  readonly at: Vec3
  readonly what: Catchable
}

/** Something under the pointer: so many pixels away from it, and so far along the way one looks, in metres. */
interface Seen {
  readonly p: THREE.Vector3
  readonly away: number
  readonly deep: number
}

/** Of what lies in one place of the picture the nearer one is meant: a flat view shows an upper edge and the lower one as one line. */
const SAME_PLACE = 0.5
const isBefore = (a: Seen, b: Seen): boolean =>
  Math.abs(a.away - b.away) <= SAME_PLACE ? a.deep < b.deep : a.away < b.away

/**
 * What a click on a copy catches: its nearest corner, the middle of an edge or of the flat face that was hit, or its pivot, a
 * place on its nearest edge, or the place on its face.
 *
 * @param wants what may be caught; the place under the pointer counts as a face
 */
export function caughtBy(
  hit: Hit,
  viewer: Viewer,
  clientX: number,
  clientY: number,
  pivot: Vec3,
  wants: (what: Catchable) => boolean = () => true,
): Caught {
  const edges = hit.edges()
  const { left, top } = viewer.canvas.getBoundingClientRect()
  const at = new THREE.Vector2(clientX - left, clientY - top)
  const { direction } = viewer.ray(clientX, clientY)
  let point: (Seen & { what: Catchable }) | undefined
  let along: Seen | undefined
  const [a, b, middle] = [new THREE.Vector3(), new THREE.Vector3(), new THREE.Vector3()]
  const near = (end: { x: number; y: number }, p: THREE.Vector3, what: Catchable): void => {
    const away = Math.hypot(end.x - at.x, end.y - at.y)
    if (away > CORNER || !wants(what)) return
    const found = { p: p.clone(), away, deep: p.dot(direction), what }
    if (!point || isBefore(found, point)) point = found
  }
  near(viewer.toScreen(a.fromArray(pivot)), a, 'pivots')
  for (let k = 0; k < edges.length; k += 6) {
    const [from, to] = [viewer.toScreen(a.fromArray(edges, k)), viewer.toScreen(b.fromArray(edges, k + 3))]
    near(from, a, 'corners')
    near(to, b, 'corners')
    middle.lerpVectors(a, b, 0.5)
    near(viewer.toScreen(middle), middle, 'middles')
    const { share, away } = nearestOn(from, to, at.x, at.y)
    if (away > EDGE || !wants('edges')) continue
    const p = a.clone().lerp(b, share)
    const found = { p, away, deep: p.dot(direction) }
    if (!along || isBefore(found, along)) along = found
  }
  const centre = hit.middle()
  if (centre) near(viewer.toScreen(centre), centre, 'centres')
  if (point) return { at: whole(point.p), what: point.what }
  if (along) return { at: whole(along.p), what: 'edges' }
  return { at: whole(viewer.ray(clientX, clientY).at(hit.distance, new THREE.Vector3())), what: 'faces' }
}

/** The nearest of places in the world that lie under the pointer; undefined where none is near. */
export function caughtOfPoints(
  points: readonly Readonly<Vec3>[],
  viewer: Viewer,
  clientX: number,
  clientY: number,
): { readonly at: Vec3; readonly away: number } | undefined {
  const { left, top } = viewer.canvas.getBoundingClientRect()
  let best: { at: Vec3; away: number } | undefined
  const p = new THREE.Vector3()
  for (const point of points) {
    const { x, y, seen } = viewer.toScreen(p.set(...point))
    const away = Math.hypot(x - clientX + left, y - clientY + top)
    if (seen && away <= CORNER && (!best || away < best.away)) best = { at: [...point], away }
  }
  return best
}

/** The place on the nearest of straight pieces in the world, from and to after each other, under the pointer. */
export function caughtOfPieces(
  pieces: Float64Array,
  viewer: Viewer,
  clientX: number,
  clientY: number,
): { readonly at: Vec3; readonly away: number } | undefined {
  const { left, top } = viewer.canvas.getBoundingClientRect()
  const [x, y] = [clientX - left, clientY - top]
  let best: { at: Vec3; away: number } | undefined
  const [a, b] = [new THREE.Vector3(), new THREE.Vector3()]
  for (let k = 0; k < pieces.length; k += 6) {
    const [from, to] = [viewer.toScreen(a.fromArray(pieces, k)), viewer.toScreen(b.fromArray(pieces, k + 3))]
    if (!from.seen || !to.seen) continue
    const { share, away } = nearestOn(from, to, x, y)
    if (away <= EDGE && (!best || away < best.away)) best = { at: whole(a.lerp(b, share)), away }
  }
  return best
}

/** Where a straight piece on the screen comes nearest to a place, as a share of the way, and how near. */
function nearestOn(
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
  x: number,
  y: number,
): { readonly share: number; readonly away: number } {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const length = dx * dx + dy * dy
  if (length < 1e-9) return { share: 0, away: Infinity }
  const share = Math.min(1, Math.max(0, ((x - from.x) * dx + (y - from.y) * dy) / length))
  return { share, away: Math.hypot(from.x + share * dx - x, from.y + share * dy - y) }
}

/**
 * What is caught where no copy is: the centre lines of the world, and the dots of the ground.
 *
 * @param dots the step of the dots, in metres
 */
export function caughtOnGround(
  viewer: Viewer,
  clientX: number,
  clientY: number,
  dots: number,
  wants: (what: Catchable) => boolean,
): Caught | undefined {
  const p = viewer.onPlane(clientX, clientY, new THREE.Vector3(), viewer.dragNormal())
  if (!p) return undefined
  const near = CORNER * viewer.metresPerPixel(p)
  const flat = [0, 1, 2].filter((i) => Math.abs(viewer.dragNormal().getComponent(i)) < 0.5)
  const onLine = flat.filter((i) => wants('lines') && Math.abs(p.getComponent(i)) < near)
  const onDot =
    wants('dots') && flat.every((i) => Math.abs(p.getComponent(i) - dots * Math.round(p.getComponent(i) / dots)) < near)
  if (onLine.length === 0 && !onDot) return undefined
  for (const i of flat) {
    if (onLine.includes(i)) p.setComponent(i, 0)
    else if (onDot) p.setComponent(i, dots * Math.round(p.getComponent(i) / dots))
  }
  return { at: whole(p), what: onLine.length > 0 ? 'lines' : 'dots' }
}

/**
 * Where a plane that faces along a direction is caught: at both faces and the middle of every copy that is shown, and at the
 * world's origin.
 *
 * @param except the pattern whose copies move with the plane
 */
export function planeCatches(copies: Copies | undefined, along: THREE.Vector3, except: string): number[] {
  const found = new Set([0])
  copies?.eachBox((patternId, _, corners) => {
    if (patternId === except) return
    let [low, high] = [Infinity, -Infinity]
    for (let i = 0; i < 24; i += 3) {
      const at = corners[i] * along.x + corners[i + 1] * along.y + corners[i + 2] * along.z
      low = Math.min(low, at)
      high = Math.max(high, at)
    }
    for (const at of [low, (low + high) / 2, high]) found.add(Math.round(at * 1e7) / 1e7)
  })
  return [...found]
}
