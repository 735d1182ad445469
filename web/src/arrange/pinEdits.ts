import type { LaidOut, SpacingOutcome } from '@hilera/core/layouts/placement'
import type { BezierRun } from '@hilera/core/model/curve'
import type { Layout, Path, Ring, Spacing } from '@hilera/core/model/layout'
import type { Vec3 } from '@hilera/core/model/values'
import { takeHold } from '@hilera/core/spacing/hold'

/** How far a pin has gone: along its line, or over the ground in the pattern's own axes; rounded to whole steps. */
export interface Way {
  readonly along: number
  readonly across: number
  readonly up: number
  readonly deep: number
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

function pathEdit({ curve }: Path, pin: string, { along, across, up, deep, whole }: Way): LayoutEdit | undefined {
  const moved = ([x, y, z]: Vec3): Vec3 => [whole(x + across), whole(y + up), whole(z + deep)]
  const edit = (change: (now: Path['curve']) => void): LayoutEdit => (layout) => layout.kind === 'path' && change(layout.curve)
  const point = /^point (\d+)$/.exec(pin)
  if (point && curve.kind === 'points') {
    const to = moved(curve.points[Number(point[1])])
    return edit((now) => now.kind === 'points' && void (now.points[Number(point[1])] = to))
  }
  if (curve.kind === 'bezier') return bezierEdit(curve.runs[0], pin, moved, edit)
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

/** An anchor takes the handles beside it along. */
function bezierEdit(run: BezierRun, pin: string, moved: (p: Vec3) => Vec3, edit: (change: (now: Path['curve']) => void) => LayoutEdit): LayoutEdit | undefined {
  const piece = /^piece (\d+) ([012])$/.exec(pin)
  if (!piece && pin !== 'start') return undefined
  const [index, which] = piece ? [Number(piece[1]), Number(piece[2])] : [-1, 2]
  const from = index < 0 ? run.start : run.pieces[index][which]
  const to = moved(from)
  const by = to.map((n, i) => n - from[i])
  const carried = (p: Vec3): Vec3 => p.map((n, i) => n + by[i]) as Vec3
  return edit((now) => {
    if (now.kind !== 'bezier') return
    const [{ pieces }] = now.runs
    if (which !== 2) return void (pieces[index][which] = to)
    if (index < 0) now.runs[0].start = to
    else {
      pieces[index][2] = to
      pieces[index][1] = carried(run.pieces[index][1])
    }
    if (run.pieces[index + 1]) pieces[index + 1][0] = carried(run.pieces[index + 1][0])
  })
}
