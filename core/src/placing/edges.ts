import type { Vec3 } from '../geometry/vec'
import type { Placing } from '../instances'
import { type Body } from './body'
import { dot } from '../geometry/vec'

/** Where along a direction something is taken hold of: its first outline, its middle, its last outline, or its pivot. */
export const edges = ['low', 'middle', 'high', 'pivot'] as const
export type Edge = (typeof edges)[number]

/** The coordinate of an edge along a unit direction, as the body stands or as it would stand elsewhere; metres. */
export function edgeOf(body: Body, direction: Readonly<Vec3>, edge: Edge, as: Placing = body.stands): number {
  if (edge === 'pivot') return dot(as.move, direction)
  const { low, high } = body.reach(direction, as)
  return edge === 'low' ? low : edge === 'high' ? high : (low + high) / 2
}

/** The axes of the world as directions. */
export const AXES: readonly Readonly<Vec3>[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

/** Faces by the axis of the world on which they lie: as one sees them from the front. */
export const faceWords: Readonly<Record<0 | 1 | 2, readonly [low: string, high: string]>> = {
  0: ['left', 'right'],
  1: ['lower', 'upper'],
  2: ['far', 'near'],
}
