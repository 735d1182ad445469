import type { PatternOutcome } from '../evaluation/outcome'
import { angleOf, compose, inverse } from '../geometry/rotation'
import type { Placing } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { inWorld } from '../model/inWorld'

/** A state of a project and what it was worked out to. */
export interface State {
  readonly project: Project
  readonly outcomes: readonly Pick<PatternOutcome, 'id' | 'table' | 'frames'>[]
}

/** What may have become of a copy from one state to another. */
export const changes = ['added', 'moved', 'turned', 'sized', 'swapped', 'coloured', 'removed'] as const
export type Change = (typeof changes)[number]

/** The copies of one kind of change. */
export interface Changed {
  readonly count: number
  /** Slots by pattern, in the state in which they stand: the second, but for those that were removed. */
  readonly slots: ReadonlyMap<string, readonly string[]>
  /**
   * How much at the most: metres moved, radians turned, of sizes the factor farthest from 1. Absent where that has no meaning.
   */
  readonly most?: number
  /** The copy of which that is told, or the first one. */
  readonly where?: { readonly pattern: string; readonly number: number }
}

/** What two states of a project, or two projects, differ in: copy by copy. */
export interface Compared {
  readonly changed: Readonly<Record<Change, Changed>>
  readonly unchanged: number
}

/** What is less than this was only rounded: metres, radians, factors. */
const ROUNDING = 1e-9

/**
 * Compares the copies of two states as they stand in the world. A copy is the same one in both where its pattern and its slot are: it may
 * be moved, turned, sized, swapped and coloured at once, and is counted in each. Hidden patterns are looked at as well.
 */
export function compareCopies(from: State, to: State): Compared {
  const found = Object.fromEntries(
    changes.map((change) => [change, new Finding(change === 'sized' ? fromFull : Math.abs)]),
  ) as Record<Change, Finding>
  let unchanged = 0
  const ids = new Set([...from.project.patterns, ...to.project.patterns].map(({ id }) => id))
  for (const id of ids) {
    const [before, after] = [copiesOf(from, id), copiesOf(to, id)]
    for (let k = 0; k < (before?.table.count ?? 0); k++) {
      if (!before!.table.isPresent(k)) continue
      const key = before!.table.keyOf(k)
      const row = after ? after.table.rowOf(key) : -1
      if (row < 0 || !after!.table.isPresent(row)) found.removed.add(id, key, k)
    }
    for (let k = 0; k < (after?.table.count ?? 0); k++) {
      const { table } = after!
      if (!table.isPresent(k)) continue
      const key = table.keyOf(k)
      const row = before ? before.table.rowOf(key) : -1
      if (row < 0 || !before!.table.isPresent(row)) {
        found.added.add(id, key, k)
        continue
      }
      const [was, is] = [standing(before!, row), standing(after!, k)]
      let same = true
      const tell = (change: Change, much?: number): void => {
        same = false
        found[change].add(id, key, k, much)
      }
      const moved = Math.hypot(...is.move.map((n, i) => n - was.move[i]))
      if (moved > ROUNDING * (1 + Math.hypot(...is.move))) tell('moved', moved)
      const turned = angleOf(compose(is.turn, inverse(was.turn)))
      if (turned > 1e-8) tell('turned', turned)
      const by = is.size.map((n, i) => n / was.size[i])
      const most = by.reduce((a, b) => (fromFull(b) > fromFull(a) ? b : a))
      if (Math.abs(most - 1) > ROUNDING) tell('sized', most)
      if (thingOf(from, before!, row) !== thingOf(to, after!, k)) tell('swapped')
      else if (colorOf(from, before!, row) !== colorOf(to, after!, k)) tell('coloured')
      if (same) unchanged++
    }
  }
  return {
    changed: Object.fromEntries(changes.map((change) => [change, found[change].told()])) as Record<Change, Changed>,
    unchanged,
  }
}

type Copies = State['outcomes'][number] & { readonly pattern: Pattern }

function copiesOf({ project, outcomes }: State, id: string): Copies | undefined {
  const pattern = project.patterns.find((p) => p.id === id)
  const outcome = outcomes.find((o) => o.id === id)
  return pattern && outcome && { ...outcome, pattern }
}

const standing = ({ pattern, table }: Copies, row: number): Placing => inWorld(pattern, table.placingOf(row))

function thingOf({ project }: State, { table }: Copies, row: number): string {
  const number = table.thing[row]
  return (project.parts[number] ?? project.patterns[number - project.parts.length]).id
}

/** Its own colour, or its part's. */
const colorOf = ({ project }: State, { table, frames }: Copies, row: number): string | undefined =>
  frames[table.surface[row] - 1]?.color ?? project.parts[table.thing[row]]?.look.color

/** A half is as far from full size as a double. */
const fromFull = (factor: number): number => Math.abs(Math.log(factor))

class Finding {
  private count = 0
  private readonly slots = new Map<string, string[]>()
  private most: number | undefined
  private where: Changed['where']

  /** @param far how far an amount is from none */
  constructor(private readonly far: (much: number) => number) {}

  add(pattern: string, slot: string, row: number, much?: number): void {
    this.count++
    const own = this.slots.get(pattern)
    if (own) own.push(slot)
    else this.slots.set(pattern, [slot])
    const isMore = much !== undefined && (this.most === undefined || this.far(much) > this.far(this.most))
    if (this.where && !isMore) return
    this.most = much
    this.where = { pattern, number: row + 1 }
  }

  told(): Changed {
    const { count, slots, most, where } = this
    return { count, slots, ...(most !== undefined && { most }), ...(where && { where }) }
  }
}
