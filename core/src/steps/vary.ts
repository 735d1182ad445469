import type { InstanceTable } from '../instances'
import type { Variation, Vary } from '../model/step'
import type { Vec3 } from '../model/values'
import { Randomness } from '../random'
import { type Quaternion, compose, inverse, rotate } from '../rotation'
import type { Segment, Sentence } from '../words'
import type { StepContext } from './shaping'

/** What came out of a variation. */
export interface VariedRows {
  readonly changed: number
  readonly least: number
  readonly most: number
  readonly mean: number
}

const axisOf: Readonly<Record<string, 0 | 1 | 2>> = { Across: 0, Up: 1, Deep: 2 }

/** Channels of a copy's chances, so that they are independent of each other. */
const CHOSEN = 0
const VALUE = 1
const AROUND = 2
const THIRD = 3
const NORMAL = 4
const ORDER = 5

/**
 * Varies copies by chance: value = f(seed, pattern, step, slot), so that nobody's value changes when copies, patterns or other
 * steps come and go. See `varyRows` for the values.
 */
export function varyStep(
  table: InstanceTable,
  step: Vary,
  only: Uint8Array | undefined,
  context: StepContext,
): Sentence {
  const rows = chosenRows(table, step, only, context)
  const { changed, least, most, mean } = varyRows(table, step, rows, step.id, context, step.strength)
  if (changed === 0) return ['no copy is reached']
  const shown = (value: number): Segment =>
    step.what.startsWith('size')
      ? { share: value }
      : step.what.startsWith('move')
        ? { length: value }
        : { angle: value }
  const out: Segment[] = [{ count: changed }, ' of ', { count: table.count }, ' changed']
  return [...out, ' · from ', shown(least), ' to ', shown(most), ', mean ', shown(mean)]
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
      if ((!only || only[k]) && random.value(slotLow[k], slotHigh[k], CHOSEN) < share) rows[k] = 1
    return rows
  }
  const order = Array.from({ length: count }, (_, k) => k)
    .filter((k) => !only || only[k])
    .map((k) => [random.value(slotLow[k], slotHigh[k], ORDER), k] as const)
    .sort((a, b) => a[0] - b[0])
  for (const [, k] of order.slice(0, exactly)) rows[k] = 1
  return rows
}

/**
 * Varies the rows that are marked, each by its own chance u:
 * - a size between low and high evenly in ratio, low · (high ÷ low)^u, so that ½ and 2 are equally far from 1;
 * - a move or a turn evenly between them, or bell-shaped about their middle and cut at both;
 * - a tilt from upright by up to high in any direction, even over the cap (Archimedes: the cosine is even);
 * - any turn, even over all rotations (Shoemake, Graphics Gems III, 1992).
 *
 * @param name tells this variation's chances from those of others
 * @param strength how much of it is done, from 0 to 1
 */
export function varyRows(
  table: InstanceTable,
  variation: Variation,
  rows: Uint8Array,
  name: string,
  { id: patternId, turn: placed }: Pick<StepContext, 'id' | 'turn'>,
  strength = 1,
): VariedRows {
  const random = new Randomness(variation.seed, patternId, name)
  const { slotLow, slotHigh, count } = table
  let [changed, least, most, sum] = [0, Infinity, -Infinity, 0]
  for (let k = 0; k < count; k++) {
    if (!rows[k]) continue
    const chance = (channel: number): number => random.value(slotLow[k], slotHigh[k], channel)
    const value = change(table, k, variation, chance, placed, strength)
    changed++
    least = Math.min(least, value)
    most = Math.max(most, value)
    sum += value
  }
  return { changed, least, most, mean: changed > 0 ? sum / changed : 0 }
}

/** Changes one row and gives the value that it came to. */
function change(
  table: InstanceTable,
  k: number,
  variation: Variation,
  chance: (channel: number) => number,
  placed: Quaternion,
  strength: number,
): number {
  const { what, low, high, axes } = variation
  const { position, quaternion, scale } = table
  const own: Quaternion = [quaternion[4 * k], quaternion[4 * k + 1], quaternion[4 * k + 2], quaternion[4 * k + 3]]
  if (what.startsWith('size')) {
    const ratio = low * (high / low) ** bent(chance, variation)
    const value = rounded(ratio, variation) ** strength
    const axis = axisOf[what.slice(4)]
    for (let i = 0; i < 3; i++) if (axis === undefined || axis === i) scale[3 * k + i] *= value
    return value
  }
  if (what.startsWith('move')) {
    const value = strength * rounded(low + (high - low) * bent(chance, variation), variation)
    const way: Vec3 = [0, 0, 0]
    way[axisOf[what.slice(4)]] = value
    const moved = axes === 'copy' ? rotate(own, way) : axes === 'world' ? rotate(inverse(placed), way) : way
    for (let i = 0; i < 3; i++) position[3 * k + i] += moved[i]
    return value
  }
  const [turn, value] = turned(variation, chance, strength)
  quaternion.set(about(own, turn, axes, placed), 4 * k)
  return value
}

/** A turn by chance, with its angle. */
function turned(
  variation: Variation,
  chance: (channel: number) => number,
  strength: number,
): readonly [turn: Quaternion, angle: number] {
  const { what, low, high } = variation
  if (what === 'turnAny') return partOf(anyTurn(chance(VALUE), chance(AROUND), chance(THIRD)), strength)
  if (what === 'tilt') {
    const cosine = 1 - bent(chance, variation) * (1 - Math.cos(high))
    const angle = strength * rounded(Math.acos(Math.min(1, Math.max(-1, cosine))), variation)
    const round = 2 * Math.PI * chance(AROUND)
    const sin = Math.sin(angle / 2)
    return [[sin * Math.cos(round), 0, sin * Math.sin(round), Math.cos(angle / 2)], angle]
  }
  const angle = strength * rounded(low + (high - low) * bent(chance, variation), variation)
  const q: [number, number, number, number] = [0, 0, 0, Math.cos(angle / 2)]
  q[axisOf[what.slice(4)]] = Math.sin(angle / 2)
  return [q, angle]
}

/** A rotation even over all of them, from three even chances. */
export function anyTurn(u1: number, u2: number, u3: number): Quaternion {
  const [a, b] = [Math.sqrt(1 - u1), Math.sqrt(u1)]
  const [s, t] = [2 * Math.PI * u2, 2 * Math.PI * u3]
  return [a * Math.sin(s), a * Math.cos(s), b * Math.sin(t), b * Math.cos(t)]
}

/** So much of a rotation, about its own axis; and the angle that it then is. */
function partOf([x, y, z, w]: Quaternion, strength: number): readonly [Quaternion, number] {
  const sign = w < 0 ? -1 : 1
  const half = Math.acos(Math.min(1, Math.abs(w)))
  const sin = Math.sin(half)
  if (sin < 1e-12) return [[0, 0, 0, 1], 0]
  const by = (sign * Math.sin(half * strength)) / sin
  return [[x * by, y * by, z * by, Math.cos(half * strength)], 2 * half * strength]
}

/** A turn added in the copy's own axes, in the pattern's or in the world's. */
function about(own: Quaternion, turn: Quaternion, axes: Variation['axes'], placed: Quaternion): Quaternion {
  if (axes === 'copy') return compose(own, turn)
  const outer = axes === 'pattern' ? turn : compose(inverse(placed), compose(turn, placed))
  return compose(outer, own)
}

/** A chance from 0 to 1: even, or a normal one about the middle, three deviations to each end and cut there (Box & Muller 1958). */
function bent(chance: (channel: number) => number, { spread }: Variation): number {
  const u = chance(VALUE)
  if (spread === 'even') return u
  const normal = Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * chance(NORMAL))
  return Math.min(1, Math.max(0, 0.5 + normal / 6))
}

/** A value at the nearest whole multiple of the steps, within low and high. */
function rounded(value: number, { steps, low, high, what }: Variation): number {
  if (steps === undefined) return value
  const whole = Math.round(value / steps) * steps
  const least = what === 'tilt' ? 0 : low
  if (whole < least - 1e-12) return whole + steps <= high + 1e-12 ? whole + steps : value
  return whole > high + 1e-12 ? (whole - steps >= least - 1e-12 ? whole - steps : value) : whole
}
