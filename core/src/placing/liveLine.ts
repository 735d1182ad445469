import type { PatternOutcome } from '../evaluation/outcome'
import { layouts } from '../layouts/registry'
import type { Project } from '../model/project'
import { gapped } from '../values/spacing'
import { type Result, refused } from '../words'
import type { Body, Worked } from './body'
import { AXES, edgeOf } from './edges'
import { STILL, copiesAmong, madeLive } from './madeLive'
import type { Space } from './space'
import type { SplitNames } from './splitOff'

/**
 * Makes spaced copies a live line: a pattern of its own that places them, with their pitch or gap as a value to be changed. Nobody
 * moves by more than 1e-9 m; what differs from the line (turns, sizes, places beside it) becomes touch-ups. The places that they
 * leave stay empty.
 *
 * @param how as they were spaced last, along an axis
 */
export function liveLine(
  worked: Worked,
  bodies: readonly Body[],
  how: Pick<Space, 'along' | 'by'>,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> {
  const { along, by } = how
  if (typeof along !== 'number') return refused('A live line runs along an axis. Space them along across, up or deep.')
  const direction = AXES[along]
  const order = [...bodies].sort((a, b) => edgeOf(a, direction, 'middle') - edgeOf(b, direction, 'middle'))
  const found = copiesAmong(order, worked, 'line')
  if (!found.ok) return found
  const copies = found.value
  const distances = order
    .slice(1)
    .map((body, k) =>
      by === 'pitch'
        ? edgeOf(body, direction, 'pivot') - edgeOf(order[k], direction, 'pivot')
        : edgeOf(body, direction, 'low') - edgeOf(order[k], direction, 'high'),
    )
  const uneven = distances.some((d) => Math.abs(d - distances[0]) > STILL)
  if (uneven) return refused('They are not evenly spaced: space them first.')
  const parts = copies.map(({ table, row }) => names.idOf(table.thing[row]))
  const layout = {
    ...layouts.line.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' }),
    ...gapped(copies.length, distances[0]),
    measure: by,
    direction: { kind: 'axis' as const, axis: (['across', 'up', 'deep'] as const)[along], sign: 1 as const },
  }
  return madeLive(worked, order, { place: { move: [0, 0, 0], turn: [0, 0, 0] }, layout, parts }, names, evaluate, true)
}
