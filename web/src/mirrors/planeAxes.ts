import type { Vec3 } from '@hilera/core/values/values'
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { useDocument } from '../stores/document'

/** Places and directions of the world in the axes of a pattern, in which its mirror planes stand. */
export function usePlaneAxes(patternId: () => string) {
  const document = useDocument()
  const placeOf = () => document.project.patterns.find((p) => p.id === patternId())?.place
  const whole = (n: number): number => Math.round(n * 1e9) / 1e9 + 0

  function place(world: Readonly<Vec3>): Vec3 {
    const own = placeOf()
    if (!own) return [...world]
    const from = world.map((n, i) => n - own.move[i]) as Vec3
    return rotate(inverse(fromTurns(own.turn)), from).map(whole) as Vec3
  }
  function direction(world: Readonly<Vec3>): Vec3 {
    const own = placeOf()
    return (own ? rotate(inverse(fromTurns(own.turn)), world) : [...world]).map(whole) as Vec3
  }
  return { place, direction }
}
