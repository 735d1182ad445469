import { slotKeyOf } from '@hilera/core/instances'
import { definitionOf } from '@hilera/core/layouts/index'
import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { restsOn } from '@hilera/core/model/references'
import type { Project } from '@hilera/core/model/project'
import { gridSlotHigh, gridSlotLow } from '@hilera/core/slots'
import { removal } from '../stores/history'

/** A thing that stands on a place of its own: what it is, and how it is turned, sized and coloured there. */
type Thing = Pick<TouchUp, 'turn' | 'size' | 'color'> & { readonly part: string }

/** So many parts can be dealt in turn; of more things the part is said of each. */
const MOST_DEALT = 100

/** What stands on places of its own in a pattern, in its order; undefined where its places are no one's own, or it is not known what stands there. */
export function thingsOf({ layout, deal, touchUps }: Pattern): Thing[] | undefined {
  const definition = definitionOf(layout)
  const own = definition.isSingle?.(layout)
    ? new Map<string, TouchUp>([['0', {}]])
    : definition.isByHand && definition.ownTouchUps?.(layout)
  if (!own) return undefined
  const said = [...own].map(([key, by]): TouchUp => ({ ...by, ...touchUps[key] })).filter(({ empty }) => !empty)
  // Which part a deal of several gives to each is known only once it is worked out.
  if (!definition.isSingle && deal.parts.length !== 1 && said.some(({ part }) => part === undefined)) return undefined
  return said.map(({ part = deal.parts[0], turn, size, color }) => ({
    part,
    ...(turn && { turn }),
    ...(size && { size }),
    ...(color !== undefined && { color }),
  }))
}

/** The patterns of a project whose things stand on places of their own and could be put on a path, in their order. */
export const puttable = (project: Project, path: Pattern): Pattern[] =>
  project.patterns.filter(
    (p) =>
      p.id !== path.id &&
      (thingsOf(p)?.length ?? 0) > 0 &&
      !project.patterns.some((q) => q.id !== p.id && restsOn(q, p.id)),
  )

/**
 * Puts things that stand on places of their own on a path, in the order given: the path has as many places and deals their parts, how
 * each was turned and sized goes with it, and the patterns that held them are gone. Changes the project in place.
 */
export function putOnPath(project: Project, pathId: string, ids: readonly string[]): void {
  const path = project.patterns.find((p) => p.id === pathId)
  if (!path || ids.length === 0) return
  const things = ids.flatMap((id) => {
    const pattern = project.patterns.find((p) => p.id === id)
    return (pattern && thingsOf(pattern)) ?? []
  })
  const isDealt = things.length <= MOST_DEALT
  path.deal = { kind: 'inTurn', parts: isDealt ? things.map(({ part }) => part) : [things[0].part] }
  definitionOf(path.layout).takeCount?.(path.layout, things.length)
  path.touchUps = {}
  for (const [k, { part, ...kept }] of things.entries()) {
    const own: TouchUp = { ...kept, ...(!isDealt && part !== things[0].part && { part }) }
    if (Object.keys(own).length > 0) path.touchUps[slotKeyOf(gridSlotLow(k, 0), gridSlotHigh(0, 0))] = own
  }
  removal(...ids)(project)
}
