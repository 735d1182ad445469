import { type Measure, type RoomEdges, measures } from '../values/spacing'
import { type Fact, type Range, type Segment, fact, plural } from '../words'
import type { Strip } from './strip'

/** Lengths that differ by less than this are one, in metres. */
export const SAME = 1e-9

/** The least and the most of what comes in one by one; undefined while nothing has. */
export class RangeOf {
  private least = Infinity
  private most = -Infinity

  add(value: number): void {
    if (value < this.least) this.least = value
    if (value > this.most) this.most = value
  }

  get range(): Range | undefined {
    return this.least <= this.most ? [this.least, this.most] : undefined
  }
}

/** How neighbours along a direction stand to each other, read in all three ways, and what they take together. */
export interface MeasuredRow {
  readonly count: number
  readonly pitch: Range | undefined
  readonly gap: Range | undefined
  readonly overall: Range | undefined
  /** From the first to the last of all rows together. */
  readonly run: number | undefined
}

/**
 * Measures rows of copies as they stand.
 *
 * @param strips the rows, each in order along its direction
 * @param edges between what the run is measured
 * @param uneven the last bay of each is one for itself, and is left out
 */
export function measureRows(strips: readonly Strip[], edges: RoomEdges, uneven = false): MeasuredRow {
  const [pitch, gap, overall, reach] = [new RangeOf(), new RangeOf(), new RangeOf(), new RangeOf()]
  let count = 0
  for (const { count: own, low, high, pivot } of strips) {
    count += own
    if (own === 0) continue
    for (let i = 0; i + 1 < own - (uneven ? 1 : 0); i++) {
      pitch.add(pivot[i + 1] - pivot[i])
      gap.add(low[i + 1] - high[i])
      overall.add(high[i + 1] - low[i])
    }
    for (const at of edges === 'centres' ? [pivot[0], pivot[own - 1]] : [least(low), most(high)]) reach.add(at)
  }
  const run = reach.range && reach.range[1] - reach.range[0]
  return { count, pitch: pitch.range, gap: gap.range, overall: overall.range, run }
}

function least(all: Float64Array): number {
  let found = Infinity
  for (let i = 0; i < all.length; i++) if (all[i] < found) found = all[i]
  return found
}
function most(all: Float64Array): number {
  let found = -Infinity
  for (let i = 0; i < all.length; i++) if (all[i] > found) found = all[i]
  return found
}

/** What was asked of a row, and what came out of it. */
export interface AskedRow {
  readonly measure: Measure
  /** The spacing as it was to come out. */
  readonly spacing: number
  readonly edges: RoomEdges
  /** What is left over of the room and not in the intervals. */
  readonly leftover: number
  /** Left over before it went into the intervals. */
  readonly spread: number
  readonly isWorkedOut: boolean
  /** Why copies may stand otherwise than asked, where that lies in what was asked: ": a column is as wide as its widest". */
  readonly because?: string
}

/** Whether any of what was measured differs from one length. */
export const differs = ([a, b]: Range, from: number): boolean => Math.abs(a - from) > SAME || Math.abs(b - from) > SAME

/** In facts an overall stands beside what the whole row takes, which is an overall as well. */
const SAID: Readonly<Record<Measure, string>> = { pitch: 'pitch', gap: 'gap', overall: 'two overall' }

/**
 * What is said of rows as they stand: what they take, what is left over, and every reading but the one that was asked for; that
 * one too where it stands otherwise than asked.
 */
export function rowFacts(asked: AskedRow, measured: MeasuredRow): Fact[] {
  const { run, gap } = measured
  if (run === undefined) return [fact('run', 'no copy stands there')]
  if (measured.count === 1 && asked.edges === 'centres') return [fact('run', 'one copy, at the start')]
  const says: Segment[] = [plural(measured.count, 'It takes ', 'They take '), { length: run }]
  if (asked.edges === 'centres') says.push(' between centres')
  if (asked.leftover > SAME) says.push(', left over ', { length: asked.leftover, tone: 'caution' })
  else if (asked.spread > SAME) says.push(', ', { length: asked.spread, tone: 'caution' }, ' spread over the intervals')
  else if (asked.isWorkedOut) says.push(', nothing left over')
  const facts: Fact[] = [fact('run', ...says)]
  const own = measured[asked.measure]
  if (own && !Number.isNaN(asked.spacing) && differs(own, asked.spacing))
    facts.push(
      fact(
        asked.measure,
        `${SAID[asked.measure]} `,
        { length: asked.spacing },
        ' asked, ',
        { lengths: own, tone: 'caution' },
        ` as they stand${asked.because ?? ''}`,
      ),
    )
  for (const measure of measures) {
    const range = measured[measure]
    if (range && measure !== asked.measure) facts.push(fact(measure, `${SAID[measure]} `, { lengths: range }))
  }
  if (gap && gap[0] < -SAME) facts.push(fact('overlap', 'neighbours overlap by ', { length: -gap[0], tone: 'wrong' }))
  return facts
}
