import { current, produce } from 'immer'
import type { PatternOutcome } from '../evaluation/outcome'
import { type Quaternion, compose, fromTurns, inverse, rotate, toTurns } from '../geometry/rotation'
import { type Vec3, minus, plus, times } from '../geometry/vec'
import type { Placing } from '../instances'
import { definitionOf } from '../layouts/index'
import { slotOf, touchUpTo } from '../links/placing'
import type { Pattern, Place, TouchUp } from '../model/pattern'
import type { Project } from '../model/project'
import { isStep, stepDefinitionOf } from '../steps/index'
import { type Result, done, refused } from '../words'
import { type Placeable } from './body'
import { inPattern, inWorld } from '../model/inWorld'
import { sizePatterns } from './sized'

/** Where something is to stand in the world, and where patterns that move as one stood before. */
export interface Target {
  readonly of: Placeable
  readonly from: Placing
  readonly to: Placing
}

/** What of a document changes so that things stand elsewhere; plain data, to be put into any state that it was made for. */
export interface Placed {
  readonly places: Readonly<Record<string, Place>>
  /** Patterns that are made so many times as large, about their origins. */
  readonly sizes: Readonly<Record<string, number>>
  readonly touchUps: Readonly<Record<string, Readonly<Record<string, TouchUp>>>>
  /** Places of their own, by pattern and slot key. */
  readonly spots: Readonly<Record<string, Readonly<Record<string, Placing>>>>
}

/** So often it is looked where they came to stand. Most stand at once; a chain of companions or mirrors takes one round a link. */
const ROUNDS = 10
/** Of so many the places of their own are moved; what steps still turn is left to touch-ups. */
const BY_SPOTS = 4

/**
 * What makes things stand exactly where they are wanted, to 1e-12 of their distance from the origin: the spot of a copy that
 * has one, otherwise its touch-up; the place of a pattern. What is placed so is held while others are cleared. It is worked
 * out again until all of them stand: what goes with another one, and gaps that go by sizes, move on meanwhile.
 *
 * @param evaluate works a document out
 */
export function placedExactly(
  project: Project,
  targets: readonly Target[],
  evaluate: (project: Project) => readonly PatternOutcome[],
): Result<Placed> {
  let next = project
  let before = Infinity
  for (let round = 0; ; round++) {
    const outcomes = evaluate(next)
    // A pattern that cannot be placed as yet still moves with its group.
    const asked = targets.flatMap(({ of }) => (of.is === 'copy' ? [of.pattern] : []))
    const broken = asked.map((id) => outcomes.find((o) => o.id === id)?.problem)
    const problem = broken.find((p) => p !== undefined)
    if (problem) return { ok: false, problem }
    const misses = missesIn(next, targets, outcomes, round)
    const worst = misses.reduce((most, { off }) => Math.max(most, off), 0)
    if (worst <= 1) break
    if (round >= ROUNDS || (round > 2 * BY_SPOTS && worst >= before)) {
      // Below what is seen it may stop getting nearer: a billionth of a metre.
      if (worst < 1000) break
      return refused('They cannot all stand there: what places them moves them on. Place those of one pattern alone.')
    }
    before = worst
    next = produce(next, (draft) => {
      const mending = new Mending(draft)
      // Who stands stays as he is: he is not held for it, and keeps what he has.
      for (const { off, mend } of misses) if (off > 1) mend(mending, round < BY_SPOTS)
      mending.end()
    })
  }
  const changes = changesOf(
    project,
    next,
    targets.map(({ of }) => of),
  )
  return done({ ...changes, sizes: sizesOf(targets) })
}

/** How many times as large patterns become. */
const sizesOf = (targets: readonly Target[]): Record<string, number> =>
  Object.fromEntries(
    targets.flatMap(({ of, from, to }) =>
      of.is === 'patterns' && to.size[0] !== from.size[0] ? of.ids.map((id) => [id, to.size[0] / from.size[0]]) : [],
    ),
  )

/** Puts changes into a document, in place. */
export function putPlaced(project: Project, { places, sizes, touchUps, spots }: Placed): void {
  for (const [factor, ids] of bySize(sizes)) sizePatterns(project, ids, factor)
  for (const pattern of project.patterns) {
    const place = places[pattern.id]
    if (place) pattern.place = { move: [...place.move], turn: [...place.turn] }
    for (const [slot, to] of Object.entries(spots[pattern.id] ?? {}))
      definitionOf(pattern.layout).putPlace?.(pattern.layout, slot, to)
    for (const [slot, touch] of Object.entries(touchUps[pattern.id] ?? {}))
      if (Object.keys(touch).length === 0) delete pattern.touchUps[slot]
      else pattern.touchUps[slot] = touch
  }
}

/** Those that are sized alike are sized together: what repeats another one of them does not become larger twice. */
function bySize(sizes: Placed['sizes']): Map<number, string[]> {
  const ids = new Map<number, string[]>()
  for (const [id, factor] of Object.entries(sizes)) ids.set(factor, [...(ids.get(factor) ?? []), id])
  return ids
}

interface Miss {
  /** How far it is from where it is wanted, in the tolerance. */
  readonly off: number
  mend(mending: Mending, bySpots: boolean): void
}

/** One round of mending. Touch-ups are put in together: as drafts of their own, a hundred thousand of them took seconds. */
class Mending {
  private readonly hands = new Map<
    Pattern,
    { readonly before: Pattern['touchUps']; readonly after: Pattern['touchUps'] }
  >()

  constructor(readonly draft: Project) {}

  /** The touch-ups of a pattern as they were, and those that take their places. */
  handsOf(pattern: Pattern): { readonly before: Pattern['touchUps']; readonly after: Pattern['touchUps'] } {
    let hands = this.hands.get(pattern)
    if (!hands) this.hands.set(pattern, (hands = { before: current(pattern.touchUps), after: {} }))
    return hands
  }

  end(): void {
    for (const [pattern, { before, after }] of this.hands)
      if (Object.keys(after).length > 0) pattern.touchUps = { ...before, ...after }
  }
}

function missesIn(
  project: Project,
  targets: readonly Target[],
  outcomes: readonly PatternOutcome[],
  round: number,
): Miss[] {
  const at = new Map(project.patterns.map((p, i) => [p.id, i]))
  const tables = new Map(outcomes.map((o) => [o.id, o.table]))
  const things = [...project.parts, ...project.patterns]
  const moves = round === 0 && targets.some(({ of }) => of.is === 'patterns')
  const whole: Miss[] = moves ? [{ off: Infinity, mend: ({ draft }) => movePatterns(draft, targets) }] : []
  const copies = targets.flatMap(({ of, from, to }): Miss[] => {
    if (of.is === 'patterns') return []
    const index = at.get(of.pattern)
    const table = tables.get(of.pattern)
    const row = table ? table.rowOf(of.slot) : -1
    if (index === undefined || !table || row < 0) return []
    const pattern = project.patterns[index]
    const now = table.placingOf(row)
    // What settles and is only moved over the ground goes on settling there; lifted or turned it does not settle any more.
    const settles = pattern.steps.some((step) => isStep('settle', step)) && !pattern.touchUps[of.slot]?.unsettled
    const slides = settles && isLevelMove(from, to)
    const wanted = slides ? overGround(pattern, now, to) : inPattern(pattern, to)
    const fit = pattern.fits?.[things[table.thing[row]].id]
    // Who would be left out beside those that were moved is held among them, as they are.
    const isLost = !table.isPresent(row) && !pattern.touchUps[of.slot]?.held && clears(pattern)
    return [
      {
        off: isLost ? Infinity : missOf(now, wanted),
        mend(mending, bySpots) {
          const own = mending.draft.patterns[index]
          const hands = mending.handsOf(own)
          const spot = bySpots ? definitionOf(own.layout).ownPlace?.(own.layout, of.slot) : undefined
          if (spot) definitionOf(own.layout).putPlace!(own.layout, of.slot, movedOn(spot, now, wanted))
          const touch = hands.before[of.slot]
          const held = clears(pattern)
          const unsettled = touch?.unsettled === true || (settles && !slides)
          if (!spot || held || unsettled) {
            const { part, empty } = touch ?? {}
            const placed = spot ? { ...touch } : touchUpTo(slotOf(now, touch, fit), wanted, fit)
            hands.after[of.slot] = {
              ...placed,
              ...(part !== undefined && { part }),
              ...(empty && { empty }),
              ...((held || touch?.held) && { held: true }),
              ...(unsettled && { unsettled: true }),
            }
          }
        },
      },
    ]
  })
  return [...whole, ...copies]
}

const clears = ({ steps }: Pattern): boolean => steps.some((step) => stepDefinitionOf(step).phase === 'clear')

/** Whether something is only moved over the ground: no higher or lower, turned and sized as it was. */
function isLevelMove(from: Placing, to: Placing): boolean {
  const same = (a: readonly number[], b: readonly number[]): boolean =>
    a.every((n, i) => Math.abs(n - b[i]) <= 1e-12 * (1 + Math.abs(n)))
  return same([from.move[1]], [to.move[1]]) && same(from.turn, to.turn) && same(from.size, to.size)
}

/** A copy as it stands, brought over or under a place of the world. */
function overGround(pattern: Pattern, now: Placing, { move }: Placing): Placing {
  const stands = inWorld(pattern, now)
  return { ...now, move: inPattern(pattern, { ...stands, move: [move[0], stands.move[1], move[2]] }).move }
}

/** The distance from one place to another, 1 where it is as near as it can be told. */
function missOf(now: Placing, wanted: Placing): number {
  const reach = 1 + Math.hypot(...wanted.move)
  const cosine = now.turn.reduce((sum, n, i) => sum + n * wanted.turn[i], 0)
  const turned = Math.hypot(...now.turn.map((n, i) => (cosine < 0 ? -n : n) - wanted.turn[i]))
  const sized = Math.max(...now.size.map((n, i) => Math.abs(n / wanted.size[i] - 1)))
  return Math.max(Math.hypot(...minus(now.move, wanted.move)) / (1e-12 * reach), turned / 1e-13, sized / 1e-12)
}

/** A place of its own moved on by what its copy is off: turned before what steps add, sized by as much. */
function movedOn(spot: Placing, now: Placing, wanted: Placing): Placing {
  const by: Quaternion = compose(wanted.turn, inverse(now.turn))
  return {
    move: plus(spot.move, minus(wanted.move, now.move)),
    turn: isUnturned(by) ? spot.turn : compose(by, spot.turn),
    size: spot.size.map((n, i) => (now.size[i] === wanted.size[i] ? n : (n * wanted.size[i]) / now.size[i])) as Vec3,
  }
}

const isUnturned = ([x, y, z]: Quaternion): boolean => Math.hypot(x, y, z) <= 1e-15

/**
 * Moves, turns and sizes patterns, evenly. Who goes with another one of them goes as that one does, however many of them were picked
 * one by one: it is taken along once.
 */
function movePatterns(draft: Project, targets: readonly Target[]): void {
  const own = new Map(
    targets.flatMap((target) => (target.of.is === 'patterns' ? target.of.ids.map((id) => [id, target]) : [])),
  )
  const byId = new Map(draft.patterns.map((p) => [p.id, p]))
  const places = new Map<string, Place>()
  for (const id of own.keys()) {
    const pattern = byId.get(id)
    if (!pattern) continue
    const leader = leaderOf(pattern, (host) => (own.has(host) ? byId.get(host) : undefined))
    const { from, to } = own.get(leader.id)!
    places.set(id, (leader === pattern ? carried : takenAlong)(pattern.place, from, to))
  }
  for (const [id, place] of places) byId.get(id)!.place = place
  for (const [factor, ids] of bySize(sizesOf(targets))) sizePatterns(draft, ids, factor)
}

/** The one with which a pattern goes in the end, over those that go with others; itself where it goes with none. */
function leaderOf(pattern: Pattern, moved: (id: string) => Pattern | undefined): Pattern {
  let leader = pattern
  // Companions of companions end somewhere: a circle is refused by the document.
  for (let next: Pattern | undefined = pattern; next;) {
    leader = next
    const host = hostOf(next)
    next = host === undefined ? undefined : moved(host)
  }
  return leader
}

const hostOf = ({ layout }: Pick<Pattern, 'layout'>): string | undefined => definitionOf(layout).host?.(layout)

/** Whether a pattern goes with the copies of another one of these, which take it along as they move. */
export function goesAlong({ layout }: Pick<Pattern, 'layout'>, ids: readonly string[]): boolean {
  const host = hostOf({ layout })
  return host !== undefined && ids.includes(host)
}

/**
 * The place of a pattern whose hosts move with it. It is what is done to where they stand, so that it has to be done there as it was
 * done here: T · place · T⁻¹ for a motion T, which may make all so many times as large. Where it is not turned it stays as it is.
 */
export function takenAlong({ move, turn }: Place, from: Placing, to: Placing): Place {
  const own = fromTurns(turn)
  const by = compose(to.turn, inverse(from.turn))
  const isTurned = from.turn.some((n, i) => n !== to.turn[i])
  const factor = to.size[0] / from.size[0]
  const fixed = times(from.move, factor)
  const shift = minus(to.move, isTurned ? rotate(by, fixed) : fixed)
  const now = isTurned ? compose(by, compose(own, inverse(by))) : own
  const large = times(move, factor)
  const moved = isTurned ? rotate(by, large) : large
  return {
    move: plus(moved, minus(shift, rotate(now, shift))),
    turn: isTurned ? toTurns(now) : [...turn],
  }
}

/** A pattern's place, carried along as what it belongs to moves from one place to another. */
export function carried({ move, turn }: Place, from: Placing, to: Placing): Place {
  const own = inPattern(
    { place: { move: from.move, turn: toTurns(from.turn) } },
    { move, turn: fromTurns(turn), size: [1, 1, 1] },
  )
  const isTurned = from.turn.some((n, i) => n !== to.turn[i])
  const factor = to.size[0] / from.size[0]
  // Only moved, it moves by that and no more: turns that go there and back leave traces in the last digit.
  if (!isTurned)
    return {
      move: factor === 1 ? plus(move, minus(to.move, from.move)) : plus(to.move, times(minus(move, from.move), factor)),
      turn: [...turn],
    }
  const at = inPattern(
    { place: { move: [0, 0, 0], turn: toTurns(inverse(to.turn)) } },
    { move: own.move, turn: own.turn, size: [1, 1, 1] },
  )
  return { move: plus(to.move, times(at.move, factor)), turn: toTurns(at.turn) }
}

/** What differs between two states of a document in the places that were asked for; sizes of patterns aside. */
export function changesOf(before: Project, after: Project, things: readonly Placeable[]): Placed {
  const places: Record<string, Place> = {}
  const touchUps: Record<string, Record<string, TouchUp>> = {}
  const spots: Record<string, Record<string, Placing>> = {}
  const [old, now] = [before, after].map((p) => new Map(p.patterns.map((own) => [own.id, own])))
  const changed = (id: string): readonly [Pattern, Pattern] | undefined => {
    const [a, b] = [old.get(id), now.get(id)]
    return a && b && a !== b ? [a, b] : undefined
  }
  for (const of of things) {
    if (of.is === 'patterns') {
      for (const id of of.ids) if (changed(id)) places[id] = now.get(id)!.place
      continue
    }
    const both = changed(of.pattern)
    if (!both) continue
    const [was, is] = both
    if (was.touchUps[of.slot] !== is.touchUps[of.slot])
      (touchUps[of.pattern] ??= {})[of.slot] = is.touchUps[of.slot] ?? {}
    const spot = was.layout === is.layout ? undefined : definitionOf(is.layout).ownPlace?.(is.layout, of.slot)
    if (spot) (spots[of.pattern] ??= {})[of.slot] = spot
  }
  return { places, sizes: {}, touchUps, spots }
}
