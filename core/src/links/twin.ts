import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { freeName } from '../names'

/**
 * The id of the twin of a part, added to the project in place where it has none; of a twin that is its original.
 *
 * @param newId makes an id that no one else has
 */
export function twinIn(project: Project, partId: string, newId: () => string): string {
  const known = project.parts.find((p) => p.shape.kind === 'twin' && p.shape.of === partId)
  if (known) return known.id
  const part = project.parts.find((p) => p.id === partId)!
  if (part.shape.kind === 'twin') return part.shape.of
  const twin: Part = {
    id: newId(),
    name: freeName(
      `${part.name.slice(0, 70)} twin`,
      project.parts.map((p) => p.name),
    ),
    shape: { kind: 'twin', of: part.id },
    look: part.look,
  }
  project.parts.push(twin)
  return twin.id
}
