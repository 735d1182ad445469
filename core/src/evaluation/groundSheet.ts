import { fromTurns, inverse, rotate } from '../geometry/rotation'
import { surfaceOf } from '../grounds/index'
import type { GroundSheet } from '../layouts/context'
import type { Place } from '../model/pattern'
import type { Project } from '../model/project'
import type { PartSource } from '../parts/partMesh'
import type { Vec3 } from '../values/values'
import { groundSourceOf } from './resting'

/** The triangles of a ground in the axes of a pattern; undefined where there is no such ground, or its mesh has not been read. */
export function groundSheet(
  { grounds }: Pick<Project, 'grounds'>,
  id: string,
  source: PartSource,
  place: Place,
): GroundSheet | undefined {
  const ground = grounds.find((g) => g.id === id)
  const surface = ground && surfaceOf(ground.shape, groundSourceOf(source))
  if (!ground || !surface) return undefined
  const { positions, indices } = surface.mesh()
  const out = fromTurns([0, ground.turn, 0])
  const back = inverse(fromTurns(place.turn))
  const toPattern = (at: Readonly<Vec3>): Vec3 => {
    const world = rotate(out, at)
    return rotate(back, world.map((n, i) => n + ground.move[i] - place.move[i]) as Vec3)
  }
  const corners = new Float64Array(3 * indices.length)
  for (const [i, v] of indices.entries())
    corners.set(toPattern([positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]]), 3 * i)
  // Of a pattern that stands straight heights are heights; in a leaning one places stay on the triangles.
  const isStraight = place.turn[0] === 0 && place.turn[2] === 0
  const [there, turn] = [inverse(out), fromTurns(place.turn)]
  const found = new Float64Array(4)
  return {
    name: ground.name,
    corners,
    up: rotate(back, [0, 1, 0]),
    heightAt(x, y, z) {
      if (!isStraight || surface.bend === 0) return y
      const world = rotate(turn, [x, y, z])
      const own = rotate(there, world.map((n, i) => n + place.move[i] - ground.move[i]) as Vec3)
      return surface.at(own[0], own[2], found) ? found[0] + ground.move[1] - place.move[1] : y
    },
  }
}
