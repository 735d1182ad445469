import type { StepOutcome } from '../definition'
import type { InstanceTable } from '../../instances'
import type { Graded } from '../../values/graded'
import type { Grade } from './schema'
import { compose } from '../../geometry/rotation'
import { fact, type Fact, type Facts, type Segment } from '../../words'
import { easings } from '../easing'

const axisOf: Record<Graded, 0 | 1 | 2 | undefined> = {
  size: undefined,
  sizeAcross: 0,
  sizeUp: 1,
  sizeDeep: 2,
  moveAcross: 0,
  moveUp: 1,
  moveDeep: 2,
  turnAcross: 0,
  turnUp: 1,
  turnDeep: 2,
}

/**
 * Changes size, move or turn from copy to copy. By ends, the value goes from first to last along what counts as the way;
 * it is one for all; by amount or factor, copy k of the order gets k steps of it. Moves and turns are in the copy's own axes. A size that
 * would come to 0 or less is left at a millionth and told.
 */
export function gradeStep(table: InstanceTable, grade: Grade, only?: Uint8Array): StepOutcome {
  const rows = Array.from({ length: table.count }, (_, k) => k).filter((k) => !only || only[k])
  const count = rows.length
  if (count === 0) return { facts: [] }
  const ways = waysOf(table, grade, rows)
  const isSize = grade.what.startsWith('size')
  const valueAt = (k: number): number => {
    if (grade.by === 'all') return grade.first
    if (grade.by === 'amount') return (isSize ? 1 : 0) + grade.amount * ways[k] * (count - 1)
    if (grade.by === 'factor') return grade.factor ** (ways[k] * (count - 1))
    const t = easings[grade.easing](ways[k])
    return grade.first * (1 - t) + grade.last * t
  }
  let tooSmall = 0
  let [least, most] = [Infinity, -Infinity]
  for (let k = 0; k < count; k++) {
    let value = valueAt(k)
    if (isSize && value <= 0) {
      tooSmall++
      value = 1e-6
    }
    least = Math.min(least, value)
    most = Math.max(most, value)
    change(table, rows[k], grade.what, value)
  }
  return { facts: facts(grade, valueAt(0), valueAt(count - 1), least, most, tooSmall) }
}

/** How far along each of these rows is, from 0 at the first to 1 at the last. */
function waysOf({ position: p }: InstanceTable, { over }: Grade, rows: readonly number[]): Float64Array {
  const count = rows.length
  const ways = new Float64Array(count)
  if (over.kind === 'order') {
    for (let k = 0; k < count; k++) ways[k] = count > 1 ? k / (count - 1) : 0
    return ways
  }
  let [low, high] = [Infinity, -Infinity]
  for (let k = 0; k < count; k++) {
    const way =
      over.kind === 'along'
        ? p[3 * rows[k] + ['across', 'up', 'deep'].indexOf(over.axis)]
        : Math.hypot(...over.from.map((n, i) => p[3 * rows[k] + i] - n))
    ways[k] = way
    low = Math.min(low, way)
    high = Math.max(high, way)
  }
  for (let k = 0; k < count; k++) ways[k] = high - low > 1e-12 ? (ways[k] - low) / (high - low) : 0
  return ways
}

function change(table: InstanceTable, k: number, what: Graded, value: number): void {
  const { scale } = table
  const axis = axisOf[what]
  if (axis === undefined) {
    for (let i = 0; i < 3; i++) scale[3 * k + i] *= value
    return
  }
  if (what.startsWith('size')) {
    scale[3 * k + axis] *= value
    return
  }
  if (what.startsWith('move')) {
    const own: [number, number, number] = [0, 0, 0]
    own[axis] = value
    return table.moveInOwnAxes(k, own)
  }
  const half: [number, number, number, number] = [0, 0, 0, Math.cos(value / 2)]
  half[axis] = Math.sin(value / 2)
  table.setTurn(k, compose(table.turnOf(k), half))
}

function facts({ what, by }: Grade, first: number, last: number, least: number, most: number, tooSmall: number): Facts {
  const shown = (value: number): Segment =>
    what.startsWith('size') ? { share: value } : what.startsWith('turn') ? { angle: value } : { length: value }
  const times: Segment[] =
    by === 'factor' && what.startsWith('size')
      ? [': the last is ', { factor: Math.round((last / first) * 100) / 100 }, ' times the first']
      : []
  const out: Fact[] = [
    first === last && least === most
      ? fact('ends', 'all of them ', shown(first))
      : fact('ends', 'the first ', shown(first), ', the last ', shown(last), ...times),
  ]
  if (least < Math.min(first, last) - 1e-12 || most > Math.max(first, last) + 1e-12)
    out.push(fact('range', 'between ', shown(least), ' and ', shown(most)))
  if (tooSmall > 0)
    out.push(
      fact(
        'size',
        { count: tooSmall, tone: 'wrong' },
        ' would come to no size: raise the last size or lower the amount',
      ),
    )
  return out
}
