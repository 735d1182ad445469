import { withLots } from '../deal/edits'
import { type InstanceTable } from '../instances'
import type { Part } from '../model/part'
import { type Pattern } from '../model/pattern'
import { thingsUsed, withParts } from '../model/references'
import { definitionOf } from '../layouts/index'
import { stepDefinitionOf } from '../steps/index'
import type { Project } from '../model/project'
import { freeName } from '../names'
import type { Similarity } from '../geometry/similarity'
import { giveCopy, within } from './placing'

/** A part of its own, made from another: the same in everything but its id and its name. */
export function ownPart(project: Project, from: Part, id: string): Part {
  const names = [...project.parts, ...project.patterns].map((thing) => thing.name)
  return { ...from, id, name: freeName(from.name, names), chances: from.chances ?? from.id }
}

/**
 * Gives chosen copies parts of their own, one for each part that they shared. Nothing moves. Where all copies of a part in a
 * pattern are chosen, the pattern's deal takes the new part over; otherwise the copies are touched up.
 *
 * @param chosen keys of slots by pattern
 * @param newId makes an id that no one else has
 * @returns the new parts
 */
export function unlink(
  project: Project,
  tables: ReadonlyMap<string, InstanceTable>,
  chosen: ReadonlyMap<string, Iterable<string>>,
  newId: () => string,
): Part[] {
  const made = new Map<string, Part>()
  const things = [...project.parts]
  const own = (from: Part): Part => {
    const known = made.get(from.id)
    if (known) return known
    const part = ownPart(project, from, newId())
    made.set(from.id, part)
    project.parts.push(part)
    return part
  }
  for (const [id, keys] of chosen) {
    const pattern = project.patterns.find((p) => p.id === id)
    const table = tables.get(id)
    if (!pattern || !table) continue
    const rows = new Map<number, string[]>()
    for (const key of keys) {
      const row = table.rowOf(key)
      if (row < 0 || !things[table.thing[row]]) continue
      const thing = table.thing[row]
      const list = rows.get(thing)
      if (list) list.push(key)
      else rows.set(thing, [key])
    }
    for (const [thing, list] of rows) {
      const from = things[thing]
      const to = own(from)
      if (list.length === copiesOf(table, thing)) takeOver(pattern, from.id, to.id)
      else {
        saidAlike(pattern, from.id, to.id)
        for (const key of list) giveCopy(pattern, table, table.rowOf(key), key, from.id, to.id)
      }
    }
  }
  return [...made.values()]
}

function copiesOf(table: InstanceTable, thing: number): number {
  let count = 0
  for (let k = 0; k < table.count; k++) if (table.thing[k] === thing) count++
  return count
}

/** What a pattern says aside of one part, said of another too: that it varies by itself, how it is fitted, how mirrors answer its shape. */
export function saidAlike(pattern: Pattern, from: string, to: string): void {
  if (pattern.plain?.includes(from)) pattern.plain.push(to)
  if (pattern.fits?.[from]) pattern.fits[to] = pattern.fits[from]
  answeredAlike(pattern, from, to)
}

/** How mirrors answer the shape of one part, answered for another too. */
export function answeredAlike({ layout, steps }: Pattern, from: string, to: string): void {
  const reflections = [
    definitionOf(layout).reflection?.(layout),
    ...steps.map((s) => stepDefinitionOf(s).reflection?.(s)),
  ]
  for (const reflection of reflections) if (reflection?.answers[from]) reflection.answers[to] = reflection.answers[from]
}

/** One part in the place of another throughout a pattern, standing as that did. */
function takeOver(pattern: Pattern, from: string, to: string): void {
  if (thingsUsed(pattern).has(from))
    Object.assign(
      pattern,
      withParts({ ...pattern, deal: withLots(pattern.deal) }, (id) => (id === from ? to : id)),
    )
}

/**
 * Links copies of one part to another of the same shape: each is placed so that every vertex stays where it was, by how the
 * one shape lies on the other.
 *
 * @param similarity how the copies' part lies on the other: part = similarity · other
 */
export function relinkCopies(
  pattern: Pattern,
  table: InstanceTable,
  keys: Iterable<string>,
  from: string,
  to: string,
  { move, turn, size }: Pick<Similarity, 'move' | 'turn' | 'size'>,
): void {
  for (const key of keys) {
    const row = table.rowOf(key)
    if (row >= 0) giveCopy(pattern, table, row, key, from, to, within(table.placingOf(row), { move, turn, size }))
  }
}
