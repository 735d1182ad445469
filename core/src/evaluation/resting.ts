import { StandingSurface } from '../contact/standing'
import { IDENTITY, composed } from '../geometry/matrix'
import type { GroundSource } from '../grounds/definition'
import { groundDefinitionOf, surfaceOf } from '../grounds/index'
import { type PlacedMesh, meshSurface } from '../contact/meshSurface'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { groundsNamed } from '../model/references'
import { type PartSource, partMesh, restsOn } from '../parts/partMesh'
import { pictureIn } from '../parts/pictureIn'
import type { SettleContext } from '../steps/settle/context'
import { inAxes } from './inAxes'
import type { PatternOutcome } from './outcome'

/** What grounds rest on, from what a project rests on. */
export const groundSourceOf = (source: PartSource): GroundSource => ({
  partSurface(id) {
    const part = source.parts.find((p) => p.id === id)
    const mesh = part && partMesh(part, source)
    return mesh && meshSurface([{ mesh, matrix: IDENTITY }], () => mesh)
  },
  partRests(id) {
    const part = source.parts.find((p) => p.id === id)
    return part ? [part, ...restsOn(part, source)] : []
  },
  pictureOf: (file) => pictureIn(source, file),
})

interface Known {
  readonly project: Project
  readonly source: PartSource
  readonly outcomeOf: (pattern: Pattern) => PatternOutcome
}

/** What copies settle on, as it stands in the world. */
export function restsIn({ project, source, outcomeOf }: Known): SettleContext['restOf'] {
  const grounds = groundSourceOf(source)
  const known = new Map<string, ReturnType<SettleContext['restOf']>>()
  const find: SettleContext['restOf'] = (rest) => {
    if (rest.kind === 'ground') {
      const ground = project.grounds.find((g) => g.id === rest.ground)
      const surface = ground && surfaceOf(ground.shape, grounds)
      return surface && { name: ground.name, surface: new StandingSurface(surface, ground.move, ground.turn) }
    }
    const pattern = project.patterns.find((p) => p.id === rest.pattern)
    if (!pattern) return undefined
    const placed = placedMeshes(inAxes(outcomeOf(pattern).expanded, pattern.place), source)
    const nothing = {
      positions: new Float32Array(),
      normals: new Float32Array(),
      indices: new Uint32Array(),
      sections: [],
    }
    return { name: pattern.name, surface: new StandingSurface(meshSurface(placed, () => nothing)) }
  }
  return (rest) => {
    const key = rest.kind === 'ground' ? rest.ground : rest.pattern
    if (!known.has(key)) known.set(key, find(rest))
    return known.get(key)
  }
}

function placedMeshes(table: InstanceTable, source: PartSource): PlacedMesh[] {
  const placed: PlacedMesh[] = []
  for (let k = 0; k < table.count; k++) {
    const part = source.parts[table.thing[k]]
    const mesh = table.isPresent(k) && part ? partMesh(part, source) : undefined
    // A light gives no support, and what only stands for something neither.
    if (!mesh || part.shape.kind === 'light' || part.shape.kind === 'placeholder') continue
    const [x, y, z] = table.sizeOf(k)
    placed.push({ mesh, matrix: composed(table.moveOf(k), table.turnOf(k), [table.isTwin(k) ? -x : x, y, z]) })
  }
  return placed
}

/** The grounds on which a pattern settles, with all by which their surfaces would change. */
export function groundsUnder(pattern: Pattern, { grounds }: Project, source: PartSource): unknown[] {
  const from = groundSourceOf(source)
  return [...groundsNamed(pattern)].flatMap((id) => {
    const ground = grounds.find((g) => g.id === id)
    return ground ? [ground, ...(groundDefinitionOf(ground.shape).rests?.(ground.shape, from) ?? [])] : [undefined]
  })
}
