import type { PatternOutcome } from '../evaluation/outcome'
import { fromTurns } from '../geometry/rotation'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { sharersOf, sharingGroup } from '../links/shared'
import { rowsOfSet } from '../selection/sets'
import { type Result, done } from '../words'
import type { Cast } from './cast'
import type { Bar, Prepared } from './definition'
import { changesInTime } from './changing'
import { type Lead, leadsOf } from './follow'
import { type Movement, movementDefinitionOf } from './index'
import { type Moved, RESTS, afterMoved } from './state'

/** The copies of one pattern in time. */
export interface Moving {
  /** How the copy in a row of the pattern's own table is moved at a time. */
  at(row: number, time: number): Moved
  /** Times at which a row changes suddenly. */
  turns(row: number): readonly number[]
  /** So long they go one way at the least between these, in seconds. */
  readonly finest: number
  /** When its copies move, in the order in which they begin; those of the pattern that it goes with where it has no motion itself. */
  readonly bars: readonly Bar[]
}

/**
 * What moves of a project, and how, at any time: a function of the time alone, so that jumping to a moment is playing up to it, to the bit.
 *
 * Movements come on top of all that places copies, after clearing: with them done everything stands as it would without. A pattern without
 * any of its own goes with what it belongs to: a companion round its host's pivot, an image as in the mirror.
 */
export class Playing {
  private readonly known = new Map<string, Moving | undefined>()
  private readonly together = new Map<string, ReadonlyMap<string, Result<Prepared>>>()
  private readonly prepared = new Map<string, readonly Result<Prepared>[]>()
  private readonly outcomes: ReadonlyMap<string, PatternOutcome>

  constructor(
    private readonly project: Project,
    outcomes: readonly PatternOutcome[],
  ) {
    this.outcomes = new Map(outcomes.map((o) => [o.id, o]))
  }

  /** How the copies of a pattern move; undefined where they do not. */
  of(id: string): Moving | undefined {
    if (this.known.has(id)) return this.known.get(id)
    // What goes with itself in a circle stands still.
    this.known.set(id, undefined)
    const pattern = this.project.patterns.find((p) => p.id === id)
    const outcome = this.outcomes.get(id)
    const made =
      pattern && outcome && (movesItself(pattern) ? this.ownMotion(pattern) : this.following(pattern, outcome))
    this.known.set(id, made)
    return made
  }

  /** What came of each of a pattern's own movements, in their order; nothing where it is not worked out. */
  ownOf(id: string): readonly Result<Prepared>[] {
    const known = this.prepared.get(id)
    if (known) return known
    const pattern = this.project.patterns.find((p) => p.id === id)
    const made =
      pattern && this.outcomes.has(id) ? (pattern.motion ?? []).map((movement) => this.cameOf(pattern, movement)) : []
    this.prepared.set(id, made)
    return made
  }

  /** What came of a movement for a pattern that has it; all that have it together are prepared at once. */
  private cameOf(pattern: Pattern, movement: Movement): Result<Prepared> {
    const group = sharingGroup(this.project, pattern.id, movement.id, 'motion')
    const key = `${group?.id ?? ''} ${movement.id}`
    const known = group && this.together.get(key)?.get(pattern.id)
    if (known) return known
    // What is hidden has no turn among the others.
    const all = group && !pattern.hidden ? this.shownSharers(pattern, movement) : [pattern]
    const casts = all.map((one) => this.castOf(one, movement, group !== undefined))
    const came = movementDefinitionOf(movement).prepare(movement, casts)
    const each = new Map(all.map(({ id }, i): [string, Result<Prepared>] => [id, came.ok ? done(came.value[i]) : came]))
    if (group && all.length > 1) this.together.set(key, each)
    return each.get(pattern.id)!
  }

  private shownSharers(pattern: Pattern, movement: Movement): Pattern[] {
    const all = sharersOf(this.project, pattern.id, movement.id, 'motion')
    return all.filter(({ id, hidden }) => !hidden && this.outcomes.has(id))
  }

  /** @param isInWorld it is said in the axes of the world, since several have it together */
  private castOf(pattern: Pattern, movement: Movement, isInWorld: boolean): Cast {
    const { table, laid } = this.outcomes.get(pattern.id)!
    const set = 'only' in movement && this.project.sets.find((s) => s.id === movement.only)
    return {
      table,
      name: pattern.chances ?? pattern.id,
      ...(set && { only: rowsOfSet(table, set.copies[pattern.id] ?? []) }),
      ...(isInWorld && { axes: { move: pattern.place.move, turn: fromTurns(pattern.place.turn) } }),
      track: () => laid && definitionOf(pattern.layout).track?.(pattern.layout, laid, table),
    }
  }

  /** When the last copy of the project comes to stand, or the last number, in seconds; 0 where nothing arrives, leaves or changes. */
  get end(): number {
    return this.project.patterns.reduce((last, { id }) => Math.max(last, this.spanOf(id)?.[1] ?? 0), 0)
  }

  /** From when to when copies of a pattern arrive or leave, or numbers of it change; undefined where nothing does. */
  spanOf(id: string): readonly [from: number, to: number] | undefined {
    const spans = this.ownOf(id).flatMap((made) => (made.ok ? (made.value.spans ?? []) : []))
    let [from, to] = [Infinity, 0]
    for (const [a, b] of spans) [from, to] = [Math.min(from, a), Math.max(to, b)]
    for (const bar of this.of(id)?.bars ?? []) [from, to] = [Math.min(from, bar.from), Math.max(to, bar.to)]
    return from <= to ? [from, to] : undefined
  }

  /** Whether anything moves: copies by themselves, or with numbers that change. */
  get moves(): boolean {
    return (
      changesInTime(this.project) ||
      this.project.patterns.some(({ id, hidden }) => !hidden && this.of(id) !== undefined)
    )
  }

  private following(pattern: Pattern, outcome: PatternOutcome): Moving | undefined {
    const leads = leadsOf(pattern, outcome, this.project, (id) => this.outcomes.get(id))
    const moves = [...new Set([...leads.values()].map((lead) => lead.pattern))].some((id) => this.of(id))
    if (!moves) return undefined
    const movingOf = ({ pattern: id }: Lead): Moving | undefined => this.of(id)
    const barOf = new Map<string, Map<number, Bar>>()
    const barsOf = (id: string): Map<number, Bar> => {
      const made = barOf.get(id) ?? new Map((this.of(id)?.bars ?? []).map((bar) => [bar.row, bar]))
      barOf.set(id, made)
      return made
    }
    return {
      at(row, time) {
        const lead = leads.get(row)
        return (lead && movingOf(lead) && lead.follow(movingOf(lead)!.at(lead.row, time))) ?? RESTS
      },
      turns: (row) => {
        const lead = leads.get(row)
        return (lead && movingOf(lead)?.turns(lead.row)) ?? []
      },
      finest: Math.min(
        ...[...new Set([...leads.values()].map((lead) => lead.pattern))].map((id) => this.of(id)?.finest ?? Infinity),
      ),
      bars: [...leads]
        .flatMap(([row, lead]) => {
          const bar = barsOf(lead.pattern).get(lead.row)
          return bar && outcome.table.isMirrored(row) ? [{ ...bar, row }] : []
        })
        .sort((a, b) => a.from - b.from || a.row - b.row),
    }
  }

  private ownMotion(pattern: Pattern): Moving {
    const ready = this.ownOf(pattern.id).flatMap((made) => (made.ok ? [made.value] : []))
    return {
      at:
        ready.length === 1
          ? ready[0].at
          : (row, time) => ready.reduce((before, made) => afterMoved(before, made.at(row, time)), RESTS),
      finest: Math.min(...ready.map((made) => made.finest)),
      turns: (row) => ready.flatMap((made) => made.turns(row)),
      bars: ready.flatMap((made) => made.bars).sort((a, b) => a.from - b.from || a.row - b.row),
    }
  }
}

/** Whether it has movements of its copies; numbers that change move none by themselves. */
const movesItself = ({ motion = [] }: Pattern): boolean =>
  motion.some((movement) => movementDefinitionOf(movement).valueAt === undefined)
