import { type Isometry, acrossTurn, afterEach, placedBy, reflectionIn } from '../geometry/isometry'
import { type Quaternion, compose, fromTurns } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { Flag, type InstanceTable } from '../instances'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import { hashName } from '../random'
import { imageSlot } from '../slots'
import { inAxes } from './inAxes'
import type { PatternOutcome } from './outcome'

/** Where a copy stands that a mirror has moved, and what brings it into the world. */
interface There {
  readonly table: InstanceTable
  readonly row: number
  readonly move: Vec3
  readonly turn: Quaternion
}

/**
 * Where the copies of a pattern stand across a mirror that moved them: at their images, with what was done to those by hand.
 * An assembly has an image for each of its parts; as a whole it stands where the planes put it.
 *
 * @returns undefined for a copy that the mirror does not have, or whose image is not present
 */
export function movedBy(
  mirror: Pattern,
  outcome: PatternOutcome,
  host: Pick<Pattern, 'place'> & { readonly imagesAs: string },
  copies: InstanceTable,
): (row: number) => There | undefined {
  const { move } = mirror.place
  const turn = fromTurns(mirror.place.turn)
  const { table } = outcome
  const name = hashName(host.imagesAs)
  let across: InstanceTable | undefined
  return (row) => {
    const [low, high] = imageSlot(copies.slotLow[row], copies.slotHigh[row], 0, name)
    const image = table.rowOfSlot(low, high)
    if (image >= 0) return table.isPresent(image) ? { table, row: image, move, turn } : undefined
    if (outcome.problem) return undefined
    across ??= acrossPlanes(mirror, outcome, host, copies)
    return { table: across, row, move, turn }
  }
}

/** The copies as the planes of a mirror leave them, in its axes: each in the other hand, as in the mirror. */
function acrossPlanes(
  { layout, place }: Pattern,
  { mirrors }: PatternOutcome,
  host: Pick<Pattern, 'place'>,
  copies: InstanceTable,
): InstanceTable {
  const table = inAxes(copies, host.place, place)
  const planes = (mirrors?.planes ?? []).filter(({ step }) => step === undefined).map(reflectionIn)
  if (planes.length === 0) return table
  const image: Isometry = planes.reduce((before, next) => afterEach(next, before))
  const what = definitionOf(layout).reflection?.(layout).what ?? 'both'
  for (let k = 0; k < table.count; k++) {
    if (what !== 'turn') table.setMove(k, placedBy(image, table.moveOf(k)))
    if (what === 'place') continue
    const own = table.turnOf(k)
    table.setTurn(k, compose(image.turn, image.mirrored ? acrossTurn(own) : own))
    if (image.mirrored) table.flags[k] ^= Flag.twin
  }
  return table
}
