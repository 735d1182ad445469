import type { ArcLength } from '../../curves/arcLength'
import { carried, turnTo, twisted } from '../../curves/frames'
import { UNTURNED, type Quaternion } from '../../geometry/rotation'
import type { Vec3 } from '../../values/values'
import type { Path } from './schema'

const UP: Vec3 = [0, 1, 0]

/** How far along its contour, as it was drawn, what lies so far along the path is. */
export const drawnAt = (
  { reverse, slide }: Pick<Path, 'reverse' | 'slide'>,
  { length }: ArcLength,
  along: number,
): number => (reverse ? length - slide - along : slide + along)

/**
 * Where a copy is placed and which way the path leads there: three numbers each. Aside is to the right of the way, level.
 *
 * @param drawn how far along the contour, as it was drawn
 */
export function spotAt({ aside, lift, reverse }: Path, measure: ArcLength, drawn: number, out: Float64Array): void {
  measure.trace(drawn, out)
  const sense = reverse ? -1 : 1
  const [fx, fy, fz] = [sense * out[3], sense * out[4], sense * out[5]]
  const flat = Math.sqrt(fx * fx + fz * fz)
  const level = flat < 1e-9
  out[0] += aside * (level ? 1 : -fz / flat)
  out[1] += lift
  out[2] += aside * (level ? 0 : fx / flat)
  out[3] = fx
  out[4] = fy
  out[5] = fz
}

/** How a copy is turned where the path leads along (fx, fy, fz); `twist` is a turn about the way, and `top` one that was carried there. */
export function turnAt({ facing }: Path, fx: number, fy: number, fz: number, twist: number, top?: Vec3): Quaternion {
  let turn = UNTURNED
  if (facing === 'upright') {
    // A turn about up whose cosine and sine are those of the level direction, by its half angles.
    const flat = Math.sqrt(fx * fx + fz * fz)
    if (flat >= 1e-9) {
      const cos = fz / flat
      turn = [0, Math.sqrt(Math.max(0, (1 - cos) / 2)) * (fx < 0 ? -1 : 1), 0, Math.sqrt(Math.max(0, (1 + cos) / 2))]
    }
  } else if (facing !== 'unchanged') turn = turnTo([fx, fy, fz], top ?? UP)
  return twist === 0 ? turn : twisted(turn, twist)
}

/**
 * Where tops are carried from, along the contour as it was drawn: the end of the run that was drawn first, whichever way the path
 * leads. Not the first copy: tops would turn with what is left over, which is worked out from how copies are turned.
 */
export const topsBegin = ({ reverse, slide, insetStart, insetEnd }: Path): number =>
  reverse ? insetEnd - slide : slide + insetStart

/** So many steps round a contour carry a top; the error falls with their fourth power. */
const LATTICE = 1024

/** Tops carried with the least twist from one place of a contour on, asked for at any length beyond it. */
export class CarriedTops {
  private readonly known: { readonly top: Vec3; readonly at: ReturnType<ArcLength['at']> }[]
  private readonly step: number

  constructor(
    private readonly measure: ArcLength,
    private readonly from: number,
  ) {
    const at = measure.at(from)
    const up: Vec3 = Math.abs(at.tangent[1]) < 0.999 ? UP : [0, 0, 1]
    const along = up[0] * at.tangent[0] + up[1] * at.tangent[1] + up[2] * at.tangent[2]
    const square = up.map((n, i) => n - along * at.tangent[i]) as Vec3
    const size = Math.hypot(...square)
    this.known = [{ top: square.map((n) => n / size) as Vec3, at }]
    this.step = measure.length / LATTICE
  }

  at(drawn: number): Vec3 {
    const length = this.measure.contour.closed ? drawn : Math.min(drawn, this.measure.length)
    const steps = Math.max(0, Math.floor((length - this.from) / this.step))
    while (this.known.length <= steps) {
      const last = this.known[this.known.length - 1]
      const at = this.measure.at(this.from + this.known.length * this.step)
      this.known.push({ top: carried(last.top, last.at, at), at })
    }
    const { top, at } = this.known[steps]
    return carried(top, at, this.measure.at(length))
  }
}
