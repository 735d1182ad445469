import { greatest } from '../geometry/extremes'
import type { Vec3 } from '../geometry/vec'
import type { Body } from './body'

/** What stands so near to a course, as a share of its length, is on it: nearer the place on it is not known. */
export const ON_COURSE = 1e-6

/** A curve in the axes of the world along which things are spaced one after another, by its true length in metres. */
export interface Course {
  /** Of a closed one, once round; beyond its end it goes on from its beginning. */
  readonly length: number
  readonly closed: boolean
  /** Where a thing comes to stand so far along it. */
  at(along: number, thing: Body): Vec3
  /** The unit vector along it there. */
  way(along: number): Vec3
  /** The sentence where less than so much of it is left. */
  readonly short: string
}

/** A thing at its nearest place of a course. */
export interface OnCourse {
  readonly body: Body
  /** How far along the course its pivot is nearest, and how far from it. */
  readonly along: number
  readonly distance: number
}

/** In their order along a course; a closed one is cut open where none of them stands for the longest. */
export function inOrder(all: readonly OnCourse[], { closed, length }: Pick<Course, 'closed' | 'length'>): OnCourse[] {
  const rows = [...all].sort((a, b) => a.along - b.along)
  if (!closed || rows.length === 0) return rows
  const free = rows.map(({ along }, k) => along - (k === 0 ? rows[rows.length - 1].along - length : rows[k - 1].along))
  const first = free.indexOf(greatest(free))
  return [...rows.slice(first), ...rows.slice(0, first).map((row) => ({ ...row, along: row.along + length }))]
}
