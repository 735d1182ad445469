import { produce } from 'immer'
import { type PatternOutcome, ownColorOf } from '../evaluation/outcome'
import { minus } from '../geometry/vec'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type Result, done, refused } from '../words'
import { type Body, type Worked, bodiesOf } from './body'
import { placedExactly, putPlaced } from './exactly'
import { type SplitNames, splitOff } from './splitOff'

/** By so much nobody may move when copies become a live pattern, in metres. */
export const STILL = 1e-9
/** Gaps along a curve that differ by less are even: they came out to 1e-11 m each. */
export const EVEN = 1e-8

/** A copy among the things that become a live pattern, with the table in which it stands. */
export interface LiveCopy {
  readonly of: Extract<Body['of'], { is: 'copy' }>
  readonly row: number
  readonly table: InstanceTable
}

/** What places copies from now on. */
export interface Live {
  readonly place: Pattern['place']
  readonly layout: Pattern['layout']
  /** Of each copy, in their order. */
  readonly parts: readonly string[]
}

/** The copies that things are; refused where some are whole patterns, mirror images, or too few. */
export function copiesAmong(order: readonly Body[], { outcomes }: Worked, what: string): Result<LiveCopy[]> {
  const tables = new Map(outcomes.map((o) => [o.id, o.table]))
  const copies = order.flatMap(({ of, row }) => (of.is === 'copy' ? [{ of, row, table: tables.get(of.pattern)! }] : []))
  if (copies.length < order.length || copies.length < 2)
    return refused(`Pick two copies or more to make a ${what} of them.`)
  if (copies.some(({ table, row }) => table.isTwin(row)))
    return refused(`Some of them are mirror images, which a ${what} does not place. Leave them out.`)
  return done(copies)
}

/**
 * The project in which a pattern places copies that stood elsewhere. What differs from where it puts them becomes touch-ups; the places
 * that they leave stay empty.
 *
 * @param order the copies, as the pattern places them
 * @param live how they are placed, of which parts
 * @param begins whether the pattern is moved so that its first copy stands where it stood
 * @returns refused where any would move by more than 1e-9 m
 */
export function madeLive(
  worked: Worked,
  order: readonly Body[],
  { place, layout, parts }: Live,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
  begins: boolean,
): Result<Project> {
  const pattern: Pattern = {
    id: names.id,
    name: names.name,
    place,
    deal: { kind: 'inTurn', parts: [...parts] },
    layout,
    steps: [],
    touchUps: {},
    hidden: false,
    plain: [...new Set(parts)],
  }
  const outcomes = new Map(worked.outcomes.map((o) => [o.id, o]))
  for (const [k, { of, row }] of order.entries()) {
    const stood = of.is === 'copy' ? outcomes.get(of.pattern) : undefined
    const color = stood && ownColorOf(stood, row)
    if (color !== undefined) pattern.touchUps[k.toString(16)] = { color }
  }
  // The places that they leave stay empty, as where copies are split off; the new pattern takes the place of that one.
  let next = produce(worked.project, (draft) => {
    const picks = new Map<string, Set<string>>()
    for (const { of } of order)
      if (of.is === 'copy') picks.set(of.pattern, (picks.get(of.pattern) ?? new Set()).add(of.slot))
    splitOff(draft, picks, outcomes, names)
    const at = draft.patterns.findIndex((p) => p.id === names.id)
    draft.patterns[at] = pattern
  })
  const things = order.map((_, k) => ({ is: 'copy', pattern: names.id, slot: k.toString(16) }) as const)
  const standing = () => bodiesOf({ project: next, outcomes: evaluate(next), supportOf: worked.supportOf }, things)
  const there = standing()
  if (there.length < order.length) return refused('They cannot be placed so here.')
  if (begins)
    next = produce(next, (draft) => {
      draft.patterns.find((p) => p.id === names.id)!.place.move = minus(order[0].stands.move, there[0].stands.move)
    })
  const off = standing().flatMap(({ of, stands }, k) => {
    const to = order[k].stands
    const same =
      Math.hypot(...minus(stands.move, to.move)) < STILL / 10 &&
      stands.turn.every((n, i) => Math.abs(n - to.turn[i]) < 1e-15) &&
      stands.size.every((n, i) => n === to.size[i])
    return same ? [] : [{ of, from: stands, to }]
  })
  if (off.length > 0) {
    const placed = placedExactly(next, off, evaluate)
    if (!placed.ok) return placed
    next = produce(next, (draft) => putPlaced(draft, placed.value))
  }
  const farthest = standing().reduce(
    (most, { stands }, k) => Math.max(most, Math.hypot(...minus(stands.move, order[k].stands.move))),
    0,
  )
  return farthest <= STILL ? done(next) : refused('So they would move by up to ', { length: farthest }, '.')
}
