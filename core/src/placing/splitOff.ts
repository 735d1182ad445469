import { type Stood, ownColorOf } from '../evaluation/outcome'
import { slotKeyOf } from '../instances'
import type { Spot } from '../layouts/spots/schema'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { touchUpCopy } from '../patternEdits'
import { inWorld } from '../model/inWorld'

/** How the things of the project are named while copies are split off. */
export interface SplitNames {
  readonly id: string
  readonly name: string
  idOf(thing: number): string
  nameOf(thing: number): string
  /** The id of the twin of a thing, made where there is none. */
  twinOf(thing: number): string
}

/**
 * Gives copies of any patterns places of their own in one new pattern, where they stand; the places that they leave stay empty, so
 * that nobody else moves; what steps and hands coloured keeps its colour. Saved selections follow. In place.
 *
 * @param picks slot keys by pattern
 * @param outcomes what came of the patterns
 */
export function splitOff(
  project: Project,
  picks: ReadonlyMap<string, ReadonlySet<string>>,
  outcomes: ReadonlyMap<string, Stood>,
  { id, name, idOf, nameOf, twinOf }: SplitNames,
): void {
  const spots: Spot[] = []
  const touchUps: Pattern['touchUps'] = {}
  const moved = new Map<string, Map<string, string>>()
  for (const [patternId, keys] of picks) {
    const pattern = project.patterns.find((p) => p.id === patternId)
    const stood = outcomes.get(patternId)
    if (!pattern || !stood) continue
    const { table } = stood
    const now = new Map<string, string>()
    moved.set(patternId, now)
    for (const key of keys) {
      const row = table.rowOf(key)
      if (row < 0 || !table.isPresent(row)) continue
      const { move, turn, size } = inWorld(pattern, table.placingOf(row))
      const thing = table.thing[row]
      const slot = slotKeyOf(spots.length, 0)
      now.set(key, slot)
      const color = ownColorOf(stood, row)
      if (color !== undefined) touchUps[slot] = { color }
      spots.push({
        slot: spots.length,
        move,
        ...(Math.abs(turn[3]) < 1 && { turn: [...turn] }),
        ...(size.some((n) => n !== 1) && { size: [...size] }),
        part: table.isTwin(row) ? twinOf(thing) : idOf(thing),
        name: `${nameOf(thing)} ${spots.length + 1}`.slice(0, 80),
      })
      touchUpCopy(pattern, key, { empty: true })
    }
  }
  const dealt = [...new Set(spots.map((s) => s.part!))]
  const made: Pattern = {
    id,
    name,
    place: { move: [0, 0, 0], turn: [0, 0, 0] },
    deal: { kind: 'inTurn', parts: dealt.slice(0, 1) },
    layout: { kind: 'spots', spots },
    steps: [],
    touchUps,
    hidden: false,
    // They stand varied as they are.
    plain: dealt,
  }
  project.patterns.push(made)
  for (const set of project.sets)
    for (const [patternId, now] of moved) {
      const keys = set.copies[patternId] ?? []
      const gone = keys.flatMap((key) => now.get(key) ?? [])
      if (gone.length === 0) continue
      set.copies[patternId] = keys.filter((key) => !now.has(key))
      set.copies[id] = [...(set.copies[id] ?? []), ...gone]
    }
}
