import { type PatternOutcome, ownColorOf } from '../evaluation/outcome'
import { type Placing, Flag } from '../instances'
import { toTurns } from '../geometry/rotation'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { inWorld } from '../model/inWorld'
import type { Vec3 } from '../values/values'

/** One copy as the ledger tells it. */
export interface LedgerCopy {
  readonly pattern: Pattern
  /** From 1, as copies are numbered in their pattern. */
  readonly number: number
  readonly slot: string
  /** A part, or a whole pattern where its pattern repeats one. */
  readonly thing: Part | Pattern
  /** In the world. */
  readonly stands: Placing
  /** The same turn about across, up and deep, in radians. */
  readonly turns: Vec3
  readonly color: string | undefined
  readonly marks: readonly Mark[]
  /** The free distance to the nearest other copy of its pattern, below 0 where they overlap; where it is not known, nothing. */
  readonly nearest: number | undefined
}

export const marks = ['touched up', 'twin', 'held', 'astray'] as const
export type Mark = (typeof marks)[number]

/** What is worked out of a project, as far as the ledger reads it. */
type Worked = readonly Pick<PatternOutcome, 'id' | 'table' | 'frames' | 'astray'>[]

/**
 * All copies that stand somewhere, pattern by pattern in their order; a copy that repeats a whole pattern is one. Those of hidden
 * patterns are left out, as are empty places and copies that were left out or stand across a mirror.
 *
 * Rows are only counted when it is made: what a copy's line says is worked out when it is asked for.
 */
export class Ledger {
  /** Counts into the project's patterns. */
  readonly pattern: Uint32Array
  /** The row in the table of its pattern. */
  readonly row: Uint32Array
  private readonly outcomes: readonly (Worked[number] | undefined)[]
  private readonly astray: readonly ReadonlySet<number>[]

  constructor(
    private readonly project: Project,
    outcomes: Worked,
    /** Gaps to the nearest, a row each, by the ids of patterns. */
    private readonly gaps: ReadonlyMap<string, Float64Array> = new Map(),
  ) {
    this.outcomes = project.patterns.map(({ id }) => outcomes.find((o) => o.id === id))
    this.astray = this.outcomes.map((outcome) => new Set(Object.values(outcome?.astray ?? {}).flat()))
    const shown = project.patterns.flatMap(({ hidden }, i) => {
      const table = this.outcomes[i]?.table
      return table && !hidden ? [{ i, table }] : []
    })
    const count = shown.reduce((n, { table }) => n + table.presentCount(), 0)
    this.pattern = new Uint32Array(count)
    this.row = new Uint32Array(count)
    let at = 0
    for (const { i, table } of shown)
      for (let k = 0; k < table.count; k++) {
        if (!table.isPresent(k)) continue
        this.pattern[at] = i
        this.row[at++] = k
      }
  }

  get count(): number {
    return this.row.length
  }

  /** The copy of a line, from 0. */
  copy(line: number): LedgerCopy {
    const { project } = this
    const pattern = project.patterns[this.pattern[line]]
    const stood = this.outcomes[this.pattern[line]]!
    const { table } = stood
    const row = this.row[line]
    const number = table.thing[row]
    const gap = this.gaps.get(pattern.id)?.[row]
    const part: Part | undefined = project.parts[number]
    const thing = part ?? project.patterns[number - project.parts.length]
    const stands = inWorld(pattern, table.placingOf(row))
    return {
      pattern,
      number: row + 1,
      slot: table.keyOf(row),
      thing,
      stands,
      turns: toTurns(stands.turn),
      color: ownColorOf(stood, row) ?? part?.look.color,
      marks: this.marksOf(line),
      nearest: gap !== undefined && Number.isFinite(gap) ? gap : undefined,
    }
  }

  private marksOf(line: number): Mark[] {
    const { table } = this.outcomes[this.pattern[line]]!
    const row = this.row[line]
    const flags = table.flags[row]
    return [
      ...(flags & Flag.touched ? (['touched up'] as const) : []),
      ...(flags & Flag.twin ? (['twin'] as const) : []),
      ...(flags & Flag.held ? (['held'] as const) : []),
      ...(this.astray[this.pattern[line]].has(row) ? (['astray'] as const) : []),
    ]
  }
}
