import { plural, fact } from '../../words'
import type { StepOutcome } from '../definition'
import { type InstanceTable } from '../../instances'
import type { Aim } from './schema'
import { sideVectors, type Vec3 } from '../../values/values'
import { type Quaternion, compose, rotate } from '../../geometry/rotation'

/**
 * Turns every copy so that one of its sides faces a point, the copies' centre, a copy, or the next copy. Upright, it only
 * turns about up, and the side faces as nearly as that allows; otherwise it takes the shortest turn from how it stood.
 * A copy that stands on the target keeps its turn.
 */
export function aimStep(table: InstanceTable, aim: Aim, only?: Uint8Array): StepOutcome {
  const { count, position: p } = table
  const places = p.slice(0, 3 * count)
  const target = targetOf(table, aim)
  if (!target && aim.at.kind === 'copy') return { facts: [fact('target', 'the copy to face is not there now')] }
  let [kept, asked] = [0, 0]
  for (let k = 0; k < count; k++) {
    if (only && !only[k]) continue
    asked++
    const way = target ? [0, 1, 2].map((i) => target[i] - places[3 * k + i]) : wayToNext(places, k, count)
    const turn = turnFor(aim, table.turnOf(k), way as Vec3)
    if (turn) table.setTurn(k, turn)
    else kept++
  }
  const facts = [fact('count', { count: asked - kept }, ' aimed')]
  if (kept > 0)
    facts.push(
      fact(
        'kept',
        { count: kept },
        plural(
          kept,
          ' stands where it would face and stays as it is',
          ' stand where they would face and stay as they are',
        ),
      ),
    )
  return { facts }
}

function targetOf(table: InstanceTable, { at }: Aim): Vec3 | undefined {
  const { count, position: p } = table
  if (at.kind === 'point') return at.point
  if (at.kind === 'along') return undefined
  if (at.kind === 'copy') {
    const row = table.rowOf(at.slot)
    return row < 0 ? undefined : table.moveOf(row)
  }
  const centre: Vec3 = [0, 0, 0]
  for (let k = 0; k < count; k++) for (let i = 0; i < 3; i++) centre[i] += p[3 * k + i] / count
  return centre
}

/** From a copy to the next one; the last goes on as the one before it. */
function wayToNext(p: Float64Array, k: number, count: number): Vec3 {
  const from = k + 1 < count ? k : k - 1
  return from < 0 ? [0, 0, 0] : ([0, 1, 2].map((i) => p[3 * from + 3 + i] - p[3 * from + i]) as Vec3)
}

function turnFor({ side, upright }: Aim, now: Quaternion, way: Vec3): Quaternion | undefined {
  const own = sideVectors[side]
  if (upright) {
    const flat = Math.hypot(way[0], way[2])
    const ownFlat = Math.hypot(own[0], own[2])
    if (flat < 1e-12 || ownFlat < 1e-12) return undefined
    const angle = Math.atan2(way[0], way[2]) - Math.atan2(own[0], own[2])
    return [0, Math.sin(angle / 2), 0, Math.cos(angle / 2)]
  }
  const length = Math.hypot(...way)
  if (length < 1e-12) return undefined
  return compose(shortestTurn(rotate(now, own), way.map((n) => n / length) as Vec3), now)
}

/** The shortest turn that brings one unit vector onto another (half-way quaternion). */
function shortestTurn(a: Vec3, b: Vec3): Quaternion {
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  if (dot < -1 + 1e-12) {
    // Opposite: half a turn about any axis square to them.
    const square: Vec3 = Math.abs(a[1]) < 0.9 ? [a[2], 0, -a[0]] : [0, -a[2], a[1]]
    const n = Math.hypot(...square)
    return [square[0] / n, square[1] / n, square[2] / n, 0]
  }
  const q: Quaternion = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0], 1 + dot]
  const n = Math.hypot(...q)
  return [q[0] / n, q[1] / n, q[2] / n, q[3] / n]
}
