import { canPlaceInList, type ListPlace } from '@hilera/core/model/listing'
import type { Project } from '@hilera/core/model/project'

/** Where a row of the list would go, and where that is shown: a line above or below the row that it is over, or all of that row. */
export interface Drop {
  readonly place: ListPlace
  readonly over: string
  readonly edge: 'above' | 'below' | 'inside'
}

/** So much of a group's row, at its upper and lower edge, takes a group beside it; what lies between takes it into it. */
const BESIDE = 0.3

/**
 * Where a row goes that is let go over another one. A pattern goes beside a pattern and into a group, a group beside a group or into it.
 *
 * @param over the row that it is over; undefined below the last one, which is the end of the top
 * @param share how far down over that row, from 0 to 1
 */
export function dropAt(project: Project, dragged: string, over: string | undefined, share: number): Drop | undefined {
  const { patterns, groups } = project
  const dragsGroup = groups.some((g) => g.id === dragged)
  const checked = (drop: Drop): Drop | undefined => (canPlaceInList(project, dragged, drop.place) ? drop : undefined)
  if (over === undefined) return checked({ place: {}, over: '', edge: 'below' })
  const group = groups.find((g) => g.id === over)
  const pattern = patterns.find((p) => p.id === over)
  const parent = group ? group.parent : groups.find((g) => g.id === pattern?.group)?.id
  const inside: ListPlace = parent === undefined ? {} : { parent }
  if (over === dragged || (!group && !pattern)) return undefined
  if (group && (!dragsGroup || (share >= BESIDE && share <= 1 - BESIDE)))
    return checked({ place: { parent: group.id }, over, edge: 'inside' })
  if (pattern && dragsGroup) return checked({ place: inside, over, edge: 'below' })
  const row = group
    ? groups.filter((g) => g.parent === parent)
    : patterns.filter((p) => groups.find((g) => g.id === p.group)?.id === parent)
  const isAbove = share < 0.5
  const before = isAbove ? over : row[row.findIndex((own) => own.id === over) + 1]?.id
  return checked({
    place: { ...inside, ...(before !== undefined && { before }) },
    over,
    edge: isAbove ? 'above' : 'below',
  })
}
