import type { PatternOutcome } from '../evaluation/outcome'
import { fromAxes, toTurns } from '../geometry/rotation'
import { times } from '../geometry/vec'
import { plainPath } from '../layouts/path/schema'
import { ringAxes } from '../layouts/ring/ringAxes'
import { plainRing } from '../layouts/ring/schema'
import type { Project } from '../model/project'
import { type Result, refused } from '../words'
import type { Body } from './body'
import type { Around } from './definition'
import { EVEN, type Live, STILL, copiesAmong, madeLive } from './madeLive'
import { type StandRound, standRound } from './roundCourse'
import { RowOnCourse } from './rowOnCourse'
import type { Space } from './space'
import type { SplitNames } from './splitOff'

/**
 * Makes copies that are spaced round a circle a live ring: a pattern of its own with their count, the radius, and their pitch or gap; all the
 * way round, or through the angle from the first to the last of them. Unlike copies at equal gaps stand at unlike angles, which a
 * ring does not have: they become a path round the same circle, by gap. Nobody moves by more than 1e-9 m; turns, sizes and heights
 * become touch-ups.
 *
 * @param how as they were spaced last, along a circle
 */
export function liveRing(
  worked: Around,
  bodies: readonly Body[],
  how: Pick<Space, 'by'>,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> {
  const stand = standRound(bodies)
  if (!stand.ok) return stand
  const { course, order, radius } = stand.value
  const inOrder = order.map(({ body }) => body)
  const copies = copiesAmong(inOrder, worked, 'ring')
  if (!copies.ok) return copies
  if (order.some(({ distance }) => distance > STILL))
    return refused('They do not stand on one circle: space them first.')
  const at = order.map(({ along }) => along)
  const row = new RowOnCourse(order, course, worked)
  const span = at[at.length - 1] - at[0]
  const pitches = at.slice(1).map((s, k) => s - at[k])
  const read =
    how.by === 'pitch'
      ? { between: pitches, last: course.length - span, margin: STILL }
      : { between: row.gapsAt(at), last: row.gapRound(at), margin: EVEN }
  const isSame = (a: number, b: number): boolean => Math.abs(a - b) <= read.margin
  if (read.between.some((d) => !isSame(d, read.between[0])))
    return refused('They are not evenly spaced: space them first.')
  const spaced: EvenlyRound = {
    count: order.length,
    spacing: read.between[0],
    start: at[0] / radius,
    span,
    isFull: isSame(read.last, read.between[0]),
  }
  const alike = pitches.every((p) => Math.abs(p - pitches[0]) <= STILL)
  const parts = copies.value.map(({ table, row: own }) => names.idOf(table.thing[own]))
  const live = alike ? asRing(stand.value, how.by, spaced) : asPath(stand.value, spaced)
  return madeLive(worked, inOrder, { ...live, parts }, names, evaluate, false)
}

interface EvenlyRound {
  readonly count: number
  readonly spacing: number
  /** The angle of the first, and the length from it to the last. */
  readonly start: number
  readonly span: number
  readonly isFull: boolean
}

const asRing = (
  { axis, centre, radius }: StandRound,
  by: Space['by'],
  { count, spacing, start, span, isFull }: EvenlyRound,
): Omit<Live, 'parts'> => ({
  place: { move: [...centre], turn: [0, 0, 0] },
  layout: {
    ...plainRing,
    axis,
    radius,
    count,
    spacing,
    start,
    measure: by === 'pitch' ? 'arc' : 'gap',
    sweep: isFull ? { kind: 'full' } : { kind: 'arc', angle: span / radius, ends: 'both' },
    facing: 'unchanged',
  },
})

const asPath = (
  { axis, centre, radius, course }: StandRound,
  { count, spacing, start, span, isFull }: EvenlyRound,
): Omit<Live, 'parts'> => {
  const { zero, quarter, axis: up } = ringAxes[axis]
  return {
    place: { move: [...centre], turn: toTurns(fromAxes(zero, up, times(quarter, -1))) },
    layout: {
      ...plainPath,
      curve: { kind: 'arc', radius, start, angle: 2 * Math.PI },
      count,
      spacing,
      measure: 'gap',
      facing: 'unchanged',
      insetEnd: isFull ? 0 : course.length - span,
      shown: false,
    },
  }
}
