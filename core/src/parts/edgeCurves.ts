import { edgeCurve } from '../curves/edges'
import type { Part, PartFrame } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { ChosenEdges, Curve } from '../values/curve'
import type { Result } from '../words'
import { type MeshLibrary, type PartSource, partMesh } from './partMesh'

type Holder = Pattern | Part

/** The curve that a pattern is laid out along, or that a part's solid follows. */
export function curveOf(holder: Holder): Curve | undefined {
  const own: object = 'layout' in holder ? holder.layout : holder.shape
  return 'curve' in own ? (own.curve as Curve) : undefined
}

/**
 * The curve along the edges of a part, in the axes of a copy of it.
 *
 * @param how which of them, sized how, and how the part stood when they were first taken: where its pivot moves, or it comes to lie on
 *   another side, what is placed along its edges stays
 * @returns undefined while its file has not been read
 */
export function curveAlong(
  part: Part,
  { which, frame }: { readonly which?: ChosenEdges | undefined; readonly frame?: PartFrame | undefined },
  source: PartSource,
): Result<Curve> | undefined {
  const { frame: _, ...own } = part
  const stood: Part = { ...own, ...(frame && { frame }) }
  const mesh = partMesh(stood, source)
  return mesh && edgeCurve(mesh, stood, which)
}

/** What has a curve along the edges of a part, with the curve as the part's edges are now. */
export interface Followed {
  readonly of: 'patterns' | 'parts'
  readonly at: number
  readonly curve: Curve
}

/**
 * The curves along edges of parts that are not what they were, as those edges run now. Where a part has no such edges any more, its
 * curves stay as they were.
 *
 * @param before the project before a change
 * @returns what differs; a curve of a part that others follow in turn is told in the next call
 */
export function followedEdges(project: Project, before: Project, meshes: MeshLibrary): Followed[] {
  const { parts, patterns } = project
  if (parts === before.parts) return []
  const was = new Map(before.parts.map((p) => [p.id, p]))
  const now = new Map(parts.map((p) => [p.id, p]))
  const followed =
    (of: Followed['of']) =>
    (holder: Holder, at: number): Followed[] => {
      const curve = curveOf(holder)
      if (curve?.kind !== 'bezier' || curve.from.kind !== 'edges') return []
      const part = curve.from.of === undefined ? undefined : now.get(curve.from.of)
      if (!part || part === holder || part === was.get(part.id)) return []
      const made = curveAlong(part, curve.from, { parts, meshes })
      return made?.ok && JSON.stringify(made.value) !== JSON.stringify(curve) ? [{ of, at, curve: made.value }] : []
    }
  return [...patterns.flatMap(followed('patterns')), ...parts.flatMap(followed('parts'))]
}
