import { edgeCurve } from '../curves/edges'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Curve } from '../values/curve'
import { type MeshLibrary, partMesh } from './partMesh'

type Holder = Pattern | Part

/** The curve that a pattern is laid out along, or that a part's solid follows. */
export function curveOf(holder: Holder): Curve | undefined {
  const own: object = 'layout' in holder ? holder.layout : holder.shape
  return 'curve' in own ? (own.curve as Curve) : undefined
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
      const mesh = partMesh(part, { parts, meshes })
      const made = mesh && edgeCurve(mesh, part, curve.from.which)
      return made?.ok && JSON.stringify(made.value) !== JSON.stringify(curve) ? [{ of, at, curve: made.value }] : []
    }
  return [...patterns.flatMap(followed('patterns')), ...parts.flatMap(followed('parts'))]
}
