import { type PatternOutcome, supportIn } from '../evaluate'
import { Flag, type InstanceTable } from '../instances'
import type { MeshLibrary } from '../parts/partMesh'
import { boxOf } from '../spacing/support'
import type { Moment } from './moments'

/** From one picture to the next a copy that moves further than this part of its size leaps: the eye does not follow it. */
export const LEAP = 0.5

/** What became of the copies of a pattern from one picture to the next. */
export interface Leapt {
  readonly id: string
  /** Copies that moved further than half of their size. */
  readonly leaps: number
  /** Copies that were there and are left out now, so that others are clear. */
  readonly leftOut: number
}

/** Looks from picture to picture for copies that leap. It keeps what it needs of the one before: tables are used again. */
export class Leaps {
  private before = new Map<string, { readonly outcome: PatternOutcome; readonly table: InstanceTable }>()

  constructor(private readonly meshes: MeshLibrary) {}

  /** What leapt since the moment that was given before; nothing the first time. Patterns of which nothing did are left out. */
  to({ project, outcomes }: Moment): Leapt[] {
    const supportOf = supportIn(project, this.meshes, outcomes)
    const sizes = new Map<number, number>()
    const sizeOf = (thing: number): number => {
      const known = sizes.get(thing)
      if (known !== undefined) return known
      const { low, high } = boxOf(supportOf(thing))
      const size = Math.max(...low.map((n, i) => high[i] - n))
      sizes.set(thing, size)
      return size
    }
    const found = outcomes.flatMap((outcome) => {
      const last = this.before.get(outcome.id)
      if (!last || last.outcome === outcome) return []
      const told = { id: outcome.id, ...between(last.table, outcome.table, sizeOf) }
      return told.leaps + told.leftOut > 0 ? [told] : []
    })
    for (const outcome of outcomes)
      if (this.before.get(outcome.id)?.outcome !== outcome)
        this.before.set(outcome.id, { outcome, table: outcome.table.snapshot() })
    return found
  }
}

function between(
  before: InstanceTable,
  now: InstanceTable,
  sizeOf: (thing: number) => number,
): Pick<Leapt, 'leaps' | 'leftOut'> {
  let [leaps, leftOut] = [0, 0]
  for (let k = 0; k < now.count; k++) {
    const row = before.rowOfSlot(now.slotLow[k], now.slotHigh[k])
    if (row < 0 || !before.isPresent(row)) continue
    if (now.flags[k] & Flag.leftOut) leftOut++
    if (!now.isPresent(k)) continue
    const [p, q] = [3 * k, 3 * row]
    const moved = Math.hypot(
      now.position[p] - before.position[q],
      now.position[p + 1] - before.position[q + 1],
      now.position[p + 2] - before.position[q + 2],
    )
    const scale = Math.max(now.scale[p], now.scale[p + 1], now.scale[p + 2])
    if (moved > LEAP * scale * sizeOf(now.thing[k])) leaps++
  }
  return { leaps, leftOut }
}
