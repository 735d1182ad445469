import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { Flag, type InstanceTable } from '../instances'
import { definitionOf } from '../layouts/index'
import { plural } from '../words'
import type { FindingDefinition, Looked } from './definition'
import { inEachPattern } from './eachPattern'

/** Fewer steps from one copy to the next than this look like nothing. */
const FEWEST = 4
/** A step is out of line where it differs from the usual one by more than so many times their usual spread … */
const SPREADS = 8
/** … by more than this, in metres, and by more than this share of it: less is not seen. */
const LEAST = 5e-5
const LEAST_SHARE = 2e-4
/** What differs by more than this share is meant: the end of a row, another group. */
const MOST_SHARE = 0.25
/** Where more than this share of the steps is out of line, nothing looks even. */
const MOST_OUT = 0.25
/** The spread of normal noise by the median of its distances from the median (Hampel 1974). */
const SIGMA = 1.4826

/** Steps that are out of line among steps that are otherwise alike, by their numbers. */
export interface Uneven {
  readonly usual: number
  readonly out: readonly number[]
  /** By how much the worst of them differs. */
  readonly worst: number
}

/**
 * Finds the few steps that differ a little among steps that are alike: a robust test by medians (Hampel's), which neither rounding
 * nor those few themselves mislead.
 *
 * @param steps distances or gaps from each copy to the next, in metres
 */
export function unevenIn(steps: readonly number[]): Uneven | undefined {
  if (steps.length < FEWEST) return undefined
  const usual = median(steps)
  const spread = SIGMA * median(steps.map((step) => Math.abs(step - usual)))
  const least = Math.max(SPREADS * spread, LEAST, LEAST_SHARE * Math.abs(usual))
  const most = MOST_SHARE * Math.abs(usual)
  const out = steps.flatMap((step, i) => {
    const off = Math.abs(step - usual)
    return off > least && off < most ? [i] : []
  })
  const alike = steps.filter((step) => Math.abs(step - usual) <= least).length
  if (out.length === 0 || alike < (1 - MOST_OUT) * steps.length) return undefined
  return { usual, out, worst: out.reduce((most, i) => Math.max(most, Math.abs(steps[i] - usual)), 0) }
}

const median = (all: readonly number[]): number => {
  const sorted = [...all].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2
}

/**
 * Copies in a row that looks even and is not: from one to the next neither pivots nor outlines are as far apart as from the others.
 * Where one of the two is even it was meant by that.
 */
export const uneven: FindingDefinition = {
  weight: -1,
  find: inEachPattern((looked) => ({ layout, touchUps }, { table }) => {
    // What a layout alone has set out is as even as it was meant to be.
    const { isByHand } = definitionOf(layout)
    if (!isByHand && Object.keys(touchUps).length === 0) return undefined
    const rows: number[] = []
    for (let k = 0; k < table.count; k++) if (table.isPresent(k)) rows.push(k)
    const byPivots = unevenIn(rows.slice(1).map((row, i) => apart(table, rows[i], row)))
    if (!byPivots) return undefined
    const byOutlines = unevenIn(gapsAlong(looked, table, rows))
    if (!byOutlines) return undefined
    const isTouched = (row: number): boolean => (table.flags[row] & Flag.touched) !== 0
    const out = byPivots.out.filter((i) => isByHand || isTouched(rows[i]) || isTouched(rows[i + 1]))
    if (out.length === 0) return undefined
    const found = out.flatMap((i) => [rows[i], rows[i + 1]])
    return { count: out.length, worst: byPivots.worst, rows: [...new Set(found)] }
  }),
  says: ({ count, worst, pattern }, nameOf) => [
    `${nameOf(pattern!)} looks even and is not: `,
    { count, tone: 'wrong' },
    plural(count, ' distance', ' distances'),
    ' from one to the next ',
    plural(count, 'differs', 'differ'),
    ' from the others, by up to ',
    { length: worst, tone: 'wrong' },
    '.',
  ],
  fixes: [],
}

const apart = ({ position: p }: InstanceTable, i: number, j: number): number =>
  Math.hypot(p[3 * i] - p[3 * j], p[3 * i + 1] - p[3 * j + 1], p[3 * i + 2] - p[3 * j + 2])

function gapsAlong({ shapeOf }: Looked, table: InstanceTable, rows: readonly number[]): number[] {
  const bodies = new Bodies(table, shapeOf)
  return rows
    .slice(1)
    .map((row, i) => (bodies.there[row] && bodies.there[rows[i]] ? gapOf(bodies, rows[i], row).gap : NaN))
    .filter((gap) => !Number.isNaN(gap))
}
