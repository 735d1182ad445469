import { Evaluator } from '../src/evaluate'
import { PlaceIndex } from '../src/geometry/placeIndex'
import { rotate } from '../src/geometry/rotation'
import type { Vec3 } from '../src/geometry/vec'
import { inWorld } from '../src/model/inWorld'
import type { Project } from '../src/model/project'
import { type MeshLibrary, partMesh } from '../src/parts/partMesh'

/** Every vertex of every copy that is there, in the world, pattern by pattern. */
export function vertices(project: Project, meshes: MeshLibrary = new Map()): Vec3[] {
  return new Evaluator().evaluate(project, meshes).flatMap(({ id, expanded: table }) => {
    const pattern = project.patterns.find((p) => p.id === id)!
    return Array.from({ length: table.count }, (_, k) => k).flatMap((k) => {
      if (!table.isPresent(k)) return []
      const { positions } = partMesh(project.parts[table.thing[k]], { parts: project.parts, meshes })!
      const { move, turn, size } = inWorld(pattern, table.placingOf(k))
      const mirrored = table.isTwin(k) ? -1 : 1
      return Array.from({ length: positions.length / 3 }, (_, v): Vec3 => {
        const own = rotate(turn, [
          mirrored * positions[3 * v] * size[0],
          positions[3 * v + 1] * size[1],
          positions[3 * v + 2] * size[2],
        ])
        return [own[0] + move[0], own[1] + move[1], own[2] + move[2]]
      })
    })
  })
}

/** How many of some places are no nearer than `apart` to any of others. */
export function astray(places: readonly Vec3[], others: readonly Vec3[], apart: number): number {
  const index = new PlaceIndex(Math.max(0.01, 4 * apart), { expected: others.length })
  for (const p of others) index.add(...p)
  return places.filter((p) => index.find(...p, apart) < 0).length
}
