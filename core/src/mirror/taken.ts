import { Flag, type InstanceTable } from '../instances'
import { type Quaternion, compose, inverse, rotate } from '../geometry/rotation'
import { mix } from '../slots'
import type { MirrorThings } from './hands'

/** Copies nearer than this stand in one place, in metres. */
const SAME_PLACE = 1e-6
const CELL = 4 * SAME_PLACE

/** Where copies stand, to tell which images would coincide with one that is already there. */
export class Taken {
  private readonly cells = new Map<
    number,
    { table: InstanceTable; row: number; at: readonly number[]; surface: string }[]
  >()

  constructor(private readonly things: Pick<MirrorThings, 'middleOf' | 'turnsOntoItself'>) {}

  /** @param surface what tells its surface from others: the number of its frame, where all tables share their frames */
  add(table: InstanceTable, row: number, surface = `${table.surface[row]}`): void {
    const at = this.middle(table, row)
    const key = keyOf(at, 0, 0, 0)
    const cell = this.cells.get(key)
    if (cell) cell.push({ table, row, at, surface })
    else this.cells.set(key, [{ table, row, at, surface }])
  }

  /** Whether a copy of the same thing stands there whose surface is the same. */
  has(table: InstanceTable, row: number, surface = `${table.surface[row]}`): boolean {
    const at = this.middle(table, row)
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (let k = -1; k <= 1; k++)
          for (const other of this.cells.get(keyOf(at, i, j, k)) ?? [])
            if (
              other.surface === surface &&
              Math.hypot(other.at[0] - at[0], other.at[1] - at[1], other.at[2] - at[2]) <= SAME_PLACE &&
              this.coincide(other.table, other.row, table, row)
            )
              return true
    return false
  }

  /** The middle of the shape: two copies that coincide may have their pivots apart. */
  private middle(table: InstanceTable, row: number): number[] {
    const { position: p, scale: s, thing } = table
    const [x, y, z] = this.things.middleOf(thing[row])
    const own = table.isTwin(row) ? -x : x
    const turned = rotate(table.turnOf(row), [own * s[3 * row], y * s[3 * row + 1], z * s[3 * row + 2]])
    return turned.map((n, i) => n + p[3 * row + i])
  }

  private coincide(a: InstanceTable, i: number, b: InstanceTable, j: number): boolean {
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

function keyOf(at: readonly number[], i: number, j: number, k: number): number {
  const h = mix(Math.floor(at[0] / CELL + 0.5) + i)
  return mix(mix(h ^ (Math.floor(at[1] / CELL + 0.5) + j)) ^ (Math.floor(at[2] / CELL + 0.5) + k))
}
