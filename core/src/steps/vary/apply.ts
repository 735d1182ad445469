import type { StepOutcome } from '../definition'
import type { InstanceTable } from '../../instances'
import type { Vary } from './schema'
import { Randomness } from '../../random'
import { type Facts, fact, type Segment } from '../../words'
import { drivenBy } from './driven'
import { reachOf } from './reach'
import type { StepContext } from '../context'
import { type VariedRows, varyRows } from './varyRows'

/** Channels of a copy's chances, apart from those of its values. */
const CHOSEN = 0
const ORDER = 5

/**
 * Varies copies by chance: value = f(seed, pattern, step, slot), so that nobody's value changes when copies, patterns or other
 * steps come and go; or by the brightness of what lies under them. See `varyRows` for the values.
 */
export function varyStep(
  table: InstanceTable,
  step: Vary,
  only: Uint8Array | undefined,
  context: StepContext,
): StepOutcome {
  const weights = step.reach && reachOf(table, step.reach, context.fields)
  if (step.reach && !weights) return said('what it keeps near to is not there: choose another')
  const driven = step.by && drivenBy(table, step.by, context.fields)
  if (step.by && !driven)
    return said(step.by.kind === 'picture' ? 'its picture is not there: choose it again' : 'nothing there has colours')
  const rows = chosenRows(table, step, only, context)
  for (let k = 0; k < table.count; k++) if (weights?.[k] === 0 || Number.isNaN(driven?.[k])) rows[k] = 0
  const strength = step.strength * context.strength
  const facts = told(
    table.count,
    step,
    varyRows(table, step, rows, step.id, context, { strength, ...(weights && { weights }), ...(driven && { driven }) }),
  )
  return { facts }
}

const said = (words: string): StepOutcome => ({ facts: [fact('missing', words)] })

function told(count: number, { what, colors }: Vary, { changed, least, most, mean }: VariedRows): Facts {
  if (changed === 0) return [fact('count', 'no copy is reached')]
  const out = [fact('count', { count: changed }, ' of ', { count }, ' changed')]
  if (colors) return [...out, fact('shades', { count: colors.shades }, ' shades')]
  const shown = (value: number): Segment =>
    what.startsWith('size') ? { share: value } : what.startsWith('move') ? { length: value } : { angle: value }
  return [...out, fact('range', 'from ', shown(least), ' to ', shown(most), ', mean ', shown(mean))]
}

/** 1 for each row that the step reaches: by each copy's own chance, or exactly so many by the order of their chances. */
function chosenRows(
  table: InstanceTable,
  { share, exactly, seed, id }: Vary,
  only: Uint8Array | undefined,
  { id: patternId }: StepContext,
): Uint8Array {
  const { count, slotLow, slotHigh } = table
  const random = new Randomness(seed, patternId, id)
  const rows = new Uint8Array(count)
  if (exactly === undefined) {
    for (let k = 0; k < count; k++)
      if ((!only || only[k]) && (share === 1 || random.value(slotLow[k], slotHigh[k], CHOSEN) < share)) rows[k] = 1
    return rows
  }
  const order = Array.from({ length: count }, (_, k) => k)
    .filter((k) => !only || only[k])
    .map((k) => [random.value(slotLow[k], slotHigh[k], ORDER), k] as const)
    .sort((a, b) => a[0] - b[0])
  for (const [, k] of order.slice(0, exactly)) rows[k] = 1
  return rows
}
