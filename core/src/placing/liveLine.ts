import { minus } from '../geometry/vec'
import { produce } from 'immer'
import type { PatternOutcome } from '../evaluation/outcome'
import { layouts } from '../layouts/registry'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { freeName } from '../names'
import { gapped } from '../values/spacing'
import { type Result, done, refused } from '../words'
import { type Body, type Worked, bodiesOf } from './body'
import { AXES, edgeOf } from './edges'
import { placedExactly, putPlaced } from './exactly'
import type { Space } from './space'
import { type SplitNames, splitOff } from './splitOff'

/** By so much nobody may move when copies become a live line, in metres. */
const STILL = 1e-9

/**
 * Makes spaced copies a live line: a pattern of its own that places them, with their pitch or gap as a value to be changed. Nobody
 * moves by more than 1e-9 m; what differs from the line (turns, sizes, places beside it) becomes touch-ups. The places that they
 * leave stay empty.
 *
 * @param how as they were spaced last, along an axis
 */
export function liveLine(
  worked: Worked,
  bodies: readonly Body[],
  how: Pick<Space, 'along' | 'by'>,
  names: SplitNames,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Project> {
  const { along, by } = how
  if (along === 'ends' || along === 'path')
    return refused('A live line runs along an axis. Space them along across, up or deep.')
  const direction = AXES[along]
  const order = [...bodies].sort((a, b) => edgeOf(a, direction, 'middle') - edgeOf(b, direction, 'middle'))
  const tables = new Map(worked.outcomes.map((o) => [o.id, o.table]))
  const copies = order.flatMap(({ of, row }) => (of.is === 'copy' ? [{ of, row, table: tables.get(of.pattern)! }] : []))
  if (copies.length < order.length || copies.length < 2)
    return refused('Pick two copies or more to make a line of them.')
  if (copies.some(({ table, row }) => table.isTwin(row)))
    return refused('Some of them are mirror images, which a line does not place. Leave them out.')
  const distances = order
    .slice(1)
    .map((body, k) =>
      by === 'pitch'
        ? edgeOf(body, direction, 'pivot') - edgeOf(order[k], direction, 'pivot')
        : edgeOf(body, direction, 'low') - edgeOf(order[k], direction, 'high'),
    )
  const uneven = distances.some((d) => Math.abs(d - distances[0]) > STILL)
  if (uneven) return refused('They are not evenly spaced: space them first.')
  const parts = copies.map(({ table, row }) => names.idOf(table.thing[row]))
  const line: Pattern = {
    id: names.id,
    name: names.name,
    place: { move: [0, 0, 0], turn: [0, 0, 0] },
    deal: { kind: 'inTurn', parts },
    layout: {
      ...layouts.line.begin({ width: 0.1, depth: 0.1 }),
      ...gapped(copies.length, distances[0]),
      measure: by,
      direction: { kind: 'axis', axis: (['across', 'up', 'deep'] as const)[along], sign: 1 },
    },
    steps: [],
    touchUps: {},
    hidden: false,
    plain: [...new Set(parts)],
  }
  // The places that they leave stay empty, as where copies are split off; the line takes the place of that pattern.
  let next = produce(worked.project, (draft) => {
    const picks = new Map<string, Set<string>>()
    for (const { of } of copies) picks.set(of.pattern, (picks.get(of.pattern) ?? new Set()).add(of.slot))
    splitOff(draft, picks, tables, names)
    const at = draft.patterns.findIndex((p) => p.id === names.id)
    draft.patterns[at] = line
  })
  const things = order.map((_, k) => ({ is: 'copy', pattern: names.id, slot: k.toString(16) }) as const)
  const standing = () => bodiesOf({ project: next, outcomes: evaluate(next), supportOf: worked.supportOf }, things)
  const [first] = standing()
  if (!first) return refused('They cannot become a line here.')
  next = produce(next, (draft) => {
    draft.patterns.find((p) => p.id === names.id)!.place.move = minus(order[0].stands.move, first.stands.move)
  })
  const off = standing().flatMap(({ of, stands }, k) => {
    const to = order[k].stands
    const same =
      Math.hypot(...minus(stands.move, to.move)) < 1e-12 &&
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
  return farthest <= STILL ? done(next) : refused('As a line they would move by up to ', { length: farthest }, '.')
}

/** The name of a line made of copies of a pattern. */
export const lineName = ({ patterns }: Project, from: string): string =>
  freeName(
    `Line of ${from}`.slice(0, 80),
    patterns.map((p) => p.name),
  )
