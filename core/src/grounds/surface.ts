import type { Mesh } from '../geometry/mesh'

/** A rectangle seen from above, in metres. */
export interface Level {
  readonly lowX: number
  readonly highX: number
  readonly lowZ: number
  readonly highZ: number
}

/** A surface on which things settle, in axes of its own in which up is up. Metres. */
export interface Surface {
  /**
   * The topmost place straight above or below one, and how the surface looks there.
   *
   * @param out height, then the unit normal, which looks upward
   * @returns whether there is one; nothing is written where there is none
   */
  at(x: number, z: number, out: Float64Array): boolean
  /**
   * Triangles that lie over a rectangle, those that only reach into it too. Of a surface that bends they have their corners on it.
   *
   * @param visit three corners, nine numbers, valid until the next
   */
  triangles(over: Level, visit: (corners: Float64Array) => void): void
  /** The most by which its slope changes from one metre to the next; 0 where triangles are what it is. Per metre. */
  readonly bend: number
  /** The rectangle in which all of it lies. */
  readonly extent: Level
  /** As it is drawn and exported. */
  mesh(): Mesh
}

/** Height and normal, as `at` writes them. */
export const newPlace = (): Float64Array => new Float64Array(4)

/** What lies in both; undefined where nothing does. */
export function bothLevels(a: Level, b: Level): Level | undefined {
  const [lowX, highX] = [Math.max(a.lowX, b.lowX), Math.min(a.highX, b.highX)]
  const [lowZ, highZ] = [Math.max(a.lowZ, b.lowZ), Math.min(a.highZ, b.highZ)]
  return lowX <= highX && lowZ <= highZ ? { lowX, highX, lowZ, highZ } : undefined
}

export const ENDLESS: Level = { lowX: -Infinity, highX: Infinity, lowZ: -Infinity, highZ: Infinity }
