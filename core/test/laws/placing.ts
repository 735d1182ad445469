import { expect } from 'vitest'
import { Evaluator, type PatternOutcome, supportIn } from '../../src/evaluate'
import { compose, fromTurns } from '../../src/geometry/rotation'
import { type Vec3, minus, plus } from '../../src/geometry/vec'
import type { Placing } from '../../src/instances'
import type { Project } from '../../src/model/project'
import { groundsNamed } from '../../src/model/references'
import { type Placeable, bodiesOf } from '../../src/placing/body'
import { inWorld } from '../../src/model/inWorld'
import { type Target, goesAlong, placedExactly, putPlaced } from '../../src/placing/exactly'
import { produce } from 'immer'

/** The second copy of every pattern that has two, in the world. */
const someCopies = (doc: Project, outcomes: readonly PatternOutcome[]): Placeable[] =>
  doc.patterns.flatMap(({ id }): Placeable[] => {
    const table = outcomes.find((o) => o.id === id)?.table
    return table && table.count > 1 ? [{ is: 'copy', pattern: id, slot: table.keyOf(1) }] : []
  })

/** Copies that are put elsewhere stand exactly there, turned and sized as they were wanted, whatever else places them. */
export function expectPlaced(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const bodies = bodiesOf(
    { project: doc, outcomes, supportOf: supportIn(doc, new Map(), outcomes) },
    someCopies(doc, outcomes),
  )
  const targets = bodies.map(({ of, stands }, i): Target => ({
    of,
    from: stands,
    to: {
      move: [stands.move[0] + 0.3 + i, stands.move[1] - 0.1, stands.move[2] + 0.02],
      turn: compose(fromTurns([0.2, -0.7, 0.1 * i]), stands.turn),
      size: [stands.size[0] * 1.2, stands.size[1], stands.size[2] * 0.8],
    },
  }))
  // What is to stand there is known from now on: outcomes are reused by the one who worked them out.
  const own = new Evaluator()
  const placed = placedExactly(doc, targets, (other) => own.evaluate(other, new Map()))
  if (!placed.ok) return
  const after = produce(doc, (draft) => putPlaced(draft, placed.value))
  const came = new Evaluator().evaluate(after, new Map())
  const there = bodiesOf(
    { project: after, outcomes: came, supportOf: () => () => ({ low: 0, high: 0 }) },
    targets.map((t) => t.of),
  )
  for (const { of, stands } of there) {
    const { to } = targets.find((t) => t.of === of)!
    const reach = 1 + Math.hypot(...to.move)
    expect(Math.hypot(...stands.move.map((n, i) => n - to.move[i]))).toBeLessThan(1e-9 * reach)
    // By the chord: an arc cosine near 1 makes 1e-7 of one unit in the last place.
    const same = stands.turn.reduce((sum, n, i) => sum + n * to.turn[i], 0) < 0 ? -1 : 1
    expect(Math.hypot(...stands.turn.map((n, i) => same * n - to.turn[i]))).toBeLessThan(1e-9)
    for (const [i, n] of stands.size.entries()) expect(Math.abs(n / to.size[i] - 1)).toBeLessThan(1e-9)
  }
}

/** Everything moved as one stands to itself as before: each copy is carried along, and nobody is carried twice. */
export function expectCarried(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const all = { is: 'patterns', ids: doc.patterns.map((p) => p.id) } as const
  const worked = { project: doc, outcomes, supportOf: supportIn(doc, new Map(), outcomes) }
  const [body] = bodiesOf(worked, [all])
  if (!body) return
  // Grounds stay where they are.
  if (doc.patterns.some((p) => groundsNamed(p).size > 0)) return
  // A companion's own axes are those in which its hosts stand: what its steps name there (a point, a plane) stays where it is.
  if (doc.patterns.some((p) => goesAlong(p, all.ids) && p.steps.some((s) => !CARRIED.includes(s.kind)))) return
  const from = body.stands
  const to = {
    move: [from.move[0] + 0.3, from.move[1] + 0.2, from.move[2] - 1] as Vec3,
    turn: from.turn,
    size: from.size,
  }
  const by = minus(to.move, from.move)
  // Picked as one, or one by one.
  const each = doc.patterns.map(({ id, place }): Target => {
    const stands = { move: place.move, turn: fromTurns(place.turn), size: from.size }
    return { of: { is: 'patterns', ids: [id] }, from: stands, to: { ...stands, move: plus(place.move, by) } }
  })
  for (const targets of [[{ of: all, from, to }], each]) expectMoved(doc, standing(doc, outcomes), targets, by)
}

/** Every copy stands so much farther on. */
function expectMoved(
  doc: Project,
  before: ReadonlyMap<string, Placing>,
  targets: readonly Target[],
  by: Readonly<Vec3>,
): void {
  const own = new Evaluator()
  const placed = placedExactly(doc, targets, (other) => own.evaluate(other, new Map()))
  if (!placed.ok) throw new Error(JSON.stringify(placed.problem))
  const after = produce(doc, (draft) => putPlaced(draft, placed.value))
  const now = standing(after, new Evaluator().evaluate(after, new Map()))
  expect([...now.keys()]).toEqual([...before.keys()])
  for (const [key, was] of before) {
    const expected = plus(was.move, by)
    const reach = 1 + Math.hypot(...expected)
    expect(Math.hypot(...minus(now.get(key)!.move, expected)), key).toBeLessThan(1e-7 * reach)
  }
}

/** Steps that name no place. */
const CARRIED: readonly string[] = ['grade', 'thin']

/** All copies by pattern and slot as they stand in the world. */
function standing(doc: Project, outcomes: readonly PatternOutcome[]): Map<string, Placing> {
  return new Map(
    doc.patterns.flatMap((pattern) => {
      const { table } = outcomes.find((o) => o.id === pattern.id)!
      return Array.from({ length: table.count }, (_, k) => k)
        .filter((k) => table.isPresent(k))
        .map((k) => [`${pattern.id} ${table.keyOf(k)}`, inWorld(pattern, table.placingOf(k))] as const)
    }),
  )
}
