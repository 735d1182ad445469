import { boxAround, middleOf, sizeOfBox } from '../../geometry/box'
import type { InstanceTable } from '../../instances'
import { niceStep } from '../../numbers/niceStep'
import type { Reach, ReachFrom } from '../../values/variation'
import type { Vec3 } from '../../values/values'
import type { LengthUnit } from '../../numbers/units'

/** The box about the pivots of the copies that are there. */
export function boxOfCopies(table: InstanceTable | undefined): { middle: Vec3; size: Vec3 } {
  const box = table && boxAround(table.position.subarray(0, 3 * table.count), (k) => table.isPresent(k))
  return box ? { middle: middleOf(box), size: sizeOfBox(box) } : { middle: [0, 0, 0], size: [0, 0, 0] }
}

/** Where a variation reaches as it starts out: about the middle of the copies, over a third of them. */
export function startReach(
  kind: string,
  table: InstanceTable | undefined,
  before: Reach | undefined,
  unit: LengthUnit,
): Reach {
  const { middle, size } = boxOfCopies(table)
  const third = niceStep(Math.max(...size, 0.03) / 3, unit)
  const sharp = kind === 'rectangle' || kind === 'ellipse'
  const fade = before ?? { full: 0, none: sharp ? 0 : third, easing: 'evenly' as const }
  return { ...fade, from: startFrom(kind, middle, third) }
}

function startFrom(kind: string, middle: Vec3, third: number): ReachFrom {
  const rounded = middle.map((n) => Math.round(n * 1000) / 1000) as Vec3
  if (kind === 'point') return { kind, point: rounded }
  if (kind === 'plane') return { kind, axis: 'across', at: rounded[0] }
  if (kind === 'rectangle' || kind === 'ellipse')
    return { kind: 'outline', outline: { kind, width: third, depth: third }, middle: [rounded[0], rounded[2]] }
  return { kind: 'pattern', pattern: kind.slice('of '.length) }
}
