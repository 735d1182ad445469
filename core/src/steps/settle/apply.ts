import { Bodies } from '../../clearing/bodies'
import { footOf } from '../../clearing/foot'
import { type Quaternion, compose, inverse, rotate, turnTowards } from '../../geometry/rotation'
import { newPlace } from '../../grounds/surface'
import { Flag, type InstanceTable } from '../../instances'
import { type Facts, type Range, fact, plural } from '../../words'
import type { StepOutcome } from '../definition'
import type { SettleContext, Support } from './context'
import type { Settle } from './schema'

const UP = [0, 1, 0] as const
/** A turn that is so near to the most that it may be was held back. */
const HELD = 1e-9

/** Where a copy came to rest. */
interface Rested {
  /** On which of them. */
  readonly on: number
  /** How high that is there, and how far it leans; metres, radians. */
  readonly height: number
  readonly lean: number
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
  const astray: number[] = []
  const came: Rested[] = []
  let [exempt, held] = [0, 0]
  for (let k = 0; k < table.count; k++) {
    if ((only && !only[k]) || !table.isPresent(k)) continue
    if (table.flags[k] & Flag.unsettled) {
      exempt++
      continue
    }
    const before = world.position[3 * k + 1]
    const turned = leaned(world, k, settle, surfaces)
    if (turned) {
      world.setTurn(k, turned.turn)
      bodies.take(world, k)
      if (turned.isHeld) held++
    }
    const rested = settledAt(bodies, k, settle, surfaces, world)
    if (!rested) {
      astray.push(k)
      continue
    }
    // Only what changed is brought back, so that the rest keeps its digits.
    const by = world.position[3 * k + 1] - before
    if (by !== 0) for (let i = 0; i < 3; i++) table.position[3 * k + i] += by * down[i]
    if (turned) table.setTurn(k, compose(back, turned.turn))
    came.push({ ...rested, lean: turned?.lean ?? 0 })
  }
  return { facts: told({ came, exempt, held, astray: astray.length }, settle, rests), astray }
}

/** How a copy stands on the normal under its pivot; undefined where it stays as it is. */
function leaned(
  world: InstanceTable,
  k: number,
  { stands, limit, which }: Settle,
  surfaces: readonly Support[],
): { turn: Quaternion; lean: number; isHeld: boolean } | undefined {
  if (stands === 'upright') return undefined
  const found = placeUnder(world.position[3 * k], world.position[3 * k + 2], which, surfaces)
  if (!found) return undefined
  const most = stands === 'limit' ? limit : Math.PI
  const normal = [found.place[1], found.place[2], found.place[3]] as const
  const steep = Math.atan2(Math.hypot(normal[0], normal[2]), normal[1])
  const turn = compose(turnTowards(UP, normal, most), world.turnOf(k))
  return { turn, lean: Math.min(steep, most), isHeld: steep > most + HELD }
}

const place = newPlace()
const lower = newPlace()

/** The place under one: the topmost, or that of the first that lies there. Valid until the next is asked for. */
function placeUnder(
  x: number,
  z: number,
  which: Settle['which'],
  surfaces: readonly Support[],
): { readonly on: number; readonly place: Float64Array } | undefined {
  let on = -1
  for (const [i, surface] of surfaces.entries()) {
    if (!surface.at(x, z, lower) || (on >= 0 && lower[0] <= place[0])) continue
    place.set(lower)
    on = i
    if (which === 'first') break
  }
  return on < 0 ? undefined : { on, place }
}

/** Brings a copy of the world to its height; undefined where nothing lies under it. */
function settledAt(
  bodies: Bodies,
  k: number,
  { by, which, above }: Settle,
  surfaces: readonly Support[],
  world: InstanceTable,
): Omit<Rested, 'lean'> | undefined {
  const { position: p } = world
  const hasOutline = bodies.shape[k] !== undefined
  if (by === 'outline' && hasOutline) {
    let [on, raise] = [-1, -Infinity]
    for (const [i, surface] of surfaces.entries()) {
      const needed = surface.raise(bodies, k)
      if (needed <= raise) continue
      ;[on, raise] = [i, needed]
      if (which === 'first') break
    }
    if (on < 0) return undefined
    p[3 * k + 1] += raise + above
    return { on, height: footOf(bodies, k)[1] + raise }
  }
  const at = by === 'foot' && hasOutline ? footOf(bodies, k) : world.moveOf(k)
  const found = placeUnder(at[0], at[2], which, surfaces)
  if (!found) return undefined
  const height = found.place[0]
  // A pivot comes to its height to the last digit.
  p[3 * k + 1] = by === 'foot' && hasOutline ? p[3 * k + 1] - at[1] + height + above : height + above
  return { on: found.on, height }
}

function told(
  { came, exempt, held, astray }: { came: readonly Rested[]; exempt: number; held: number; astray: number },
  { stands }: Settle,
  rests: readonly { readonly name: string }[],
): Facts {
  const range = (of: (rested: Rested) => number): Range => [
    came.reduce((least, one) => Math.min(least, of(one)), Infinity),
    came.reduce((most, one) => Math.max(most, of(one)), -Infinity),
  ]
  const counts = rests.map(({ name }, i) => ({ name, count: came.filter(({ on }) => on === i).length }))
  const facts = counts.flatMap(({ name, count }) => (count > 0 ? [fact('on', { count }, ` on ${name}`)] : []))
  if (came.length > 0) facts.push(fact('heights', { lengths: range(({ height }) => height) }, ' up'))
  if (stands !== 'upright' && came.length > 0) {
    facts.push(fact('steepest', 'steepest ', { angle: range(({ lean }) => lean)[1] }))
    if (held > 0) facts.push(fact('held', { count: held }, ' held to it'))
  }
  if (exempt > 0) facts.push(fact('exempt', { count: exempt }, plural(exempt, ' is', ' are'), ' not settled'))
  if (astray > 0)
    facts.push(
      fact(
        'astray',
        { count: astray, tone: 'wrong' },
        plural(astray, ' has', ' have'),
        ' nothing under ',
        plural(astray, 'it and stays where it is', 'them and stay where they are'),
      ),
    )
  return facts
}
