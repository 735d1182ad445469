import { slotKeyOf } from '@hilera/core/instances'
import { definitionOf } from '@hilera/core/layouts/index'
import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { restsOn } from '@hilera/core/model/references'
import type { Project } from '@hilera/core/model/project'
import { gridSlotHigh, gridSlotLow } from '@hilera/core/slots'
import { removal } from '../stores/history'

/** The patterns of a project that place a single thing and could be put on a path, in their order. */
export const singles = (project: Project, path: Pattern): Pattern[] =>
  project.patterns.filter(
    (p) =>
      p.id !== path.id &&
      (definitionOf(p.layout).isSingle?.(p.layout) ?? false) &&
      !project.patterns.some((q) => q.id !== p.id && restsOn(q, p.id)),
  )

/**
 * Puts single things on a path, in the order given: the path deals their parts in turn and has as many places, what was
 * changed by hand on each goes with it, and the patterns that held them are gone. Changes the project in place.
 */
export function putOnPath(project: Project, pathId: string, ids: readonly string[]): void {
  const path = project.patterns.find((p) => p.id === pathId)
  if (!path || ids.length === 0) return
  const things = ids.flatMap((id) => project.patterns.find((p) => p.id === id) ?? [])
  path.deal.parts = things.map((thing) => touchUpOf(thing).part ?? thing.deal.parts[0])
  definitionOf(path.layout).takeCount?.(path.layout, things.length)
  path.touchUps = {}
  for (const [k, thing] of things.entries()) {
    const { turn, size } = touchUpOf(thing)
    const kept: TouchUp = { ...(turn && { turn }), ...(size && { size }) }
    if (Object.keys(kept).length > 0) path.touchUps[slotKeyOf(gridSlotLow(k, 0), gridSlotHigh(0, 0))] = kept
  }
  removal(...ids)(project)
}

const touchUpOf = (thing: Pattern): TouchUp => thing.touchUps['0'] ?? {}
