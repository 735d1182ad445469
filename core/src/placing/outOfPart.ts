import { produce } from 'immer'
import { expand } from '../evaluation/nesting'
import { UNTURNED } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { InstanceTable, slotKeyOf } from '../instances'
import { MAX_SPOTS, type Spot } from '../layouts/spots/schema'
import type { Project } from '../model/project'
import { assemblyTable } from '../parts/assembly'
import { type Result, done, refused } from '../words'
import type { Stood } from '../evaluation/outcome'
import { splitOff } from './splitOff'

/** How the new pattern is named. */
export interface ApartNames {
  readonly id: string
  readonly name: string
}

/**
 * Takes picked copies of assemblies apart: what is inside each gets a place of its own, where it stands, in one new pattern. The places
 * that they leave stay empty; the part itself stays. Nothing moves.
 *
 * @param picks slot keys by pattern
 * @param outcomes what came of the patterns
 * @returns the project with it; refused where a copy is no assembly, is a mirror image, or holds more than can stand
 */
export function outOfPart(
  project: Project,
  picks: ReadonlyMap<string, ReadonlySet<string>>,
  outcomes: ReadonlyMap<string, Stood>,
  names: ApartNames,
): Result<Project> {
  const { parts } = project
  const all = [...parts, ...project.patterns]
  for (const [id, keys] of picks) {
    const table = outcomes.get(id)?.table
    for (const key of keys) {
      const row = table?.rowOf(key) ?? -1
      if (!table || row < 0) continue
      const { name } = all[table.thing[row]]
      if (membersOf(project, table.thing[row]).count === 0)
        return refused(`${name} is no assembly of parts: there is nothing to take apart.`)
      if (table.isTwin(row))
        return refused(`One of them is a mirror image of ${name}. Take apart what it is the image of.`)
    }
  }
  const split = produce(project, (draft) =>
    splitOff(draft, picks, outcomes, {
      ...names,
      idOf: (thing) => all[thing].id,
      nameOf: (thing) => all[thing].name,
      // Mirror images are refused above.
      twinOf: (thing) => all[thing].id,
    }),
  )
  const wholes = spotsOf(split, names.id)
  const apart = expand(tableOf(wholes, project), (thing) => done(membersOf(project, thing)), MAX_SPOTS)
  if (!apart.ok) return apart
  const { table, owner } = apart.value
  const spots = Array.from({ length: table.count }, (_, k): Spot => {
    const { move, turn, size } = table.placingOf(k)
    const { id, name } = parts[table.thing[k]]
    return { slot: k, move, turn: [...turn], size: [...size], part: id, name: `${name} ${k + 1}`.slice(0, 80) }
  })
  return done(
    produce(split, (draft) => {
      const made = draft.patterns.find((p) => p.id === names.id)!
      const inside = [...new Set(spots.map((s) => s.part!))]
      made.layout = { kind: 'spots', spots }
      made.deal = { kind: 'inTurn', parts: inside.slice(0, 1) }
      made.plain = inside
      // What is inside a coloured one is coloured.
      const colored = made.touchUps
      made.touchUps = {}
      for (const [k, { slot }] of spots.entries()) {
        const { color } = colored[slotKeyOf(wholes[owner[k]].slot, 0)] ?? {}
        if (color !== undefined) made.touchUps[slotKeyOf(slot, 0)] = { color }
      }
      for (const set of draft.sets) {
        const keys = set.copies[names.id]
        if (!keys) continue
        const kept = new Set(keys)
        const isKept = (k: number): boolean => kept.has(slotKeyOf(wholes[owner[k]].slot, 0))
        set.copies[names.id] = spots.flatMap(({ slot }, k) => (isKept(k) ? [slotKeyOf(slot, 0)] : []))
      }
    }),
  )
}

const spotsOf = ({ patterns }: Project, id: string): readonly Spot[] =>
  patterns.flatMap(({ id: own, layout }) => (own === id && 'spots' in layout ? layout.spots : []))

/** What is inside a part, in its axes; nothing where it is no assembly. */
function membersOf({ parts }: Project, thing: number): InstanceTable {
  const part = parts[thing]
  return part?.shape.kind === 'assembly'
    ? assemblyTable(part, (id) => parts.findIndex((p) => p.id === id))
    : new InstanceTable()
}

const ONE: Vec3 = [1, 1, 1]

function tableOf(spots: readonly Spot[], { parts }: Project): InstanceTable {
  const table = new InstanceTable()
  table.neutral(spots.length)
  for (const [k, { move, turn = UNTURNED, size = ONE, part }] of spots.entries()) {
    table.position.set(move, 3 * k)
    table.setTurn(k, turn)
    table.setSize(k, size)
    table.thing[k] = parts.findIndex((p) => p.id === part)
  }
  return table
}
