import { buildCurve } from '../curves/build'
import { arcLengthOf } from '../curves/arcLength'
import { NearestOnCurve } from '../curves/nearest'
import { readPgm } from '../pictures/pgm'
import { inAxes } from './inAxes'
import { type InstanceTable } from '../instances'
import type { PlacedHost } from '../layouts/companion/place'
import type { MirroredTable } from '../layouts/mirror/place'
import { sourcePatterns } from './mirrorSources'
import type { MirrorSource } from '../values/reflection'
import type { Pattern, Place } from '../model/pattern'
import type { Project } from '../model/project'
import type { Vec3 } from '../values/values'
import { type PartSource, pictureKey } from '../parts/partMesh'
import { fromTurns, inverse, rotate } from '../geometry/rotation'
import { areaOf, depthAt } from '../scatter/area'
import { rowsOfSet } from '../selection/sets'
import type { Fields } from '../steps/fields'
import type { Support } from '../spacing/support'
import { brightnessOn } from './colorsOn'
import type { PatternOutcome } from './outcome'

/** What surroundings are made of. */
interface Known {
  readonly project: Project
  readonly source: PartSource
  readonly outcomeOf: (pattern: Pattern) => PatternOutcome
  readonly supportOf: (thing: number) => Support
}

/** What a pattern may ask of the others, brought into its own axes. */
export class Surroundings {
  constructor(private readonly known: Known) {}

  private patternOf(id: string): Pattern | undefined {
    return this.known.project.patterns.find((p) => p.id === id)
  }

  /** A pattern's copies in the axes of another, all of them parts. */
  standingIn(place: Place, pattern: Pattern): InstanceTable {
    return inAxes(this.known.outcomeOf(pattern).expanded, pattern.place, place)
  }

  /** The copies that a mirror mirrors, brought into its axes. */
  mirrored(sources: readonly MirrorSource[], mirror: Pattern): MirroredTable[] {
    return sourcePatterns(sources, this.known.project, mirror.id).flatMap(({ pattern, slots }) => {
      const { problem, table, owner } = this.known.outcomeOf(pattern)
      if (problem) return []
      const here = this.standingIn(mirror.place, pattern)
      if (!slots) return [{ id: pattern.id, name: pattern.name, table: here }]
      const rows = rowsOfSet(table, slots)
      const wanted = owner ? Uint8Array.from({ length: here.count }, (_, k) => rows[owner[k]]) : rows
      return [{ id: pattern.id, name: pattern.name, table: here, wanted }]
    })
  }

  /** Where a copy of another pattern stands; undefined when there is no such copy. */
  copyAt(id: string, slot: string, { move, turn }: Place): Vec3 | undefined {
    const host = this.hostCopies(id)
    const row = host ? host.table.rowOf(slot) : -1
    if (!host || row < 0) return undefined
    const at = rotate(host.turn, [...host.table.position.subarray(3 * row, 3 * row + 3)] as unknown as Vec3)
    return rotate(inverse(fromTurns(turn)), [0, 1, 2].map((i) => at[i] + host.move[i] - move[i]) as Vec3)
  }

  /** The copies that a companion goes with. */
  hostCopies(id: string): PlacedHost | undefined {
    const host = this.patternOf(id)
    if (!host) return undefined
    return {
      name: host.name,
      table: this.known.outcomeOf(host).expanded,
      move: host.place.move,
      turn: fromTurns(host.place.turn),
      supportOf: this.known.supportOf,
      pointOf: (thing, name) => this.known.project.parts[thing]?.points?.find((p) => p.name === name)?.at,
    }
  }

  /** What the steps of a pattern may ask about the places around it. */
  fieldsOf({ id, place }: Pattern): Fields {
    const { source } = this.known
    return {
      distanceTo: (other) => {
        const pattern = other === id ? undefined : this.patternOf(other)
        const distance = pattern && distanceInside(pattern)
        if (!pattern || !distance) return undefined
        const there = betweenAxes(place, pattern.place)
        return (at) => distance(there(at))
      },
      brightnessOf: (file) => {
        const bytes = source.meshes.get(pictureKey(file))?.pictures?.[0].bytes
        const read = bytes && readPgm(bytes, file)
        return read?.ok ? read.value : undefined
      },
      colorsOn: (other) => {
        const pattern = other === id ? undefined : this.patternOf(other)
        return pattern && brightnessOn(this.standingIn(place, pattern), source)
      },
    }
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

/** The distance from a pattern's guide, or from the outline that it fills, in its own axes. */
function distanceInside({ layout }: Pattern): ((at: Vec3) => number) | undefined {
  if (layout.kind === 'fill') {
    const area = areaOf(layout.outline)
    return ([x, , z]) => Math.max(0, -depthAt(area, x, z))
  }
  if (layout.kind !== 'path') return undefined
  const built = buildCurve(layout.curve)
  if (!built.ok) return undefined
  const contours = built.value.map((contour) => new NearestOnCurve(arcLengthOf(contour)))
  return (at) => contours.reduce((least, contour) => Math.min(least, contour.to(at).distance), Infinity)
}
