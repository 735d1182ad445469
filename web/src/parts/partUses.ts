import type { Part } from '@hilera/core/model/part'
import { isAssembly } from '@hilera/core/parts/support'
import { keysTaken } from '@hilera/core/selection/pick'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useOutcomes } from '../stores/outcomes'
import type { PatternUpdate } from '../worker/messages'

/** How often a part stands in a pattern: as a copy of its own, and inside copies of other things. */
export interface PartUse {
  readonly pattern: string
  readonly own: number
  readonly inside: number
}

/** Where parts are used, of the copies that are there. */
export const usePartUses = defineStore('partUses', () => {
  const outcomes = useOutcomes()

  /** Of each pattern, how many copies are of each thing: counted once an answer, and asked for every part. */
  const counted = computed(() => outcomes.patterns.map((pattern) => ({ pattern, own: ownOf(pattern) })))

  function usesOf(id: string): PartUse[] {
    const number = outcomes.numberOf(id)
    const part = outcomes.worked.parts[number] as Part | undefined
    return counted.value.flatMap(({ pattern, own: counts }) => {
      const own = counts.get(number) ?? 0
      const all = part && isAssembly(part) ? wholesIn(id, counts) : drawnOf(pattern, number)
      return all > 0 ? [{ pattern: pattern.id, own, inside: all - own }] : []
    })
  }

  /** An assembly is taken apart before it is drawn: it is counted in what is dealt, and in assemblies that hold it. */
  const wholesIn = (id: string, counts: ReadonlyMap<number, number>): number =>
    [...counts].reduce((n, [thing, count]) => n + count * timesIn(id, outcomes.worked.parts[thing]), 0)
  function timesIn(id: string, host: Part | undefined): number {
    if (host?.id === id) return 1
    if (host?.shape.kind !== 'assembly') return 0
    const { parts } = outcomes.worked
    const inner = host.shape.members.map(({ part }) => parts.find((p) => p.id === part))
    return inner.reduce((n, part) => n + timesIn(id, part), 0)
  }
  const copiesOf = (id: string): number => usesOf(id).reduce((n, { own, inside }) => n + own + inside, 0)

  /** How many copies there are of a part's variants, which stand in for it where it is dealt. */
  const variantsOf = (id: string): number =>
    (outcomes.worked.parts.find((p) => p.id === id)?.variants ?? []).reduce((n, one) => n + copiesOf(one), 0)

  /** The copies of a pattern that are of a part, or are assemblies that hold it. */
  function keysOf(id: string, pattern: string): string[] {
    const table = outcomes.byId.get(pattern)?.table
    const { parts } = outcomes.worked
    const holds = parts.map((part) => timesIn(id, part) > 0)
    return table ? keysTaken(table, (k) => holds[table.thing[k]]) : []
  }

  return { usesOf, copiesOf, variantsOf, keysOf }
})

function ownOf({ table }: PatternUpdate): Map<number, number> {
  // By number first: a map asked for each copy of a crowd took as long as all else that the page does with them.
  const counts: number[] = []
  for (let k = 0; k < table.count; k++)
    if (table.isPresent(k)) counts[table.thing[k]] = (counts[table.thing[k]] ?? 0) + 1
  return new Map(counts.flatMap((count, thing) => [[thing, count] as const]))
}

const drawnOf = ({ batches }: PatternUpdate, thing: number): number =>
  batches.reduce((n, { part, rows }) => n + (part === thing ? rows.length : 0), 0)
