import { fromTurns, inverse, rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { definitionOf } from '../layouts/index'
import type { Place } from '../model/pattern'
import type { Project } from '../model/project'

/**
 * How far places in a pattern's axes are from the guide or the outline of another one, below 0 within an outline.
 *
 * @param place where the pattern stands in the world, asked for only where the other has a guide or an outline
 * @returns what tells it of another pattern by its id; undefined for itself, and for one that has neither
 */
export function guideDistances(
  project: Project,
  id: string,
  place: () => Place,
): (other: string) => ((at: Readonly<Vec3>) => number) | undefined {
  return (other) => {
    const pattern = other === id ? undefined : project.patterns.find((p) => p.id === other)
    const distance = pattern && definitionOf(pattern.layout).distance?.(pattern.layout)
    if (!pattern || !distance) return undefined
    const there = betweenAxes(place(), pattern.place)
    return (at) => distance(there(at))
  }
}

/** How a place in the axes of one pattern reads in those of another. */
function betweenAxes(from: Place, to: Place): (at: Readonly<Vec3>) => Vec3 {
  const [out, back] = [fromTurns(from.turn), inverse(fromTurns(to.turn))]
  return (at) => {
    const world = rotate(out, [...at])
    return rotate(back, world.map((n, i) => n + from.move[i] - to.move[i]) as Vec3)
  }
}
