import { formatHex, interpolate, modeOklab, modeRgb, useMode } from 'culori/fn'
import { type InstanceTable } from '../../instances'
import type { Variation } from '../../values/variation'
import { Randomness } from '../../random'
import { type Quaternion, inverse, rotate, angleOf } from '../../geometry/rotation'
import { circle } from './circle'
import type { StepContext } from '../context'

// Of all the spaces only the two that are used here; colours are written in the one and mixed in the other.
useMode(modeRgb)
useMode(modeOklab)

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

/** Changes a row and gives the value that it came to; u runs from 0 for the low end to 1 for the high one, `copy` gives chances by `random`. */
type Change = (k: number, u: number, strength: number, copy: number, random: Randomness) => number

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
  const change = changeOf(table, variation, context)
  // A turn in any way has no ends between which it could be spread.
  const bell = variation.spread === 'bell' && variation.what !== 'turnAny'
  let changed = 0
  let least = Infinity
  let most = -Infinity
  let sum = 0
  for (let k = 0; k < count; k++) {
    if (!rows[k]) continue
    const copy = random.copy(slotLow[k], slotHigh[k])
    const u = driven ? driven[k] : bell ? bellShaped(copy, random) : random.chance(copy, VALUE)
    const value = change(k, u, weights ? strength * weights[k] : strength, copy, random)
    changed++
    if (value < least) least = value
    if (value > most) most = value
    sum += value
  }
  return { changed, least, most, mean: changed > 0 ? sum / changed : 0 }
}

function changeOf(table: InstanceTable, variation: Variation, context: RowContext): Change {
  const { what } = variation
  if (what === 'color') return coloring(table, variation, context)
  if (what.startsWith('size')) return sizing(table, variation)
  if (what.startsWith('move')) return moving(table, variation, context)
  const turning = turner(table, variation, context)
  if (what === 'turnAny') return anyTurning(turning)
  if (what === 'tilt') return tilting(variation, turning)
  const axis = axisOf[what.slice(4)]
  const { low, high, steps } = variation
  return (k, u, strength) => {
    const plain = low + (high - low) * u
    const angle = strength * (steps === undefined ? plain : rounded(plain, variation))
    const sin = Math.sin(angle / 2)
    turning(k, axis === 0 ? sin : 0, axis === 1 ? sin : 0, axis === 2 ? sin : 0, Math.cos(angle / 2))
    return angle
  }
}

function sizing({ scale }: InstanceTable, variation: Variation): Change {
  const { what, low, high, steps } = variation
  const ratio = Math.log(high / low)
  const only = axisOf[what.slice(4)]
  return (k, u, strength) => {
    // By way of logarithms, and never beyond the ends by rounding.
    let value = Math.min(high, Math.max(low, low * Math.exp(u * ratio)))
    if (steps !== undefined) value = rounded(value, variation)
    if (strength !== 1) value **= strength
    if (only !== undefined) scale[3 * k + only] *= value
    else {
      scale[3 * k] *= value
      scale[3 * k + 1] *= value
      scale[3 * k + 2] *= value
    }
    return value
  }
}

function moving(
  { position: p, quaternion: q }: InstanceTable,
  variation: Variation,
  about: Pick<StepContext, 'turn'>,
): Change {
  const { what, low, high, axes } = variation
  const axis = axisOf[what.slice(4)]
  const unit: [number, number, number] = [0, 0, 0]
  unit[axis] = 1
  const [wx, wy, wz] = axes === 'world' ? rotate(inverse(about.turn), unit) : unit
  return (k, u, strength) => {
    const value = strength * rounded(low + (high - low) * u, variation)
    if (axes !== 'copy') {
      p[3 * k] += value * wx
      p[3 * k + 1] += value * wy
      p[3 * k + 2] += value * wz
      return value
    }
    // The column of the copy's own turn along the axis.
    const x = q[4 * k]
    const y = q[4 * k + 1]
    const z = q[4 * k + 2]
    const w = q[4 * k + 3]
    p[3 * k] += value * (axis === 0 ? 1 - 2 * (y * y + z * z) : axis === 1 ? 2 * (x * y - w * z) : 2 * (x * z + w * y))
    p[3 * k + 1] +=
      value * (axis === 0 ? 2 * (x * y + w * z) : axis === 1 ? 1 - 2 * (x * x + z * z) : 2 * (y * z - w * x))
    p[3 * k + 2] +=
      value * (axis === 0 ? 2 * (x * z - w * y) : axis === 1 ? 2 * (y * z + w * x) : 1 - 2 * (x * x + y * y))
    return value
  }
}

function anyTurning(turning: Turner): Change {
  const turn: [number, number, number, number] = [0, 0, 0, 1]
  return (k, u, strength, copy, random) => {
    anyTurn(u, random.chance(copy, AROUND), random.chance(copy, THIRD), turn)
    if (strength !== 1) return turnPart(k, turn, strength, turning)
    turning(k, turn[0], turn[1], turn[2], turn[3])
    return angleOf(turn)
  }
}

function tilting(variation: Variation, turning: Turner): Change {
  const cap = 1 - Math.cos(variation.high)
  const way = new Float64Array(2)
  return (k, u, strength, copy, random) => {
    let cosine = Math.max(-1, 1 - u * cap)
    let angle = Math.acos(cosine)
    if (variation.steps !== undefined || strength !== 1) {
      angle = strength * rounded(angle, variation)
      cosine = Math.cos(angle)
    }
    // Half of it, by the half-angle formulas.
    const sin = Math.sqrt((1 - cosine) / 2)
    circle(random.chance(copy, AROUND), way)
    turning(k, sin * way[0], 0, sin * way[1], Math.sqrt((1 + cosine) / 2))
    return angle
  }
}

/** A strength is taken to so many parts of the whole, as every colour that comes of it is a look of its own. */
const LEVELS = 16

function coloring(
  table: InstanceTable,
  { low, high, colors }: Variation,
  { frames, colorOf }: Pick<StepContext, 'frames' | 'colorOf'>,
): Change {
  const { surface, thing } = table
  const { from, to, shades } = colors!
  const mix = interpolate([from, to], 'oklab')
  const shadeOf = Array.from({ length: shades }, (_, i) => formatHex(mix(i / (shades - 1))))
  const known = new Map<string, string>()
  return (k, u, strength) => {
    const value = low + (high - low) * u
    const level = Math.round(LEVELS * strength)
    if (level === 0) return value
    const twin = table.isTwin(k)
    const shade = shadeOf[Math.min(shades - 1, Math.floor(value * shades))]
    const own = frames.of(surface[k], twin).color ?? colorOf(thing[k])
    const key = `${own} ${shade} ${level}`
    const color = known.get(key) ?? formatHex(interpolate([own, shade], 'oklab')(level / LEVELS))
    known.set(key, color)
    surface[k] = frames.colored(surface[k], twin, color)
    return value
  }
}

/** Turns a row by a rotation in the axes that a variation names. */
type Turner = (k: number, x: number, y: number, z: number, w: number) => void

function turner({ quaternion: q }: InstanceTable, { axes }: Variation, about: Pick<StepContext, 'turn'>): Turner {
  if (axes === 'copy') {
    return (k, x, y, z, w) => {
      const a = q[4 * k]
      const b = q[4 * k + 1]
      const c = q[4 * k + 2]
      const d = q[4 * k + 3]
      q[4 * k] = d * x + a * w + b * z - c * y
      q[4 * k + 1] = d * y - a * z + b * w + c * x
      q[4 * k + 2] = d * z + a * y - b * x + c * w
      q[4 * k + 3] = d * w - a * x - b * y - c * z
    }
  }
  const back: Quaternion = axes === 'world' ? inverse(about.turn) : [0, 0, 0, 1]
  const [m, n, o] = [rotate(back, [1, 0, 0]), rotate(back, [0, 1, 0]), rotate(back, [0, 0, 1])]
  return (k, x, y, z, w) => {
    // The world's turn seen in the pattern's axes is one about the axis seen there.
    const i = x * m[0] + y * n[0] + z * o[0]
    const j = x * m[1] + y * n[1] + z * o[1]
    const l = x * m[2] + y * n[2] + z * o[2]
    const a = q[4 * k]
    const b = q[4 * k + 1]
    const c = q[4 * k + 2]
    const d = q[4 * k + 3]
    q[4 * k] = w * a + i * d + j * c - l * b
    q[4 * k + 1] = w * b - i * c + j * d + l * a
    q[4 * k + 2] = w * c + i * b - j * a + l * d
    q[4 * k + 3] = w * d - i * a - j * b - l * c
  }
}

const anyWay = new Float64Array(2)

/** A rotation even over all of them, from three even chances; written to `out`. */
export function anyTurn(
  u1: number,
  u2: number,
  u3: number,
  out: [number, number, number, number] = [0, 0, 0, 1],
): Quaternion {
  const a = Math.sqrt(1 - u1)
  const b = Math.sqrt(u1)
  circle(u2, anyWay)
  out[0] = a * anyWay[1]
  out[1] = a * anyWay[0]
  circle(u3, anyWay)
  out[2] = b * anyWay[1]
  out[3] = b * anyWay[0]
  return out
}

/** Turns a row by so much of a rotation, about its own axis; gives the angle that it then is. */
function turnPart(k: number, [x, y, z, w]: Quaternion, strength: number, turning: Turner): number {
  const sign = w < 0 ? -1 : 1
  const half = angleOf([x, y, z, w]) / 2
  const sin = Math.sin(half)
  if (sin < 1e-12) return 0
  const by = (sign * Math.sin(half * strength)) / sin
  turning(k, x * by, y * by, z * by, Math.cos(half * strength))
  return 2 * half * strength
}

const bellWay = new Float64Array(2)

/** A normal chance about the middle, three deviations to each end and cut there (Box & Muller 1958). */
function bellShaped(copy: number, random: Randomness): number {
  circle(random.chance(copy, NORMAL), bellWay)
  const normal = Math.sqrt(-2 * Math.log(1 - random.chance(copy, VALUE))) * bellWay[0]
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
