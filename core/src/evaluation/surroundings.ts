import { guideDistances } from './guides'
import type { Fields } from '../steps/fields'
import { hashName } from '../random'
import { imageSlot } from '../slots'
import { movedBy } from './movedHosts'
import { rowsOfSet } from '../selection/sets'
import type { SurfaceFrames } from '../mirror/frames'
import type { Support } from '../spacing/support'
import { pictureIn } from '../parts/pictureIn'
import { inAxes } from './inAxes'
import { type InstanceTable } from '../instances'
import type { PlacedHost } from '../layouts/context'
import type { MirroredTable } from '../layouts/context'
import { takesBoth, moversOf, sourcePatterns, sourcesOf } from './mirrorSources'
import type { MirrorSource } from '../values/reflection'
import { type Pattern, type Place, chancesOf } from '../model/pattern'
import type { Project } from '../model/project'
import type { Vec3 } from '../values/values'
import type { PartSource } from '../parts/partMesh'
import { fromTurns, inverse, rotate } from '../geometry/rotation'
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

  /** The copies that a mirror mirrors, brought into its axes, their surfaces into its frames. */
  mirrored(
    sources: readonly MirrorSource[],
    mirror: Pick<Pattern, 'id' | 'place'>,
    surfaces: SurfaceFrames,
  ): MirroredTable[] {
    return sourcePatterns(sources, this.known.project, mirror.id).flatMap(({ pattern, slots, imagesAs }) => {
      const { problem, table, copies, owner, frames } = this.known.outcomeOf(pattern)
      if (problem) return []
      const here = surfaces.adopted(this.standingIn(mirror.place, pattern), frames)
      // Assemblies in a pattern that is repeated are counted piece by piece: whose piece a row is is not known there.
      const pieces = owner && copies === table ? { pieceOf: owner } : undefined
      const source = { imagesAs, name: pattern.name, table: here, ...pieces }
      if (!slots) return [source]
      const rows = rowsOfSet(table, slots)
      return [{ ...source, wanted: owner ? Uint8Array.from({ length: here.count }, (_, k) => rows[owner[k]]) : rows }]
    })
  }

  /** Where a copy of another pattern stands; undefined when there is no such copy. */
  copyAt(id: string, slot: string, { move, turn }: Place): Vec3 | undefined {
    const host = this.patternOf(id)
    if (!host) return undefined
    const { copies } = this.known.outcomeOf(host)
    const row = copies.rowOf(slot)
    if (row < 0) return undefined
    const at = rotate(fromTurns(host.place.turn), copies.moveOf(row))
    return rotate(inverse(fromTurns(turn)), at.map((n, i) => n + host.place.move[i] - move[i]) as Vec3)
  }

  /** The copies that a companion goes with: those that are present, and those that mirrors have moved as they stand there. */
  hostCopies(id: string, follower: string): PlacedHost | undefined {
    const host = this.patternOf(id)
    if (!host) return undefined
    const { project, outcomeOf } = this.known
    const { copies: table } = outcomeOf(host)
    const movers = moversOf(id, project, follower).map((mover) => {
      const { imagesAs } = sourcesOf(mover, project).find((s) => s.pattern.id === id)!
      return movedBy(mover, outcomeOf(mover), { ...host, imagesAs }, table)
    })
    // A mirror that takes both along moves the companion itself.
    const together = takesBoth(project, id, follower)
    const own = { move: host.place.move, turn: fromTurns(host.place.turn) }
    const name = hashName(chancesOf(this.patternOf(follower) ?? { id: follower }))
    const copies: PlacedHost['copies'][number][] = []
    for (let row = 0; row < table.count; row++) {
      if (!table.isMirrored(row)) continue
      const here = table.isPresent(row) || together ? [{ table, row, ...own }] : []
      const stands = table.isPresent(row) ? here : [...here, ...movers.flatMap((at) => at(row) ?? [])]
      const [low, high] = [table.slotLow[row], table.slotHigh[row]]
      for (const [i, there] of stands.entries()) {
        // Of a host that stands in several places the first keeps the slot.
        const [slotLow, slotHigh] = i === 0 ? [low, high] : imageSlot(low, high, i, name)
        copies.push({ ...there, slotLow, slotHigh })
      }
    }
    return {
      name: host.name,
      copies,
      supportOf: this.known.supportOf,
      pointOf: (thing, name) => project.parts[thing]?.points?.find((p) => p.name === name)?.at,
    }
  }

  /** What the steps of a pattern may ask about the places around it. */
  fieldsOf(id: string, place: () => Place): Fields {
    const { source } = this.known
    return {
      distanceTo: guideDistances(this.known.project, id, place),
      brightnessOf: (file) => pictureIn(source, file),
      colorsOn: (other) => {
        const pattern = other === id ? undefined : this.patternOf(other)
        return pattern && brightnessOn(this.standingIn(place(), pattern), source)
      },
    }
  }
}
