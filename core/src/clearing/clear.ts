import { Flag, type InstanceTable } from '../instances'
import type { Clear } from '../model/clear'
import type { OutlineShape } from '../model/layout'
import { Randomness } from '../random'
import type { Segment, Sentence } from '../words'
import { plural } from '../words'
import { Bodies } from './bodies'
import { containInArea, containInBox } from './containing'
import type { Convex } from './convex'
import { leaveOut } from './leaveOut'
import { findOverlaps, nearestGap } from './overlaps'
import { pushApart } from './pushApart'
import { shrinkToFit } from './shrink'

/** What clearing may know of a pattern and its things. */
export interface ClearContext {
  readonly patternId: string
  readonly shapeOf: (thing: number) => Convex | undefined
  /** The clearance that a thing's part asks for. */
  readonly clearanceOf: (thing: number) => number
  /** The outline of a fill, with what is kept free along it. */
  readonly area?: { readonly outline: OutlineShape; readonly margin: number }
  /** Copies of other patterns, in this pattern's axes: they stay where they are. */
  readonly others: (pattern: string) => InstanceTable | undefined
}

/** What came of a clearing, beside its sentence. */
export interface Cleared {
  readonly facts: Sentence
  /** The worst miss in each round, where it pushed. */
  readonly byRound: readonly number[]
}

/**
 * Clears a pattern's copies in place. Pushing changes nothing but positions, shrinking nothing but sizes, leaving out nothing
 * but marks, so that turns and sizes of earlier steps are never lost; copies that are held stay as they are.
 */
export function clearCopies(table: InstanceTable, clear: Clear, context: ClearContext): Cleared {
  const start = performance.now()
  const own = table.count
  const crowd = withOthers(table, clear, context)
  const bodies = new Bodies(crowd, context.shapeOf)
  const held = new Uint8Array(crowd.count)
  for (let k = 0; k < crowd.count; k++) held[k] = k >= own || table.flags[k] & Flag.held ? 1 : 0
  const clearance = clearanceIn(crowd, clear, context)
  const took = (): Segment[] => [' · ', { words: `${(performance.now() - start).toFixed(1)} ms`, tone: 'plain' }]
  if (clear.how === 'push') {
    const out = push(table, bodies, clear, held, clearance, context)
    return { facts: [...out.facts, ...took()], byRound: out.byRound }
  }
  if (clear.how === 'shrink')
    return { facts: [...shrink(table, bodies, clear, held, clearance), ...took()], byRound: [] }
  return { facts: [...leave(table, bodies, clear, clearance, context), ...took()], byRound: [] }
}

/** One distance for all: that of the step, or the largest that a part here asks for. */
function clearanceIn({ part, count }: InstanceTable, { clearance }: Clear, { clearanceOf }: ClearContext): number {
  let most = clearance
  for (const thing of new Set(part.subarray(0, count))) most = Math.max(most, clearanceOf(thing))
  return most
}

function withOthers(table: InstanceTable, { from }: Clear, { others }: ClearContext): InstanceTable {
  const added = from.flatMap((id) => others(id) ?? [])
  if (added.length === 0) return table
  const crowd = table.snapshot()
  for (const other of added) {
    const at = crowd.count
    crowd.grow(at + other.count)
    crowd.position.set(other.position.subarray(0, 3 * other.count), 3 * at)
    crowd.quaternion.set(other.quaternion.subarray(0, 4 * other.count), 4 * at)
    crowd.scale.set(other.scale.subarray(0, 3 * other.count), 3 * at)
    crowd.part.set(other.part.subarray(0, other.count), at)
    crowd.flags.set(other.flags.subarray(0, other.count), at)
  }
  return crowd
}

function push(
  table: InstanceTable,
  bodies: Bodies,
  clear: Clear,
  held: Uint8Array,
  clearance: number,
  { area }: ClearContext,
): { facts: Segment[]; byRound: readonly number[] } {
  const { axes, within, rounds } = clear
  const contain = clear.inside
    ? area
      ? containInArea(area.outline, area.margin)
      : containInBox(...boxOfPivots(table))
    : undefined
  const out = pushApart(bodies, {
    clearance,
    within,
    rounds,
    free: [axes.across, axes.up, axes.deep],
    held,
    ...(contain && { contain }),
  })
  let [mean, most] = [0, 0]
  for (let k = 0; k < table.count; k++) {
    const by = Math.hypot(...[0, 1, 2].map((c) => bodies.position[3 * k + c] - table.position[3 * k + c]))
    mean += by / Math.max(table.count, 1)
    most = Math.max(most, by)
  }
  table.position.set(bodies.position.subarray(0, 3 * table.count))
  const crowd = findOverlaps(bodies, clearance, clearance + bodies.radius.reduce((a, b) => Math.max(a, b), 0) / 2)
  const moved: Segment[] = [' · moved ', { length: mean }, ' on average, ', { length: most }, ' at most']
  const rest: Segment[] = [...told(crowd), ' · ', { count: out.rounds }, plural(out.rounds, ' round', ' rounds')]
  if (out.worst <= within && out.rounds === 0)
    return { facts: [{ words: 'Already clear', tone: 'good' }, ...rest], byRound: out.byRound }
  if (out.worst <= within) return { facts: [{ words: 'Clear', tone: 'good' }, ...rest, ...moved], byRound: out.byRound }
  const left = crowd.overlaps.filter((o) => o.depth > within).length
  return {
    facts: [
      { words: 'Not clear', tone: 'wrong' },
      ': ',
      { count: left, tone: 'wrong' },
      plural(left, ' pair', ' pairs'),
      ' left, the worst lacking ',
      { length: out.worst, tone: 'wrong' },
      ...(clear.inside
        ? [': there is too little room, or too few rounds']
        : [': more rounds, or another axis to move along']),
      ...rest,
      ...moved,
    ],
    byRound: out.byRound,
  }
}

/** What is told of the nearest two, where any are near. */
function told(crowd: ReturnType<typeof findOverlaps>): Segment[] {
  const gap = nearestGap(crowd)
  return Number.isFinite(gap) ? [' · nearest gap ', { length: gap }] : []
}

function boxOfPivots({ position: p, count }: InstanceTable): [number[], number[]] {
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ]
  for (let i = 0; i < 3 * count; i++) {
    low[i % 3] = Math.min(low[i % 3], p[i])
    high[i % 3] = Math.max(high[i % 3], p[i])
  }
  return [low, high]
}

function shrink(
  table: InstanceTable,
  bodies: Bodies,
  { floor }: Clear,
  held: Uint8Array,
  clearance: number,
): Segment[] {
  const { factors, shrunk, left, worst } = shrinkToFit(bodies, { clearance, floor, held })
  let [least, sum] = [1, 0]
  for (let k = 0; k < table.count; k++) {
    for (let c = 0; c < 3; c++) table.scale[3 * k + c] *= factors[k]
    least = Math.min(least, factors[k])
    sum += factors[k]
  }
  if (shrunk === 0) return [{ words: 'Already clear', tone: 'good' }]
  const out: Segment[] = [
    { count: shrunk },
    ' shrunk, to ',
    { share: least },
    ' at the least, ',
    { share: sum / table.count },
    ' on average',
  ]
  if (left > 0)
    out.push(
      ' · ',
      { count: left, tone: 'wrong' },
      plural(left, ' pair overlaps', ' pairs overlap'),
      ' at the floor, by ',
      { length: worst, tone: 'wrong' },
      ' at most',
    )
  else out.push(' · ', { words: 'clear', tone: 'good' })
  return out
}

function leave(
  table: InstanceTable,
  bodies: Bodies,
  { priority, seed, id }: Clear,
  clearance: number,
  { patternId }: ClearContext,
): Segment[] {
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
  const out = leaveOut(bodies, clearance, order)
  let left = 0
  for (let k = 0; k < own; k++) {
    if (!out[k]) continue
    table.flags[k] |= Flag.leftOut
    left++
  }
  if (left === 0) return [{ words: 'Already clear', tone: 'good' }, ': none is left out']
  return [{ count: left, tone: 'caution' }, ' of ', { count: own }, ' left out · none of them could be put back']
}
