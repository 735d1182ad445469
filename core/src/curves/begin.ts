import type { Curve, CurveKind } from '../values/curve'
import type { Vec3 } from '../values/values'
import { smoothThrough } from './smooth'

/** What a person picks: the kinds of curve, points straight or smooth, and where handles come from. */
export type CurveChoice =
  Exclude<CurveKind, 'points' | 'bezier'> | 'straight' | 'smooth' | 'hand' | 'drawing' | 'edges' | 'text'

export const choiceOf = (curve: Curve): CurveChoice =>
  curve.kind === 'points'
    ? curve.smooth
      ? 'smooth'
      : 'straight'
    : curve.kind === 'bezier'
      ? curve.from.kind
      : curve.kind

const someone: Vec3[] = [
  [0, 0, 0],
  [0.35, 0, -0.2],
  [0.7, 0, 0.1],
  [1.05, 0, 0],
]

/** A curve of another kind to begin with; what can be carried over from the present one is. */
export function startCurve(choice: Exclude<CurveChoice, 'drawing' | 'edges' | 'text'>, now: Curve): Curve {
  const points = pointsOf(now)
  switch (choice) {
    case 'straight':
    case 'smooth':
      return { kind: 'points', points, smooth: choice === 'smooth', closed: now.kind === 'points' && now.closed }
    case 'hand':
      return now.kind === 'bezier'
        ? { ...now, from: { kind: 'hand' } }
        : withHandles(points, now.kind === 'points' && now.closed)
    case 'arc':
      return { kind: 'arc', radius: 0.4, start: 0, angle: 2 * Math.PI }
    case 'ellipse':
      return { kind: 'ellipse', width: 1, depth: 0.6 }
    case 'polygon':
      return { kind: 'polygon', sides: 6, radius: 0.4 }
    case 'helix':
      return { kind: 'helix', radius: 0.3, endRadius: 0.3, height: 0.6, turns: 3 }
    case 'spiral':
      return { kind: 'spiral', radius: 0.1, growth: 'add', each: 0.12, turns: 3 }
    case 'catenary':
      return { kind: 'catenary', to: [2, 0, 0], by: 'sag', value: 0.4 }
  }
}

function pointsOf(curve: Curve): Vec3[] {
  if (curve.kind === 'points') return curve.points
  if (curve.kind === 'bezier')
    return [curve.runs[0].start, ...curve.runs[0].pieces.map((piece) => piece[2])].slice(0, 200)
  return someone
}

/** A smooth curve through points with the handles that it has. */
function withHandles(points: Vec3[], closed: boolean): Curve {
  const pieces = smoothThrough(points, closed).map((segment): [Vec3, Vec3, Vec3] => {
    const [a, d, va, vd] = [segment.point(0), segment.point(1), segment.velocity(0), segment.velocity(1)]
    return [a.map((n, i) => n + va[i] / 3) as Vec3, d.map((n, i) => n - vd[i] / 3) as Vec3, d]
  })
  return { kind: 'bezier', runs: [{ start: points[0], pieces, closed }], from: { kind: 'hand' } }
}
