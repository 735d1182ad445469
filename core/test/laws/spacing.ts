import { produce } from 'immer'
import { expect } from 'vitest'
import { Evaluator, type PatternOutcome, thingsIn } from '../../src/evaluate'
import { minus } from '../../src/geometry/vec'
import type { Project } from '../../src/model/project'
import { sentenceText } from '../../src/numbers/format'
import { type Placeable, bodiesOf } from '../../src/placing/body'
import { putPlaced } from '../../src/placing/exactly'
import { proposed } from '../../src/placing/proposed'
import { acts } from '../../src/placing/registry'
import { isImage } from '../../src/slots'
import { type Space, spaceDefaults } from '../../src/placing/space'

/** Ways of spacing, each to be done once and once more. */
const WAYS: readonly Partial<Space>[] = [
  { along: 0, by: 'gap', distance: 0.03 },
  { along: 'ends', by: 'pitch', held: 'even' },
  { along: 'round', by: 'pitch', held: 'even' },
  { along: 'round', by: 'gap', held: 'distance', distance: 0.01, overlaps: true },
]
const MOST = 5
/** In metres, and as a chord of turns. */
const NEAR = 1e-7

/** What is spaced stands where it is said to stand, turned and sized as it was; and along a line done once more nobody moves. */
export function expectSpaced(doc: Project, outcomes: readonly PatternOutcome[]): void {
  for (const { id, steps } of doc.patterns) {
    // What settles goes on settling where it is moved to, and who is left out is gone; a repeated pattern is as wide as it has become.
    if (steps.some((step) => step.kind === 'settle' || (step.kind === 'clear' && step.how === 'leaveOut'))) continue
    const { table } = outcomes.find((o) => o.id === id)!
    const rows = Array.from({ length: table.count }, (_, k) => k).filter((k) => table.isPresent(k))
    if (rows.length < 3 || rows.some((k) => table.thing[k] >= doc.parts.length)) continue
    const picked = rows.slice(0, MOST).map((k): Placeable => ({ is: 'copy', pattern: id, slot: table.keyOf(k) }))
    expectSpacedOf(doc, outcomes, picked)
  }
}

const isImageIn = (outcomes: readonly PatternOutcome[], of: Placeable, row: number): boolean =>
  of.is === 'copy' && isImage(outcomes.find(({ id }) => id === of.pattern)!.table.slotHigh[row])

function expectSpacedOf(doc: Project, outcomes: readonly PatternOutcome[], picked: readonly Placeable[]): void {
  const own = new Evaluator()
  const evaluate = (other: Project) => own.evaluate(other, new Map())
  const around = (project: Project, of: readonly PatternOutcome[] = evaluate(project)) => ({
    project,
    outcomes: of,
    ...thingsIn(project, new Map(), of),
  })
  const partsOf = ({ outcomes: all }: { readonly outcomes: readonly PatternOutcome[] }): string =>
    picked
      .map((of) => {
        const table = of.is === 'copy' ? all.find((o) => o.id === of.pattern)?.table : undefined
        return table && of.is === 'copy' ? table.thing[table.rowOf(of.slot)] : ''
      })
      .join(' ')
  const before = around(doc, outcomes)
  for (const how of WAYS) {
    const act = { kind: 'space', how: { ...spaceDefaults, ...how } } as const
    const bodies = bodiesOf(before, picked)
    const asked = acts.space.propose(bodies, bodies[0], act.how, before)
    const once = proposed(act, picked, picked[0], before, evaluate)
    if (!once.ok || !asked.ok) continue
    const after = around(produce(doc, (draft) => putPlaced(draft, once.value.placed)))
    const there = bodiesOf(after, picked)
    const left = new Set(there.map(({ of }) => of))
    const gone = bodies.filter(({ of }) => !left.has(of))
    // Who comes to stand on a plane is its own image: the one that it had is not there any more.
    expect(gone.filter(({ of, row }) => !isImageIn(outcomes, of, row))).toEqual([])
    if (gone.length > 0) continue
    expect(there.map(({ of }) => of)).toEqual(bodies.map(({ of }) => of))
    for (const { body, to } of asked.value.wanted) {
      const { stands } = there[bodies.indexOf(body)]
      expect(Math.hypot(...minus(stands.move, to.move)), JSON.stringify(how)).toBeLessThan(NEAR)
      const same = Math.sign(stands.turn.reduce((sum, n, i) => sum + n * to.turn[i], 0))
      expect(Math.hypot(...stands.turn.map((n, i) => same * n - to.turn[i]))).toBeLessThan(NEAR)
    }
    // A count that follows from sizes may be another one now, and deal other parts.
    if (how.along === 'round' || partsOf(after) !== partsOf(before)) continue
    const twice = proposed(act, picked, picked[0], after, evaluate)
    if (!twice.ok) throw new Error(sentenceText(twice.problem.says, 'mm'))
    const last = around(produce(after.project, (draft) => putPlaced(draft, twice.value.placed)))
    for (const [k, { stands }] of bodiesOf(last, picked).entries())
      expect(Math.hypot(...minus(stands.move, there[k].stands.move)), JSON.stringify(how)).toBeLessThan(NEAR)
  }
}
