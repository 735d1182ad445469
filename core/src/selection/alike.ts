import type { Part } from '../model/part'
import { type PartSource, partMesh } from '../parts/partMesh'
import { cloudOf } from '../shapes/cloud'
import { ComparedShape } from '../shapes/match'

/** No vertex is farther off than this, in metres, where two parts are one shape. */
const TOLERANCE = 0.0001

const known = new WeakMap<readonly Part[], Map<number, ReadonlySet<number>>>()

/**
 * The parts that have the shape of one of them, itself among them: moved, turned, sized or mirrored, but the same, as folding finds it.
 * Looked for once for each list of parts. A part that has no mesh as yet is alike only to itself.
 *
 * @param at its number in the list
 * @returns numbers of the list
 */
export function partsAlike(parts: readonly Part[], at: number, source: PartSource): ReadonlySet<number> {
  const found = known.get(parts) ?? new Map<number, ReadonlySet<number>>()
  known.set(parts, found)
  const before = found.get(at)
  if (before) return before
  const own = parts[at] && partMesh(parts[at], source)
  const shape = own && new ComparedShape(cloudOf(own))
  const alike = new Set([at])
  if (shape)
    for (const [i, part] of parts.entries()) {
      const mesh = i === at ? undefined : partMesh(part, source)
      if (mesh && shape.match(cloudOf(mesh), TOLERANCE).kind === 'same') alike.add(i)
    }
  // What has no mesh yet may have one soon.
  if (shape) found.set(at, alike)
  return alike
}
