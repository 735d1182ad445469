import type { Track } from '../clearing/pushAlongPath'
import { type Quaternion, UNTURNED, compose, inverse, rotate } from '../geometry/rotation'
import { type Vec3, minus, plus } from '../geometry/vec'
import type { InstanceTable } from '../instances'

/** The copies of one pattern that a movement moves; where several patterns have it together, there is one for each of them. */
export interface Cast {
  /** The pattern's own copies as they stand at last. */
  readonly table: InstanceTable
  /** Under which the pattern's chances are drawn. */
  readonly name: string
  /** The rows to which it keeps, 1 for each; all where it is absent. */
  readonly only?: Uint8Array | undefined
  /** The path along which they stand, where they stand on one. */
  track(): Track | undefined
  /** How the pattern's axes stand in those in which the movement is said; absent where it is said in the pattern's own. */
  readonly axes?: { readonly move: Vec3; readonly turn: Quaternion }
}

/** Whether a copy has a part in a movement: one that is there, or that a mirror has moved across, for its image moves then. */
export const takesPart = ({ table, only }: Cast, row: number): boolean =>
  table.isMirrored(row) && (only === undefined || only[row] === 1)

/** A place of a pattern, in the axes in which the movement is said. */
export const placeThere = ({ axes }: Cast, own: Readonly<Vec3>): Vec3 =>
  axes ? plus(axes.move, rotate(axes.turn, own)) : [...own]

/** A place in which the movement is said, in the pattern's own axes. */
export const placeOwn = ({ axes }: Cast, there: Readonly<Vec3>): Vec3 =>
  axes ? rotate(inverse(axes.turn), minus(there, axes.move)) : [...there]

/** A way in which the movement is said, in the pattern's own axes. */
export const wayOwn = ({ axes }: Cast, there: Readonly<Vec3>): Vec3 =>
  axes ? rotate(inverse(axes.turn), there) : [...there]

/** A turn in which the movement is said, in the pattern's own axes. */
export const turnOwn = ({ axes }: Cast, there: Quaternion): Quaternion =>
  axes && there !== UNTURNED ? compose(compose(inverse(axes.turn), there), axes.turn) : there
