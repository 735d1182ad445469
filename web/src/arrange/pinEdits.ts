import { anchorsOf, moveAnchor } from '@hilera/core/curves/anchors'
import type { LaidOut } from '@hilera/core/layouts/index'
import type { SpacingOutcome } from '@hilera/core/layouts/context'
import type { BezierRun } from '@hilera/core/values/curve'
import type { Layout } from '@hilera/core/layouts/index'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Ring } from '@hilera/core/layouts/ring/schema'
import type { Spacing } from '@hilera/core/values/spacing'
import type { Vec3 } from '@hilera/core/values/values'
import { takeHold } from '@hilera/core/spacing/hold'

/** How far a pin has gone: along its line, or over the ground in the pattern's own axes; rounded to whole steps. */
export interface Way {
  readonly along: number
  readonly across: number
  readonly up: number
  readonly deep: number
  /** How far along the curve's points a drag reaches softly, in metres; 0 moves one point alone. */
  readonly soft: number
  /** Rounds a length to whole steps. */
  readonly whole: (metres: number) => number
}

export type LayoutEdit = (layout: Layout) => void

/** What dragging a pin of a grid, a ring or a fill does to its layout; undefined for pins that are not the layout's. */
export function pinEdit(layout: Layout, laid: LaidOut, pin: string, way: Way): LayoutEdit | undefined {
  if (laid.kind === 'grid') return gridEdit(laid, pin, way)
  if (laid.kind === 'ring' && layout.kind === 'ring') return ringEdit(layout, laid, pin, way)
  if (layout.kind === 'path') return pathEdit(layout, pin, way)
  return layout.kind === 'fill' ? fillEdit(layout, pin, way) : undefined
}

function gridEdit(
  laid: Extract<LaidOut, { kind: 'grid' }>,
  pin: string,
  { along, whole }: Way,
): LayoutEdit | undefined {
  const axis = pin.endsWith('Across') ? 'across' : pin.endsWith('Deep') ? 'deep' : undefined
  if (!axis) return undefined
  const edit = (spacing: Spacing, out: SpacingOutcome): void => {
    if (pin.startsWith('end')) takeHold(spacing, 'room', whole(out.room + along))
    else if (!Number.isNaN(out.spacing)) takeHold(spacing, 'spacing', whole(out.spacing + along))
  }
  return (layout) => layout.kind === 'grid' && edit(layout[axis], laid[axis])
}

function ringEdit(
  ring: Ring,
  laid: Extract<LaidOut, { kind: 'ring' }>,
  pin: string,
  { along, across, deep, whole }: Way,
): LayoutEdit | undefined {
  if (pin === 'radius') {
    return (layout) => {
      if (layout.kind !== 'ring') return
      layout.radius = Math.max(whole(laid.radius + along), 0)
      layout.hold = [layout.hold.find((held) => held !== 'radius') ?? 'count', 'radius']
    }
  }
  // Turned about the axis: seen in the ring's own plane, where a lying ring's quarter points away from the viewer.
  const degree = Math.PI / 180
  const angleAfter = (angle: number): number => {
    const [x, y] = [laid.radius * Math.cos(angle) + across, laid.radius * Math.sin(angle) - deep]
    return Math.round(Math.atan2(y, x) / degree) * degree
  }
  if (pin === 'start') return (layout) => layout.kind === 'ring' && void (layout.start = angleAfter(ring.start))
  if (pin === 'sweep' && ring.sweep.kind === 'arc') {
    const whole = ring.sweep.angle
    const end = angleAfter(ring.start + ring.sense * whole)
    const gone = ring.sense * (end - ring.start)
    // The turn count stays: the end goes on from where it was by less than half a turn.
    const angle = whole + Math.atan2(Math.sin(gone - whole), Math.cos(gone - whole))
    return (layout) =>
      layout.kind === 'ring' &&
      layout.sweep.kind === 'arc' &&
      void (layout.sweep.angle = Math.max(Math.round(angle / degree), 1) * degree)
  }
  return undefined
}

function fillEdit(
  fill: Extract<Layout, { kind: 'fill' }>,
  pin: string,
  { along, across, deep, whole }: Way,
): LayoutEdit | undefined {
  const { outline } = fill
  if (outline.kind === 'polygon') {
    const index = /^point (\d+)$/.exec(pin)?.[1]
    if (index === undefined) return undefined
    const [x, z] = outline.points[Number(index)]
    return (layout) => {
      if (layout.kind === 'fill' && layout.outline.kind === 'polygon')
        layout.outline.points[Number(index)] = [whole(x + across), whole(z + deep)]
    }
  }
  if (pin !== 'width' && pin !== 'depth') return undefined
  // The outline lies about its middle, so its side grows twice as fast as the pin goes.
  const size = Math.max(whole(outline[pin] + 2 * along), 0.001)
  return (layout) => {
    if (layout.kind === 'fill' && layout.outline.kind !== 'polygon') layout.outline[pin] = size
  }
}

function pathEdit({ curve }: Path, pin: string, { along, across, up, deep, soft, whole }: Way): LayoutEdit | undefined {
  const moved = ([x, y, z]: Vec3): Vec3 => [whole(x + across), whole(y + up), whole(z + deep)]
  const edit =
    (change: (now: Path['curve']) => void): LayoutEdit =>
    (layout) =>
      layout.kind === 'path' && change(layout.curve)
  const point = /^point (\d+)$/.exec(pin)
  if (point && curve.kind === 'points') {
    const index = Number(point[1])
    const weights = curve.points.map((p) => falloff(Math.hypot(...p.map((n, i) => n - curve.points[index][i])), soft))
    weights[index] = 1
    const to = curve.points.map((p, i): Vec3 =>
      weights[i] === 1 ? moved(p) : [p[0] + weights[i] * across, p[1] + weights[i] * up, p[2] + weights[i] * deep],
    )
    return edit((now) => now.kind === 'points' && weights.forEach((w, i) => w > 0 && void (now.points[i] = to[i])))
  }
  if (curve.kind === 'bezier') return bezierEdit(curve.runs[0], pin, { moved, edit, by: [across, up, deep], soft })
  if (pin === 'chainEnd' && curve.kind === 'catenary') {
    const to = moved(curve.to)
    return edit((now) => now.kind === 'catenary' && void (now.to = to))
  }
  if (pin === 'curveRadius' && 'radius' in curve) {
    const radius = Math.max(whole(curve.radius + along), 0.001)
    return edit((now) => 'radius' in now && void (now.radius = radius))
  }
  return undefined
}

/** How much of a drag reaches a point so far away: all of it at 0, nothing at the edge, smoothly between. */
function falloff(distance: number, reach: number): number {
  if (!(distance < reach)) return 0
  const t = 1 - distance / reach
  return t * t * (3 - 2 * t)
}

interface BezierDrag {
  readonly moved: (p: Vec3) => Vec3
  readonly edit: (change: (now: Path['curve']) => void) => LayoutEdit
  readonly by: Vec3
  readonly soft: number
}

/** An anchor takes the handles beside it along, and softly the anchors around it; a handle moves alone. */
function bezierEdit(run: BezierRun, pin: string, { moved, edit, by, soft }: BezierDrag): LayoutEdit | undefined {
  const anchor = /^anchor (\d+)$/.exec(pin)
  const handle = /^handle (\d+) ([01])$/.exec(pin)
  if (anchor) {
    const index = Number(anchor[1])
    const anchors = anchorsOf(run)
    const to = anchors.map((p, i): Vec3 | undefined => {
      if (i === index) return moved(p)
      const weight = falloff(Math.hypot(...p.map((n, k) => n - anchors[index][k])), soft)
      return weight > 0 ? (p.map((n, k) => n + weight * by[k]) as Vec3) : undefined
    })
    return edit((now) => {
      if (now.kind === 'bezier') for (const [i, place] of to.entries()) if (place) moveAnchor(now.runs[0], i, place)
    })
  }
  if (!handle) return undefined
  const [index, which] = [Number(handle[1]), Number(handle[2]) as 0 | 1]
  const to = moved(run.pieces[index][which])
  return edit((now) => now.kind === 'bezier' && void (now.runs[0].pieces[index][which] = to))
}
