import type { Pattern } from '@hilera/core/model/pattern'
import type { Vec3 } from '@hilera/core/values/values'
import { fromTurns, inverse, rotate, toTurns } from '@hilera/core/geometry/rotation'
import { boxOf } from '@hilera/core/spacing/support'
import type { Problem } from '@hilera/core/words'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { layouts } from '@hilera/core/layouts/registry'
import { roundFigure, startFor } from '@hilera/core/layouts/beginning'
import { NO_BOX } from '@hilera/core/geometry/box'
import { useDocument } from '../stores/document'
import { curveAlong } from '@hilera/core/parts/edgeCurves'
import { useEdgePick } from '../curves/edgePick'
import { usePatternEdits } from './patternEdits'
import { readAway } from '../worker/reading'

const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/** Patterns that begin with clicks on the stage. */
export function useDrawEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picking = usePicking()
  const patterns = usePatternEdits()
  const edges = useEdgePick()

  /** A line from one place to another: its room is what lies between, its count follows from the pitch. */
  async function drawLine(): Promise<void> {
    const ends = await picking.places('Click where the line begins and where it ends', 2, 2)
    if (!ends) return
    const [x, y, z] = minus(ends[1], ends[0])
    const room = Math.hypot(x, y, z)
    if (room < 1e-6) return
    const part = patterns.partToPlace()
    const start = layouts.line.begin(part.start)
    // Turned about up, then about deep, so that across points from one end to the other.
    const turn: Vec3 = [0, Math.atan2(-z, x), Math.atan2(y, Math.hypot(x, z))]
    patterns.addPart({
      part,
      wanted: `${part.name} line`,
      layout: {
        ...start,
        hold: ['spacing', 'room'],
        room,
        edges: 'centres',
        measure: 'pitch',
        spacing: Math.min(roundFigure(part.start.width * 1.2, document.unit), room),
        leftover: 'end',
      },
      place: { move: ends[0], turn },
    })
  }

  /** A smooth curve drawn point by point, with copies along it. */
  async function drawCurve(): Promise<void> {
    const points = await picking.places('Click the points of the curve', 2)
    if (!points) return
    const part = patterns.partToPlace()
    const path = layouts.path.begin(part.start)
    const own = points.map((p) => minus(p, points[0]).map((n) => Math.round(n * 1e6) / 1e6) as Vec3)
    patterns.addPart({
      part,
      wanted: `${part.name} path`,
      layout: { ...path, curve: { kind: 'points', points: own, smooth: true, closed: false } },
      place: { move: points[0], turn: [0, 0, 0] },
    })
  }

  /** A path along the edges beside a place on a copy that is clicked, where that copy stands; says why there is none. */
  async function followEdge(): Promise<Problem | undefined> {
    const found = await edges.ask('Click an edge of a copy: copies go along it')
    if (!found?.ok) return found?.problem
    const { part: host, stands, which } = found.value
    const curve = curveAlong(host, { which, frame: host.frame }, document.source)
    if (!curve?.ok) return curve?.problem
    const part = patterns.partToPlace()
    patterns.addPart({
      part,
      wanted: `${part.name} along ${host.name}`,
      // As many as stand there without touching, evened out.
      layout: {
        ...layouts.path.begin(part.start),
        curve: curve.value,
        hold: 'spacing',
        spacing: roundFigure(part.start.width * 1.2, document.unit),
        leftover: 'widen',
      },
      place: { move: [...stands.move], turn: toTurns(stands.turn) },
    })
    return undefined
  }

  /** A path on the outlines of an SVG file; says why it cannot be read. */
  async function addDrawing(file: File): Promise<Problem | undefined> {
    const text = await file.text()
    const made = await readAway(file.name, (to) => to.svg(text, file.name))
    if (!made.ok) return made.problem
    const part = patterns.partToPlace()
    const path = layouts.path.begin(part.start)
    const curve = {
      kind: 'bezier' as const,
      runs: made.value,
      from: { kind: 'drawing' as const, fileName: file.name.slice(-200) },
    }
    patterns.addPart({
      part,
      wanted: file.name.replace(/\.svg$/i, ''),
      layout: { ...path, curve, hold: 'spacing', spacing: part.start.width, leftover: 'widen' },
      place: { move: [0, 0, 0], turn: [0, 0, 0] },
    })
    return undefined
  }

  /** An outline drawn point by point, filled. */
  async function drawOutline(): Promise<void> {
    const points = await picking.places('Click the points of the outline', 3)
    if (!points) return
    const part = patterns.partToPlace()
    const fill = layouts.fill.begin(part.start)
    const middle = [0, 1, 2].map((i) => points.reduce((sum, p) => sum + p[i], 0) / points.length) as Vec3
    const rounded = middle.map((n) => Math.round(n * 1000) / 1000) as Vec3
    patterns.addPart({
      part,
      wanted: `${part.name} fill`,
      layout: {
        ...fill,
        outline: { kind: 'polygon', points: points.map((p) => [p[0] - rounded[0], p[2] - rounded[2]]) },
      },
      place: { move: rounded, turn: [0, 0, 0] },
    })
  }

  /** Puts a pattern's origin on a place: on the ground, or on a corner, an edge, a face or the pivot of a copy. */
  async function placeOrigin(pattern: Pattern): Promise<void> {
    const picked = await picking.place('Click a place; corners, edges and pivots of copies are caught')
    if (picked) patterns.change(pattern, 'place', (p) => void (p.place.move = [...picked.point]))
  }

  /** Makes four of a pattern round the corner of its box that is nearest to a click: a ring that turns with it. */
  async function completeRound(pattern: Pattern): Promise<void> {
    const picked = await picking.place('Click near the corner to complete the set round')
    if (!picked) return
    const { low, high } = boxOf(outcomes.supportOf(outcomes.numberOf(pattern.id)))
    const turn = fromTurns(pattern.place.turn)
    const local = rotate(inverse(turn), minus(picked.point, pattern.place.move))
    const nearer = (axis: 0 | 2): number =>
      Math.abs(local[axis] - low[axis]) < Math.abs(local[axis] - high[axis]) ? low[axis] : high[axis]
    const corner: Vec3 = [nearer(0), 0, nearer(2)]
    const ring = layouts.ring.begin(startFor(NO_BOX, document.unit))
    const out = rotate(turn, corner)
    patterns.addPattern({
      wanted: `${pattern.name} round`,
      parts: [pattern.id],
      // The piece's origin lies at −corner seen from the centre; a lying ring's quarter points away from the viewer.
      layout: {
        ...ring,
        count: 4,
        radius: Math.hypot(corner[0], corner[2]),
        start: Math.atan2(corner[2], -corner[0]),
        facing: 'turning',
      },
      place: { move: [0, 1, 2].map((i) => pattern.place.move[i] + out[i]) as Vec3, turn: pattern.place.turn },
      hide: pattern.id,
    })
  }

  return { drawLine, drawCurve, followEdge, addDrawing, drawOutline, placeOrigin, completeRound }
}
