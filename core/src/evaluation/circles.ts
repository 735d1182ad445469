import { type Part, circleOfParts } from '../model/part'

const circles = new WeakMap<readonly Part[], readonly string[]>()
/** The parts that contain each other in a circle, by their names; none where there is no circle. Looked for once for each list of parts: most changes leave them alone. */
export function circleIn(parts: readonly Part[]): readonly string[] {
  const known = circles.get(parts) ?? circleOfParts(parts) ?? []
  circles.set(parts, known)
  return known
}
