import { formatHex, interpolate } from 'culori'
import { Flag, type InstanceTable } from '../instances'
import type { Variation } from '../model/vary'
import { Randomness } from '../random'
import { type Quaternion, inverse, rotate } from '../rotation'
import type { StepContext } from './shaping'

/** What came out of a variation. */
export interface VariedRows {
  readonly changed: number
  readonly least: number
  readonly most: number
  readonly mean: number
}

export interface VaryOptions {
  /** How much of it is done, from 0 to 1. */
  readonly strength?: number
  /** How much of the strength reaches each row, from 0 to 1. */
  readonly weights?: Float64Array
  /** What takes the place of chance for each row, from 0 for the low value to 1 for the high one. */
  readonly driven?: Float64Array
}

/** What varying rows may know of their pattern. */
export type RowContext = Pick<StepContext, 'id' | 'turn' | 'frames' | 'colorOf'>

const axisOf: Readonly<Record<string, 0 | 1 | 2>> = { Across: 0, Up: 1, Deep: 2 }

/** Channels of a copy's chances, so that they are independent of each other. */
const VALUE = 1
const AROUND = 2
const THIRD = 3
const NORMAL = 4

/** Changes a row and gives the value that it came to; u runs from 0 for the low end to 1 for the high one. */
type Change = (k: number, u: number, strength: number) => number

/**
 * Varies the rows that are marked, each by its own chance u:
 * - a size between low and high evenly in ratio, low · (high ÷ low)^u, so that ½ and 2 are equally far from 1;
 * - a move or a turn evenly between them, or bell-shaped about their middle and cut at both;
 * - a tilt from upright by up to high in any direction, even over the cap (Archimedes: the cosine is even);
 * - any turn, even over all rotations (Shoemake, Graphics Gems III, 1992);
 * - a colour between two, even to the eye (mixed in OKLab), in so many shades.
 *
 * @param name tells this variation's chances from those of others
 */
export function varyRows(
  table: InstanceTable,
  variation: Variation,
  rows: Uint8Array,
  name: string,
  context: RowContext,
  { strength = 1, weights, driven }: VaryOptions = {},
): VariedRows {
  const random = new Randomness(variation.seed, context.id, name)
  const { slotLow, slotHigh, count } = table
  const chance = (k: number, channel: number): number => random.value(slotLow[k], slotHigh[k], channel)
  const change = changeOf(table, variation, chance, context)
  const bell = variation.spread === 'bell'
  let [changed, least, most, sum] = [0, Infinity, -Infinity, 0]
  for (let k = 0; k < count; k++) {
    if (!rows[k]) continue
    const u = driven ? driven[k] : bell ? bellShaped(chance(k, VALUE), chance(k, NORMAL)) : chance(k, VALUE)
    const value = change(k, u, weights ? strength * weights[k] : strength)
    changed++
    if (value < least) least = value
    if (value > most) most = value
    sum += value
  }
  return { changed, least, most, mean: changed > 0 ? sum / changed : 0 }
}

function changeOf(
  table: InstanceTable,
  variation: Variation,
  chance: (k: number, channel: number) => number,
  context: RowContext,
): Change {
  const { what } = variation
  if (what === 'color') return coloring(table, variation, context)
  if (what.startsWith('size')) return sizing(table, variation)
  if (what.startsWith('move')) return moving(table, variation, context)
  const turning = turner(table, variation, context)
  if (what === 'turnAny') return anyTurning(chance, turning)
  if (what === 'tilt') return tilting(variation, chance, turning)
  const axis = axisOf[what.slice(4)]
  const { low, high } = variation
  return (k, u, strength) => {
    const angle = strength * rounded(low + (high - low) * u, variation)
    const sin = Math.sin(angle / 2)
    turning(k, axis === 0 ? sin : 0, axis === 1 ? sin : 0, axis === 2 ? sin : 0, Math.cos(angle / 2))
    return angle
  }
}

function sizing({ scale }: InstanceTable, variation: Variation): Change {
  const { what, low, high } = variation
  const ratio = high / low
  const only = axisOf[what.slice(4)]
  return (k, u, strength) => {
    const value = rounded(low * ratio ** u, variation) ** strength
    if (only !== undefined) scale[3 * k + only] *= value
    else for (let i = 3 * k; i < 3 * k + 3; i++) scale[i] *= value
    return value
  }
}

function moving(
  { position: p, quaternion: q }: InstanceTable,
  variation: Variation,
  { turn }: Pick<StepContext, 'turn'>,
): Change {
  const { what, low, high, axes } = variation
  const axis = axisOf[what.slice(4)]
  const unit: [number, number, number] = [0, 0, 0]
  unit[axis] = 1
  const [wx, wy, wz] = axes === 'world' ? rotate(inverse(turn), unit) : unit
  return (k, u, strength) => {
    const value = strength * rounded(low + (high - low) * u, variation)
    if (axes !== 'copy') {
      p[3 * k] += value * wx
      p[3 * k + 1] += value * wy
      p[3 * k + 2] += value * wz
      return value
    }
    // The column of the copy's own turn along the axis.
    const [x, y, z, w] = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
    p[3 * k] += value * (axis === 0 ? 1 - 2 * (y * y + z * z) : axis === 1 ? 2 * (x * y - w * z) : 2 * (x * z + w * y))
    p[3 * k + 1] +=
      value * (axis === 0 ? 2 * (x * y + w * z) : axis === 1 ? 1 - 2 * (x * x + z * z) : 2 * (y * z - w * x))
    p[3 * k + 2] +=
      value * (axis === 0 ? 2 * (x * z - w * y) : axis === 1 ? 2 * (y * z + w * x) : 1 - 2 * (x * x + y * y))
    return value
  }
}

function anyTurning(chance: (k: number, channel: number) => number, turning: Turner): Change {
  const turn: [number, number, number, number] = [0, 0, 0, 1]
  return (k, u, strength) => turnPart(k, anyTurn(u, chance(k, AROUND), chance(k, THIRD), turn), strength, turning)
}

function tilting(variation: Variation, chance: (k: number, channel: number) => number, turning: Turner): Change {
  const cap = 1 - Math.cos(variation.high)
  return (k, u, strength) => {
    const angle = strength * rounded(Math.acos(Math.min(1, Math.max(-1, 1 - u * cap))), variation)
    const round = 2 * Math.PI * chance(k, AROUND)
    const sin = Math.sin(angle / 2)
    turning(k, sin * Math.cos(round), 0, sin * Math.sin(round), Math.cos(angle / 2))
    return angle
  }
}

/** A strength is taken to so many parts of the whole, as every colour that comes of it is a look of its own. */
const LEVELS = 16

function coloring(
  { surface, flags, part }: InstanceTable,
  { low, high, colors }: Variation,
  { frames, colorOf }: Pick<StepContext, 'frames' | 'colorOf'>,
): Change {
  const { from, to, shades } = colors!
  const mix = interpolate([from, to], 'oklab')
  const shadeOf = Array.from({ length: shades }, (_, i) => formatHex(mix(i / (shades - 1))))
  const known = new Map<string, string>()
  return (k, u, strength) => {
    const value = low + (high - low) * u
    const level = Math.round(LEVELS * strength)
    if (level === 0) return value
    const twin = (flags[k] & Flag.twin) !== 0
    const shade = shadeOf[Math.min(shades - 1, Math.floor(value * shades))]
    const own = frames.of(surface[k], twin).color ?? colorOf(part[k])
    const key = `${own} ${shade} ${level}`
    const color = known.get(key) ?? formatHex(interpolate([own, shade], 'oklab')(level / LEVELS))
    known.set(key, color)
    surface[k] = frames.colored(surface[k], twin, color)
    return value
  }
}

/** Turns a row by a rotation in the axes that a variation names. */
type Turner = (k: number, x: number, y: number, z: number, w: number) => void

function turner({ quaternion: q }: InstanceTable, { axes }: Variation, { turn }: Pick<StepContext, 'turn'>): Turner {
  if (axes === 'copy') {
    return (k, x, y, z, w) => {
      const [a, b, c, d] = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
      q[4 * k] = d * x + a * w + b * z - c * y
      q[4 * k + 1] = d * y - a * z + b * w + c * x
      q[4 * k + 2] = d * z + a * y - b * x + c * w
      q[4 * k + 3] = d * w - a * x - b * y - c * z
    }
  }
  const back: Quaternion = axes === 'world' ? inverse(turn) : [0, 0, 0, 1]
  const [m, n, o] = [rotate(back, [1, 0, 0]), rotate(back, [0, 1, 0]), rotate(back, [0, 0, 1])]
  return (k, x, y, z, w) => {
    // The world's turn seen in the pattern's axes is one about the axis seen there.
    const [i, j, l] = [x * m[0] + y * n[0] + z * o[0], x * m[1] + y * n[1] + z * o[1], x * m[2] + y * n[2] + z * o[2]]
    const [a, b, c, d] = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
    q[4 * k] = w * a + i * d + j * c - l * b
    q[4 * k + 1] = w * b - i * c + j * d + l * a
    q[4 * k + 2] = w * c + i * b - j * a + l * d
    q[4 * k + 3] = w * d - i * a - j * b - l * c
  }
}

/** A rotation even over all of them, from three even chances; written to `out`. */
export function anyTurn(
  u1: number,
  u2: number,
  u3: number,
  out: [number, number, number, number] = [0, 0, 0, 1],
): Quaternion {
  const [a, b] = [Math.sqrt(1 - u1), Math.sqrt(u1)]
  const [s, t] = [2 * Math.PI * u2, 2 * Math.PI * u3]
  out[0] = a * Math.sin(s)
  out[1] = a * Math.cos(s)
  out[2] = b * Math.sin(t)
  out[3] = b * Math.cos(t)
  return out
}

/** Turns a row by so much of a rotation, about its own axis; gives the angle that it then is. */
function turnPart(k: number, [x, y, z, w]: Quaternion, strength: number, turning: Turner): number {
  const sign = w < 0 ? -1 : 1
  const half = Math.acos(Math.min(1, Math.abs(w)))
  const sin = Math.sin(half)
  if (sin < 1e-12) return 0
  const by = (sign * Math.sin(half * strength)) / sin
  turning(k, x * by, y * by, z * by, Math.cos(half * strength))
  return 2 * half * strength
}

/** A normal chance about the middle, three deviations to each end and cut there (Box & Muller 1958). */
function bellShaped(u: number, v: number): number {
  const normal = Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v)
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
