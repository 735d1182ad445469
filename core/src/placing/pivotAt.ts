import { inverse, rotate } from '../geometry/rotation'
import { type Vec3, minus } from '../geometry/vec'
import type { Placing } from '../instances'
import type { PartFrame } from '../model/part'
import { unframed } from '../parts/surface'

/**
 * Which pivot a part would have at a place that was pointed at on one of its copies.
 *
 * @param at the place, in the axes in which the copy stands, in metres
 * @param copy where the copy's present pivot stands, turned and sized
 * @param isTwin whether the copy is the part's mirror image
 * @param frame the part's present frame
 * @returns the place in the axes in which the part's shape was made, in metres
 */
export function pivotAt(at: Readonly<Vec3>, copy: Placing, isTwin: boolean, frame: PartFrame | undefined): Vec3 {
  const [x, y, z] = rotate(inverse(copy.turn), minus(at, copy.move)).map((n, i) => n / copy.size[i])
  return unframed([isTwin ? -x : x, y, z], frame)
}
