import { type Convex, convexOfBox } from '../clearing/convex'
import type { Project } from '../model/project'
import { convexOf } from '../parts/convex'
import type { PartSource } from '../parts/partMesh'
import { type Support, boxOf } from '../spacing/support'

/** The outline by which a thing takes up room; that of a whole pattern is its box. */
export function outlineOf(
  thing: number,
  {
    project,
    source,
    supportOf,
  }: {
    readonly project: Project
    readonly source: PartSource
    readonly supportOf: (thing: number) => Support
  },
): Convex | undefined {
  const part = project.parts[thing]
  if (part) return convexOf(part, source)
  const { low, high } = boxOf(supportOf(thing))
  return convexOfBox(low, high)
}
