import { Bodies } from '../../clearing/bodies'
import { footOf } from '../../clearing/foot'
import { type Quaternion, compose, inverse, rotate, turnTowards } from '../../geometry/rotation'
import { newPlace } from '../../grounds/surface'
import { Flag, type InstanceTable } from '../../instances'
import { type Facts, fact, plural } from '../../words'
import type { StepOutcome } from '../definition'
import type { SettleContext, Support } from './context'
import type { Settle } from './schema'

const UP = [0, 1, 0] as const
/** A turn that is so near to the most that it may be was held back. */
const HELD = 1e-9

/** What came of all copies, told once they are settled: nothing is kept of each. */
class Tally {
  readonly counts: number[]
  lowest = Infinity
  highest = -Infinity
  steepest = 0
  exempt = 0
  held = 0
  readonly astray: number[] = []

  constructor(rests: number) {
    this.counts = Array.from({ length: rests }, () => 0)
  }

  rested(on: number, height: number): void {
    this.counts[on]++
    if (height < this.lowest) this.lowest = height
    if (height > this.highest) this.highest = height
  }
}

/**
 * Settles copies straight down or up onto what lies under them, one by one: first turned, by the normal under the pivot, then brought
 * to a height by its pivot, by its foot at that foot's own place, or by its outline, which then touches and nowhere goes in. What has
 * nothing under it stays where it is and is told. In place.
 */
export function settleCopies(
  table: InstanceTable,
  settle: Settle,
  only: Uint8Array | undefined,
  context: SettleContext,
): StepOutcome {
  const rests = settle.on.flatMap((rest) => context.restOf(rest) ?? [])
  if (rests.length === 0)
    return { facts: [fact('came', { words: 'There is nothing to settle on: choose a ground.', tone: 'caution' })] }
  const surfaces = rests.map(({ surface }) => surface)
  const world = context.inWorld(table)
  const bodies = new Bodies(world, context.shapeOf)
  const back = inverse(context.turn)
  const down = rotate(back, UP)
  const tally = new Tally(surfaces.length)
  for (let k = 0; k < table.count; k++) {
    if ((only && !only[k]) || !table.isPresent(k)) continue
    if (table.flags[k] & Flag.unsettled) {
      tally.exempt++
      continue
    }
    const before = world.position[3 * k + 1]
    const turned = leaned(world, k, settle, surfaces)
    if (turned) {
      world.setTurn(k, turned.turn)
      bodies.take(world, k)
    }
    if (!settledAt(bodies, k, settle, surfaces, world, tally)) {
      tally.astray.push(k)
      continue
    }
    // Only what changed is brought back, so that the rest keeps its digits.
    const by = world.position[3 * k + 1] - before
    if (by !== 0) for (let i = 0; i < 3; i++) table.position[3 * k + i] += by * down[i]
    if (!turned) continue
    table.setTurn(k, compose(back, turned.turn))
    if (turned.isHeld) tally.held++
    tally.steepest = Math.max(tally.steepest, turned.lean)
  }
  return { facts: told(tally, settle, rests), astray: tally.astray }
}

/** How a copy stands on the normal under its pivot; undefined where it stays as it is. */
function leaned(
  world: InstanceTable,
  k: number,
  { stands, limit, which }: Settle,
  surfaces: readonly Support[],
): { turn: Quaternion; lean: number; isHeld: boolean } | undefined {
  if (stands === 'upright') return undefined
  if (placeUnder(world.position[3 * k], world.position[3 * k + 2], which, surfaces) < 0) return undefined
  const most = stands === 'limit' ? limit : Math.PI
  const normal = [place[1], place[2], place[3]] as const
  const steep = Math.atan2(Math.hypot(normal[0], normal[2]), normal[1])
  const turn = compose(turnTowards(UP, normal, most), world.turnOf(k))
  return { turn, lean: Math.min(steep, most), isHeld: steep > most + HELD }
}

const place = newPlace()
const lower = newPlace()

/** Writes the place under one, the topmost, or that of the first that lies there: on which of them, −1 where there is none. */
function placeUnder(x: number, z: number, which: Settle['which'], surfaces: readonly Support[]): number {
  let on = -1
  for (let i = 0; i < surfaces.length; i++) {
    if (!surfaces[i].at(x, z, lower) || (on >= 0 && lower[0] <= place[0])) continue
    place.set(lower)
    on = i
    if (which === 'first') break
  }
  return on
}

/** Brings a copy of the world to its height; false where nothing lies under it. */
function settledAt(
  bodies: Bodies,
  k: number,
  { by, which, above }: Settle,
  surfaces: readonly Support[],
  { position: p }: InstanceTable,
  tally: Tally,
): boolean {
  const hasOutline = bodies.shape[k] !== undefined
  if (by === 'outline' && hasOutline) {
    let [on, raise] = [-1, -Infinity]
    for (let i = 0; i < surfaces.length; i++) {
      const needed = surfaces[i].raise(bodies, k)
      if (needed <= raise) continue
      ;[on, raise] = [i, needed]
      if (which === 'first') break
    }
    if (on < 0) return false
    p[3 * k + 1] += raise + above
    tally.rested(on, footOf(bodies, k)[1] + raise)
    return true
  }
  const foot = by === 'foot' && hasOutline ? footOf(bodies, k) : undefined
  const on = placeUnder(foot ? foot[0] : p[3 * k], foot ? foot[2] : p[3 * k + 2], which, surfaces)
  if (on < 0) return false
  const [height] = place
  // A pivot comes to its height to the last digit.
  p[3 * k + 1] = foot ? p[3 * k + 1] - foot[1] + height + above : height + above
  tally.rested(on, height)
  return true
}

function told(
  { counts, lowest, highest, steepest, exempt, held, astray }: Tally,
  { stands }: Settle,
  rests: readonly { readonly name: string }[],
): Facts {
  const facts = rests.flatMap(({ name }, i) => (counts[i] > 0 ? [fact('on', { count: counts[i] }, ` on ${name}`)] : []))
  const any = facts.length > 0
  if (any) facts.push(fact('heights', { lengths: [lowest, highest] }, ' up'))
  if (stands !== 'upright' && any) {
    facts.push(fact('steepest', 'steepest ', { angle: steepest }))
    if (held > 0) facts.push(fact('held', { count: held }, ' held to it'))
  }
  if (exempt > 0) facts.push(fact('exempt', { count: exempt }, plural(exempt, ' is', ' are'), ' not settled'))
  const lost = astray.length
  if (lost > 0)
    facts.push(
      fact(
        'astray',
        { count: lost, tone: 'wrong' },
        plural(lost, ' has', ' have'),
        ' nothing under ',
        plural(lost, 'it and stays where it is', 'them and stay where they are'),
      ),
    )
  return facts
}
