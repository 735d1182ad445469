import { slotKeyOf } from '@hilera/core/instances'
import { type Pattern, type TouchUp, restsOnPattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import { gridSlotHigh, gridSlotLow } from '@hilera/core/slots'

/** The patterns of a project that place a single thing and could be put on a path, in their order. */
export const singles = (project: Project, path: Pattern): Pattern[] =>
  project.patterns.filter(
    (p) =>
      p.id !== path.id &&
      p.layout.kind === 'line' &&
      p.layout.hold.includes('count') &&
      p.layout.count === 1 &&
      !project.patterns.some((q) => restsOnPattern(q, p.id)),
  )

/**
 * Puts single things on a path, in the order given: the path deals their parts in turn and has as many places, what was
 * changed by hand on each goes with it, and the patterns that held them are gone. Changes the project in place.
 */
export function putOnPath(project: Project, pathId: string, ids: readonly string[]): void {
  const path = project.patterns.find((p) => p.id === pathId)
  if (path?.layout.kind !== 'path' || ids.length === 0) return
  const things = ids.flatMap((id) => project.patterns.find((p) => p.id === id) ?? [])
  path.deal.parts = things.map((thing) => touchUpOf(thing).part ?? thing.deal.parts[0])
  Object.assign(path.layout, { hold: 'count', count: things.length, way: 'length' })
  path.touchUps = {}
  for (const [k, thing] of things.entries()) {
    const { turn, size } = touchUpOf(thing)
    const kept: TouchUp = { ...(turn && { turn }), ...(size && { size }) }
    if (Object.keys(kept).length > 0) path.touchUps[slotKeyOf(gridSlotLow(k, 0), gridSlotHigh(0, 0))] = kept
  }
  project.patterns = project.patterns.filter((p) => !ids.includes(p.id))
}

const touchUpOf = (thing: Pattern): TouchUp => thing.touchUps['0'] ?? {}
