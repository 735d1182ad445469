import { Flag, type InstanceTable } from '../instances'
import { type Quaternion, compose, inverse, rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { PlaceIndex } from '../geometry/placeIndex'
import type { MirrorThings } from './hands'

/** Copies nearer than this stand in one place, in metres. */
const SAME_PLACE = 1e-6

/** Where copies stand, to tell which images would coincide with one that is already there. */
export class Taken {
  private readonly places = new PlaceIndex(4 * SAME_PLACE)
  private readonly copies: { readonly table: InstanceTable; readonly row: number; readonly surface: string }[] = []

  constructor(private readonly things: Pick<MirrorThings, 'middleOf' | 'turnsOntoItself'>) {}

  /** @param surface what tells its surface from others: the number of its frame, where all tables share their frames */
  add(table: InstanceTable, row: number, surface = `${table.surface[row]}`): void {
    this.places.add(...this.middle(table, row))
    this.copies.push({ table, row, surface })
  }

  /** Whether a copy of the same thing stands there whose surface is the same. */
  has(table: InstanceTable, row: number, surface = `${table.surface[row]}`): boolean {
    const same = (n: number): boolean => {
      const other = this.copies[n]
      return other.surface === surface && this.isAlike(other.table, other.row, table, row)
    }
    return this.places.find(...this.middle(table, row), SAME_PLACE, same) >= 0
  }

  /** The middle of the shape: two copies that coincide may have their pivots apart. */
  private middle(table: InstanceTable, row: number): Vec3 {
    const { position: p, scale: s, thing } = table
    const [x, y, z] = this.things.middleOf(thing[row])
    const own = table.isTwin(row) ? -x : x
    const turned = rotate(table.turnOf(row), [own * s[3 * row], y * s[3 * row + 1], z * s[3 * row + 2]])
    return [turned[0] + p[3 * row], turned[1] + p[3 * row + 1], turned[2] + p[3 * row + 2]]
  }

  /** Whether two copies are of one thing and stand in one place, by their shapes alone. */
  coincide(a: InstanceTable, i: number, b: InstanceTable, j: number): boolean {
    if (a.thing[i] !== b.thing[j]) return false
    const [one, other] = [this.middle(a, i), this.middle(b, j)]
    const apart = Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2])
    return apart <= SAME_PLACE && this.isAlike(a, i, b, j)
  }

  private isAlike(a: InstanceTable, i: number, b: InstanceTable, j: number): boolean {
    if (a.thing[i] !== b.thing[j] || ((a.flags[i] ^ b.flags[j]) & Flag.twin) !== 0) return false
    const size = Math.max(a.scale[3 * i], a.scale[3 * i + 1], a.scale[3 * i + 2])
    let even = true
    for (let k = 0; k < 3; k++) {
      if (Math.abs(a.scale[3 * i + k] - b.scale[3 * j + k]) > 1e-9 * size) return false
      even &&= a.scale[3 * i + k] === a.scale[3 * i]
    }
    const between = compose(inverse(a.turnOf(i)), b.turnOf(j))
    if (Math.abs(between[3]) > 1 - 1e-12) return true
    // A twin has the part's symmetries seen in a mirror.
    const seen: Quaternion = a.isTwin(i) ? [between[0], -between[1], -between[2], between[3]] : between
    return even && a.surface[i] === 0 && this.things.turnsOntoItself(a.thing[i], seen)
  }
}

/** Whether a copy stands where others could coincide with it. */
export const standsThere = (table: InstanceTable, row: number): boolean => table.isPresent(row)
