import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import type { Part } from '../../src/model/part'
import type { Pattern } from '../../src/model/pattern'
import { formatLengths } from '../../src/numbers/format'
import { parseQuantity } from '../../src/numbers/parse'
import type { LengthUnit } from '../../src/numbers/units'
import { type MeasuredCopy, nearestBetween, reachIn } from './ruler'

/** How far a figure may be from what is shown of it, and the files' 32-bit points from what was worked out. */
const SHOWN: Partial<Record<LengthUnit, number>> = { mm: 0.5e-5, in: 0.5e-4 * 0.0254 }
const POINTS = 5e-6

type Figure = (about: string, found: readonly number[], asked?: number) => void

/** What a pattern's facts tell of its distances is what a ruler finds in the file, to the figures that are shown, in two units. */
export function expectFigures(pattern: Pattern, { laid, facts, table }: PatternOutcome, copies: MeasuredCopy[]): void {
  const figure: Figure = (about, found, asked = NaN) => {
    const told = facts.find((f) => f.about === about)?.says.findLast((s) => typeof s === 'object' && 'lengths' in s)
    const range = told && typeof told === 'object' && 'lengths' in told ? told.lengths : ([asked, asked] as const)
    expect(range[0], `${about} is told`).not.toBeNaN()
    for (const [unit, shown] of Object.entries(SHOWN) as [LengthUnit, number][]) {
      const ends = formatLengths(range, unit).split(' to ')
      for (const [i, is] of [Math.min(...found), Math.max(...found)].entries()) {
        const read = parseQuantity(ends[Math.min(i, ends.length - 1)], 'length', unit)
        expect(read.ok && Math.abs(read.value - is), `${about}: ${ends.join(' to ')} is ${is}`).toBeLessThan(
          shown + POINTS,
        )
      }
    }
  }
  const { layout, steps } = pattern
  // Left out ones are no nodes, and those that follow them no neighbours.
  const isWhole = table.count === copies.length && steps.every((s) => s.kind !== 'thin')
  if (layout.kind === 'line' && laid?.kind === 'line' && layout.direction.kind === 'axis' && !laid.lastBay)
    expectRow(figure, '', [copies], AXES[layout.direction.axis], layout.direction.sign, {
      [layout.measure]: laid.spacing,
    })
  if (layout.kind === 'grid' && laid?.kind === 'grid')
    for (const name of ['across', 'deep', 'up'] as const) {
      const { count, spacing, lastBay, direction } = laid[name]
      if (count < 2 || lastBay) continue
      const axis = AXES[name]
      const rows = inRows(copies, axis)
      const measure = name === 'deep' && layout.rows.kind === 'hexagonal' ? 'pitch' : layout[name].measure
      if (rows.some((row) => row.length > 1))
        expectRow(figure, `${name} `, rows, axis, direction[axis] < 0 ? -1 : 1, { [measure]: spacing })
    }
  if (layout.kind === 'ring' && layout.rings === 1 && isWhole)
    expectNearest(figure, copies, layout.sweep.kind === 'full' && layout.rise === 0 && layout.widen === 0, facts)
  if (layout.kind === 'path' && laid?.kind === 'path' && laid.contours.length === 1 && isWhole && layout.join === 'no')
    expectNearest(figure, copies, laid.contours[0].closed && layout.insetStart === 0 && layout.insetEnd === 0, facts)
}

/** A pattern of parts in one piece whose copies are sized, turned and thinned out, but stand where they were laid. */
export function still(pattern: Pattern, parts: readonly Part[]): Pattern {
  const whole = pattern.deal.parts.map((id) => (parts.find((p) => p.id === id)?.shape.kind === 'box' ? id : 'tin'))
  const steps = pattern.steps.filter(
    (s) =>
      s.kind === 'aim' ||
      s.kind === 'thin' ||
      ((s.kind === 'vary' || s.kind === 'grade') && /^(size|turn)/.test(s.what)),
  )
  return {
    ...pattern,
    deal: { ...pattern.deal, parts: whole } as Pattern['deal'],
    steps,
    touchUps: {},
    fits: undefined,
  }
}

const AXES = { across: 0, up: 1, deep: 2 } as const

/** Copies that have the other two coordinates in common. */
function inRows(copies: readonly MeasuredCopy[], axis: 0 | 1 | 2): MeasuredCopy[][] {
  const rows = new Map<string, MeasuredCopy[]>()
  for (const copy of copies) {
    const key = ([0, 1, 2] as const)
      .filter((i) => i !== axis)
      .map((i) => Math.round(copy.pivot.getComponent(i) * 1e6))
      .join(' ')
    rows.set(key, [...(rows.get(key) ?? []), copy])
  }
  return [...rows.values()]
}

function expectRow(
  figure: Figure,
  prefix: string,
  rows: readonly (readonly MeasuredCopy[])[],
  axis: 0 | 1 | 2,
  sign: 1 | -1,
  asked: Partial<Record<'pitch' | 'gap' | 'overall', number>>,
): void {
  const pairs = rows.flatMap((row) => {
    const along = row
      .map((copy) => {
        const [low, high] = reachIn(copy, axis)
        const ends = sign > 0 ? [low, high] : [-high, -low]
        return { pivot: sign * copy.pivot.getComponent(axis), low: ends[0], high: ends[1] }
      })
      .sort((a, b) => a.pivot - b.pivot)
    return along.slice(1).map((b, i) => [along[i], b] as const)
  })
  const told = (about: 'pitch' | 'gap' | 'overall', found: readonly number[]): void =>
    figure(`${prefix}${about}`, found, asked[about])
  told(
    'pitch',
    pairs.map(([a, b]) => b.pivot - a.pivot),
  )
  told(
    'gap',
    pairs.map(([a, b]) => b.low - a.high),
  )
  told(
    'overall',
    pairs.map(([a, b]) => b.high - a.low),
  )
}

/** Neighbours in the order of the file, the last and the first too where it closes. */
function expectNearest(
  figure: Figure,
  copies: readonly MeasuredCopy[],
  closes: boolean,
  facts: PatternOutcome['facts'],
): void {
  const pairs = copies.slice(1).map((b, i) => [copies[i], b] as const)
  if (closes && copies.length > 2) pairs.push([copies[copies.length - 1], copies[0]])
  const straight = pairs.map(([a, b]) => a.pivot.distanceTo(b.pivot))
  // On a straight path it is the pitch, and not said twice.
  if (facts.some((f) => f.about === 'straight')) figure('straight', straight)
  const nearest = pairs.map(([a, b]) => nearestBetween(a, b))
  if (facts.some((f) => f.about === 'gap') && Math.min(...nearest) > 1e-4) figure('gap', nearest)
}
