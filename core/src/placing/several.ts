import { UNTURNED } from '../geometry/rotation'
import { ownColorOf } from '../evaluation/outcome'
import { type Placing, slotKeyOf } from '../instances'
import { slotBeyond } from '../layouts/spots/find'
import type { Spot } from '../layouts/spots/schema'
import { duplicatePattern } from '../links/duplicate'
import { ownPart } from '../links/unlink'
import { makeGroup } from '../model/grouping'
import { type Pattern, pattern as patternSchema } from '../model/pattern'
import type { Project } from '../model/project'
import { freeName } from '../names'
import { renamed } from '../values/walk'
import { type Vec3, plus, times } from '../geometry/vec'
import { carried, goesAlong, takenAlong } from './exactly'
import { type Placeable, type Worked, bodiesOf } from './body'
import { inPattern } from '../model/inWorld'

/** So many more at once: each is kept in the document. */
export const MOST_MORE = 1000

/** More of what is picked. */
export interface Several {
  count: number
  /** From one to the next, or to the last of them where the others lie in between. Metres. */
  by: Vec3
  /** Each so far from the one before; or the last so far away, and so many in between. */
  where: 'before' | 'between'
  /** Whether they share the part, or get one of their own. */
  linked: boolean
}

export const severalDefaults: Several = { count: 1, by: [0.1, 0, 0], where: 'before', linked: true }

/** What is to be made again, as it stands. */
export interface Original {
  readonly of: Placeable
  readonly stands: Placing
  /** The number of its thing, and whether it stands in the mirror image; of a copy. */
  readonly thing: number
  readonly isTwin: boolean
  /** Where it is not its part's. */
  readonly color?: string | undefined
}

export function originalsOf(worked: Worked, things: readonly Placeable[]): Original[] {
  const outcomes = new Map(worked.outcomes.map((o) => [o.id, o]))
  return bodiesOf(worked, things).map(({ of, stands, row }) => {
    const stood = of.is === 'copy' ? outcomes.get(of.pattern) : undefined
    const { table } = stood ?? {}
    const color = stood && ownColorOf(stood, row)
    return { of, stands, thing: table?.thing[row] ?? -1, isTwin: table?.isTwin(row) ?? false, color }
  })
}

/** How far each new one stands from its original: the steps to the first, the second and so on. */
export const stepsOf = ({ count, by, where }: Several): Vec3[] =>
  where === 'before'
    ? Array.from({ length: count }, (_, k) => times(by, k + 1))
    : Array.from({ length: count + 1 }, (_, k) => times(by, (k + 1) / (count + 1)))

export interface Making {
  /** An id that no one else has, the same each time it is asked for the same thing. */
  idOf(kind: 'part' | 'pattern' | 'group' | 'set', number: number): string
  thingOf(thing: number): string
  /** The id of the twin of a thing, made where there is none. */
  twinOf(thing: number): string
}

/**
 * Makes more of what is picked, each a step farther; the originals stay. Copies on places of their own get more of these in their
 * pattern, other copies a pattern beside theirs; whole patterns are duplicated, and those of a group together: what goes with one
 * of them goes with its duplicate. In place.
 */
export function makeSeveral(project: Project, originals: readonly Original[], how: Several, making: Making): void {
  const steps = stepsOf(how)
  let made = 0
  const id = (kind: Parameters<Making['idOf']>[0]): string => making.idOf(kind, made++)
  const own = new Map<string, string>()
  const partOf = (original: Original): string => {
    const part = original.isTwin ? making.twinOf(original.thing) : making.thingOf(original.thing)
    const known = own.get(part)
    if (known !== undefined) return known
    const from = how.linked ? undefined : project.parts.find((p) => p.id === part)
    const fresh = from && ownPart(project, from, id('part'))
    if (fresh) project.parts.push(fresh)
    own.set(part, fresh?.id ?? part)
    return fresh?.id ?? part
  }
  const mores = new Map<string, More | undefined>()
  for (const original of originals) {
    const { of, stands, color } = original
    if (of.is === 'patterns') {
      for (const step of steps) duplicateTogether(project, of.ids, step, how.linked, id)
      continue
    }
    if (!mores.has(of.pattern)) {
      const pattern = project.patterns.find((p) => p.id === of.pattern)
      mores.set(of.pattern, pattern && moreOf(project, pattern, partOf(original), () => id('pattern')))
    }
    const more = mores.get(of.pattern)
    if (!more) continue
    const part = partOf(original)
    for (const step of steps) {
      const { move, turn, size } = inPattern(more, { ...stands, move: plus(stands.move, step) })
      const slot = more.next++
      more.fresh.push({
        slot,
        move,
        ...(Math.abs(turn[3]) < 1 && { turn: [...turn] }),
        ...(size.some((n) => n !== 1) && { size: [...size] }),
        part,
      })
      if (color !== undefined) more.into.touchUps[slotKeyOf(slot, 0)] = { color }
    }
  }
  for (const more of mores.values()) if (more) for (const spot of more.fresh) more.spots.push(spot)
}

/** More of one pattern: where they go, and what comes there. Gathered aside, as asking a long list of spots for each takes minutes. */
interface More {
  readonly place: Pattern['place']
  readonly into: Pattern
  readonly spots: Spot[]
  readonly fresh: Spot[]
  next: number
}

function moreOf(project: Project, pattern: Pattern, part: string, newId: () => string): More {
  const into = spotsOf(pattern) ? pattern : besideOf(project, pattern, part, newId)
  const spots = spotsOf(into)!
  const { move, turn } = pattern.place
  return { place: { move: [...move], turn: [...turn] }, into, spots, fresh: [], next: slotBeyond(spots) }
}

/** Places of their own to which more can be added. */
const spotsOf = ({ layout }: Pattern): Spot[] | undefined => ('spots' in layout ? layout.spots : undefined)

function besideOf(project: Project, pattern: Pattern, part: string, newId: () => string): Pattern {
  const name = freeName(
    `More of ${pattern.name}`.slice(0, 80),
    project.patterns.map((p) => p.name),
  )
  project.patterns.push({
    id: newId(),
    name,
    place: { move: [...pattern.place.move], turn: [...pattern.place.turn] },
    deal: { kind: 'inTurn', parts: [part] },
    layout: { kind: 'spots', spots: [] },
    steps: [],
    touchUps: {},
    hidden: false,
    plain: [part],
    ...(pattern.group !== undefined && { group: pattern.group }),
  })
  return project.patterns.at(-1)!
}

function duplicateTogether(
  project: Project,
  ids: readonly string[],
  step: Vec3,
  linked: boolean,
  id: (kind: 'part' | 'pattern' | 'group' | 'set') => string,
): void {
  const now = new Map<string, string>()
  const [from, to] = [[0, 0, 0] as Vec3, step].map((move): Placing => ({ move, turn: UNTURNED, size: [1, 1, 1] }))
  for (const original of ids) {
    const pattern = project.patterns.find((p) => p.id === original)
    if (!pattern) continue
    const fresh = id('pattern')
    now.set(original, fresh)
    duplicatePattern(project, pattern, {
      id: fresh,
      name: freeName(
        pattern.name,
        project.patterns.map((p) => p.name),
      ),
      place: (goesAlong(pattern, ids) ? takenAlong : carried)(pattern.place, from, to),
      own: !linked,
      newId: id,
    })
  }
  if (now.size < 2) return
  const among = new Set(now.values())
  project.patterns = project.patterns.map((p) =>
    among.has(p.id) ? renamed(patternSchema, p, (_, named) => now.get(named) ?? named) : p,
  )
  makeGroup(project, [...among], id('group'), 'Group')
}
