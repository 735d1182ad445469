import { produce } from 'immer'
import type { PatternOutcome } from '../evaluation/outcome'
import { toTurns } from '../geometry/rotation'
import { minus } from '../geometry/vec'
import type { Placing } from '../instances'
import { inWorld } from '../model/inWorld'
import { MOST_MEMBERS, type Member, type Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { keepersOf, removed } from '../model/references'
import { freeName } from '../names'
import { touchUpCopy } from '../patternEdits'
import { type Placeable, type Worked, bodiesOf } from './body'
import { boxOf } from '../spacing/support'
import { type Result, done, refused } from '../words'
import { twinIn } from '../links/twin'

/** What is named anew where things become a part. */
export interface PartNames {
  readonly part: string
  readonly pattern: string
  /** As the part is called; a number is added where another one is called so. */
  readonly name: string
  /** Makes an id that no one else has. */
  newId(): string
}

type Outcomes = readonly Pick<PatternOutcome, 'id' | 'table' | 'expanded' | 'copies' | 'copyOwner'>[]

/** A copy of a part, an assembly whole, where it stands in the world. */
interface Inside {
  readonly thing: number
  readonly isTwin: boolean
  readonly stands: Placing
}

/**
 * Makes one part, an assembly, of picked things, and places it where they stood: its pivot is the middle of their base. Nothing moves.
 * Places of picked copies stay empty; patterns that are picked whole are in the part now and go.
 *
 * @returns the project with it; refused for none or too many, and where others rest on a pattern that would go
 */
export function intoPart(
  worked: Worked & { readonly outcomes: Outcomes },
  picked: readonly Placeable[],
  names: PartNames,
): Result<Project> {
  const { project } = worked
  const going = picked.flatMap((of) => (of.is === 'patterns' ? of.ids : []))
  for (const id of going) {
    const keeper = keepersOf(project, id).find(({ id: by }) => !going.includes(by))
    const name = project.patterns.find((p) => p.id === id)?.name
    if (keeper) return refused(`${keeper.name} needs ${name}. Pick both, or neither.`)
  }
  const inside = insideOf(project, worked.outcomes, picked)
  if (inside.length === 0) return refused('Nothing of them is placed. Pick copies that are there.')
  if (inside.length > MOST_MEMBERS)
    return refused('They are ', { count: inside.length }, ' copies; a part holds up to ', { count: MOST_MEMBERS }, '.')
  const pivot = baseOf(worked, picked)
  const first = project.parts[inside[0].thing]
  const group = groupOf(project, picked)
  const without = going.length > 0 ? removed(project, new Set(going)) : project
  return done(
    produce(without, (draft) => {
      const members = inside.map(({ thing, isTwin, stands }, k): Member => {
        const { id } = project.parts[thing]
        const part = isTwin ? twinIn(draft, id, names.newId) : id
        const { move, turn, size } = stands
        return { id: `m${k + 1}`, part, move: minus(move, pivot), turn: toTurns(turn), size: [...size] }
      })
      const part: Part = {
        id: names.part,
        name: freeName(
          names.name,
          draft.parts.map((p) => p.name),
        ),
        shape: { kind: 'assembly', members },
        look: first.look,
      }
      draft.parts.push(part)
      emptyPlaces(draft, picked)
      const pattern: Pattern = {
        id: names.pattern,
        name: freeName(
          part.name,
          draft.patterns.map((p) => p.name),
        ),
        place: { move: [...pivot], turn: [0, 0, 0] },
        deal: { kind: 'inTurn', parts: [part.id] },
        layout: { kind: 'spots', spots: [{ slot: 0, move: [0, 0, 0] }] },
        steps: [],
        touchUps: {},
        hidden: false,
      }
      draft.patterns.push({ ...pattern, ...(group !== undefined && { group }) })
    }),
  )
}

/** The copies of parts that picked things are, patterns that they repeat taken apart, in the order in which they were picked. */
function insideOf(project: Project, outcomes: Outcomes, picked: readonly Placeable[]): Inside[] {
  const byId = new Map(outcomes.map((o) => [o.id, o]))
  return picked.flatMap((of) =>
    (of.is === 'copy' ? [of.pattern] : of.ids).flatMap((id) => {
      const pattern = project.patterns.find((p) => p.id === id)
      const outcome = byId.get(id)
      if (!pattern || !outcome) return []
      const { table, copies, copyOwner } = outcome
      const only = of.is === 'copy' ? table.rowOf(of.slot) : undefined
      const found: Inside[] = []
      for (let k = 0; k < copies.count; k++) {
        const owner = copyOwner?.[k] ?? k
        if ((only !== undefined && owner !== only) || !table.isPresent(owner) || !copies.isPresent(k)) continue
        found.push({
          thing: copies.thing[k],
          isTwin: copies.isTwin(k),
          stands: inWorld(pattern, copies.placingOf(k)),
        })
      }
      return found
    }),
  )
}

/** The middle of the base of all of them, in the world. */
function baseOf(worked: Worked, picked: readonly Placeable[]): [number, number, number] {
  const bodies = bodiesOf(worked, picked)
  const { low, high } = boxOf((direction) => {
    const reaches = bodies.map((body) => body.reach(direction))
    return {
      low: reaches.reduce((least, r) => Math.min(least, r.low), Infinity),
      high: reaches.reduce((most, r) => Math.max(most, r.high), -Infinity),
    }
  })
  return [(low[0] + high[0]) / 2, low[1], (low[2] + high[2]) / 2]
}

/** The group in which all of them are; undefined where they are not in one. */
function groupOf({ patterns }: Project, picked: readonly Placeable[]): string | undefined {
  const ids = picked.flatMap((of) => (of.is === 'copy' ? [of.pattern] : of.ids))
  const groups = new Set(ids.map((id) => patterns.find((p) => p.id === id)?.group))
  return groups.size === 1 ? [...groups][0] : undefined
}

function emptyPlaces(project: Project, picked: readonly Placeable[]): void {
  for (const of of picked) {
    const pattern = of.is === 'copy' && project.patterns.find((p) => p.id === of.pattern)
    if (pattern && of.is === 'copy') touchUpCopy(pattern, of.slot, { empty: true })
  }
}
