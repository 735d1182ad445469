import { arcLengthOf } from '../curves/arcLength'
import { buildCurve } from '../curves/build'
import { NearestOnCurve } from '../curves/nearest'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Placeable, Worked } from './body'

/**
 * The true length of the path between two copies that stand along it, from the place on it that is nearest to the one's pivot to
 * that of the other; round a closed path the shorter way. Undefined for copies of unlike patterns, of one that lies on no curve,
 * and of unlike pieces of a curve.
 *
 * @returns metres, to a millionth of the path
 */
export function alongPath({ project, outcomes }: Worked, a: Placeable, b: Placeable): number | undefined {
  if (a.is !== 'copy' || b.is !== 'copy' || a.pattern !== b.pattern) return undefined
  const pattern: Pattern | undefined = project.patterns.find((p) => p.id === a.pattern)
  const table = outcomes.find((o) => o.id === a.pattern)?.table
  const curve = pattern && definitionOf(pattern.layout).guide?.(pattern.layout)
  const built = curve && buildCurve(curve)
  if (!table || !built?.ok) return undefined
  const [from, to] = [a, b].map(({ slot }) => {
    const row = table.rowOf(slot)
    if (row < 0) return undefined
    const pivot = table.placingOf(row).move
    return built.value
      .map((contour) => ({ contour, ...new NearestOnCurve(arcLengthOf(contour)).to(pivot) }))
      .reduce((best, one) => (one.distance < best.distance ? one : best))
  })
  if (!from || !to || from.contour !== to.contour) return undefined
  const length = Math.abs(from.length - to.length)
  const round = arcLengthOf(from.contour).length
  return from.contour.closed ? Math.min(length, round - length) : length
}
