import { type Body, bodiesOf } from '@hilera/core/placing/body'
import { type Edge, faceWords } from '@hilera/core/placing/edges'
import { MetAlong } from '@hilera/core/placing/metAlong'
import { TurnedLike } from '@hilera/core/placing/turnedLike'
import type { Vec3 } from '@hilera/core/values/values'
import { useOutcomes } from '../stores/outcomes'
import { usePicked } from './picked'
import { useTools } from './tools'

/** What was met, in metres or radians, and what to say of it. */
export interface Meeting {
  readonly by: number
  readonly words: string
}
/** Asked where something was dragged to, and how near a meeting has to be. */
export type Meetings = (by: number, within: number) => Meeting | undefined

/** What the picked things meet while they are dragged along an axis or turned about one. Looked at as the drag begins. */
export function useMeetings() {
  const outcomes = useOutcomes()
  const picked = usePicked()
  const tools = useTools()

  const worked = () => ({ project: outcomes.worked, outcomes: outcomes.patterns, supportOf: outcomes.supportOf })
  function held(): (pattern: string, row: number) => boolean {
    const patterns = new Set<string>()
    const rows = new Map<string, Set<number>>()
    for (const of of picked.things)
      if (of.is === 'patterns') for (const id of of.ids) patterns.add(id)
      else {
        const own = rows.get(of.pattern) ?? new Set()
        rows.set(of.pattern, own.add(outcomes.byId.get(of.pattern)?.table.rowOf(of.slot) ?? -1))
      }
    return (pattern, row) => patterns.has(pattern) || (rows.get(pattern)?.has(row) ?? false)
  }
  const nameOf = ({ pattern, row }: { readonly pattern: string; readonly row: number }): string =>
    `${outcomes.worked.patterns.find((p) => p.id === pattern)?.name ?? ''} ${row + 1}`

  /** @param direction of unit length, in the world */
  function along(direction: Vec3): Meetings {
    const wants = { outlines: tools.catches.includes('outlines'), lines: tools.catches.includes('lines') }
    if (!tools.isCatching || (!wants.outlines && !wants.lines)) return () => undefined
    const met = new MetAlong(worked(), bodiesOf(worked(), picked.things), direction, held())
    const axis = direction.findIndex((n) => n > 1 - 1e-9) as 0 | 1 | 2 | -1
    const edge = (which: Edge): string => {
      if (which === 'middle' || which === 'pivot') return which
      const [low, high] = axis < 0 ? ['first', 'last'] : faceWords[axis as 0 | 1 | 2]
      return `${which === 'low' ? low : high} face`
    }
    return (by, within) => {
      const found = met.nearest(by, within, wants)
      if (!found) return undefined
      const at = found.of ? `the ${edge(found.its)} of ${nameOf(found.of)}` : 'the centre line'
      return { by: found.by, words: `${edge(found.mine)} on ${at}` }
    }
  }

  /** @param axis of unit length, in the world */
  function about(axis: Vec3): Meetings {
    const lead: Body | undefined = picked.marked && bodiesOf(worked(), [picked.marked])[0]
    if (!tools.isCatching || !tools.catches.includes('angles') || !lead) return () => undefined
    const like = new TurnedLike(worked(), lead, axis, held())
    return (by, within) => {
      const found = like.nearest(by, within)
      return found && { by: found.angle, words: found.of ? `facing as ${nameOf(found.of)} does` : 'square' }
    }
  }

  return { along, about }
}
