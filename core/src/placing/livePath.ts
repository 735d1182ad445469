import type { PatternOutcome } from '../evaluation/outcome'
import { definitionOf } from '../layouts/index'
import { type Path, plainPath } from '../layouts/path/schema'
import type { Project } from '../model/project'
import { type Result, refused } from '../words'
import type { Body } from './body'
import type { Around } from './definition'
import { EVEN, STILL, copiesAmong, madeLive } from './madeLive'
import { standOnPath } from './pathCourse'
import { RowOnCourse } from './rowOnCourse'
import type { Space } from './space'
import type { SplitNames } from './splitOff'

/**
 * Makes copies that are spaced along the curve of a pattern a live path: a pattern of its own over the same curve, with their count
 * between the first and the last of them, by pitch or by gap. Nobody moves by more than 1e-9 m; turns, sizes and what lies beside the
 * curve become touch-ups.
 *
 * @param how as they were spaced last, along a path
 */
export function livePath(
  worked: Around,
  bodies: readonly Body[],
  how: Pick<Space, 'path' | 'by'>,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> {
  const stand = standOnPath(bodies, undefined, how, worked.project)
  if (!stand.ok) return stand
  const { pattern, course, contours, order } = stand.value
  if (contours > 1) return refused('That path has several contours. A live path runs along one: choose another.')
  const inOrder = order.map(({ body }) => body)
  const copies = copiesAmong(inOrder, worked, 'path')
  if (!copies.ok) return copies
  const along = order.map((o) => o.along)
  const distances =
    how.by === 'pitch'
      ? along.slice(1).map((s, k) => s - along[k])
      : new RowOnCourse(order, course, worked).gapsAt(along)
  const margin = how.by === 'pitch' ? STILL : EVEN
  if (distances.some((d) => Math.abs(d - distances[0]) > margin))
    return refused('They are not evenly spaced: space them first.')
  const guide = definitionOf(pattern.layout).guide!(pattern.layout)
  const parts = copies.value.map(({ table, row }) => names.idOf(table.thing[row]))
  const [first, last] = [along[0], along[along.length - 1]]
  // Round a closed curve what lies beyond its end is reached by a slide.
  const isBeyond = last > course.length
  const layout: Path = {
    ...plainPath,
    curve: guide,
    count: order.length,
    spacing: distances[0],
    measure: how.by,
    facing: 'unchanged',
    insetStart: isBeyond ? 0 : Math.max(first, 0),
    insetEnd: Math.max(course.length - (isBeyond ? last - first : last), 0),
    slide: isBeyond ? first : 0,
    shown: false,
  }
  return madeLive(worked, inOrder, { place: pattern.place, layout, parts }, names, evaluate, false)
}
