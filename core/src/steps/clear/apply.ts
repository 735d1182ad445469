import type { StepOutcome } from '../definition'
import { Flag, type InstanceTable } from '../../instances'
import type { Clear } from './schema'
import { Randomness } from '../../random'
import { fact, type Facts, plural } from '../../words'
import { Bodies } from '../../clearing/bodies'
import type { ClearContext } from './context'
import { leaveOut } from '../../clearing/leaveOut'
import type { Gaps } from '../../clearing/gap'
import { MOST_OVERLAPS, mostReach } from '../../clearing/overlaps'
import { pushCopies } from './pushing'
import { shrinkToFit } from '../../clearing/shrink'

/**
 * Clears a pattern's copies in place. Pushing changes nothing but positions, shrinking nothing but sizes, leaving out nothing
 * but marks, so that turns and sizes of earlier steps are never lost; copies that are held stay as they are.
 */
export function clearCopies(table: InstanceTable, clear: Clear, context: ClearContext): StepOutcome {
  const own = table.count
  const crowd = withOthers(table, clear, context)
  const bodies = new Bodies(crowd, context.shapeOf)
  const held = new Uint8Array(crowd.count)
  for (let k = 0; k < crowd.count; k++) held[k] = k >= own || table.flags[k] & Flag.held ? 1 : 0
  const clearance = clearanceIn(crowd, clear, context)
  const exact = context.gapsIn?.(bodies, crowd.thing, clearance + mostReach(bodies))
  if (clear.how === 'push') return pushCopies(table, bodies, clear, { held, clearance, exact, context })
  if (clear.how === 'shrink') return { facts: shrink(table, bodies, clear, held, clearance, exact) }
  return { facts: leave(table, bodies, clear, clearance, context, exact) }
}

/** One distance for all: that of the step, or the largest that a part here asks for. */
function clearanceIn(table: InstanceTable, { clearance }: Clear, { clearanceOf }: ClearContext): number {
  let most = clearance
  for (const thing of table.things()) most = Math.max(most, clearanceOf(thing))
  return most
}

function withOthers(table: InstanceTable, { from }: Clear, { others }: ClearContext): InstanceTable {
  const added = from.flatMap((id) => others(id) ?? [])
  if (added.length === 0) return table
  const crowd = table.snapshot()
  for (const other of added) {
    const at = crowd.count
    crowd.grow(at + other.count)
    crowd.putRows(other, at)
  }
  return crowd
}

function shrink(
  table: InstanceTable,
  bodies: Bodies,
  { floor }: Clear,
  held: Uint8Array,
  clearance: number,
  exact: Gaps | undefined,
): Facts {
  const { factors, shrunk, left, worst } = shrinkToFit(bodies, { clearance, floor, held }, exact)
  let [least, sum] = [1, 0]
  for (let k = 0; k < table.count; k++) {
    for (let c = 0; c < 3; c++) table.scale[3 * k + c] *= factors[k]
    least = Math.min(least, factors[k])
    sum += factors[k]
  }
  if (shrunk === 0) return [fact('came', { words: 'Already clear', tone: 'good' })]
  const sizes = fact(
    'sizes',
    { count: shrunk },
    ' shrunk, to ',
    { share: least },
    ' at the least, ',
    { share: sum / table.count },
    ' on average',
  )
  if (left === 0) return [sizes, fact('came', { words: 'clear', tone: 'good' })]
  return [
    sizes,
    fact(
      'came',
      ...(left < MOST_OVERLAPS ? [] : ['more than ']),
      { count: left, tone: 'wrong' },
      plural(left, ' pair overlaps', ' pairs overlap'),
      ' at the floor, by ',
      { length: worst, tone: 'wrong' },
      ' at most',
    ),
  ]
}

function leave(
  table: InstanceTable,
  bodies: Bodies,
  { priority, seed, id }: Clear,
  clearance: number,
  { patternId }: ClearContext,
  exact: Gaps | undefined,
): Facts {
  const random = new Randomness(seed, patternId, id)
  const own = table.count
  const weight = Float64Array.from({ length: bodies.count }, (_, k) => {
    // Other patterns stay, and touched-up copies before all others.
    if (k >= own) return -Infinity
    if (table.flags[k] & (Flag.touched | Flag.held)) return -1e18 + k
    if (priority === 'order') return k
    return priority === 'size' ? -bodies.radius[k] : random.value(table.slotLow[k], table.slotHigh[k], 0)
  })
  const order = Uint32Array.from({ length: bodies.count }, (_, k) => k).sort((a, b) => weight[a] - weight[b] || a - b)
  const out = leaveOut(bodies, clearance, order, own, exact)
  let left = 0
  for (let k = 0; k < own; k++) {
    if (!out[k]) continue
    table.flags[k] |= Flag.leftOut
    left++
  }
  if (left === 0) return [fact('came', { words: 'Already clear', tone: 'good' }, ': none is left out')]
  return [
    fact('count', { count: left, tone: 'caution' }, ' of ', { count: own }, ' left out'),
    fact('came', 'none of them could be put back'),
  ]
}
