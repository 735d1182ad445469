import type { Convex } from '../clearing/convex'
import type { Track } from '../clearing/pushAlongPath'
import { movedOn } from '../clearing/track'
import { fromTurns } from '../geometry/rotation'
import type { InstanceTable } from '../instances'
import { type LaidOut, definitionOf } from '../layouts/index'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import type { MirrorNoting } from '../mirror/notes'
import { type Pattern, type Place, chancesOf } from '../model/pattern'
import type { Project } from '../model/project'
import { gapsByMesh } from '../parts/meshGaps'
import type { PartSource } from '../parts/partMesh'
import type { StepContext } from '../steps/context'
import type { SettleContext } from '../steps/settle/context'
import { inAxes } from './inAxes'
import type { Surroundings } from './surroundings'

/** What steps are told of the whole project. */
export interface Known {
  readonly project: Project
  readonly source: PartSource
  readonly surroundings: Surroundings
  readonly things: MirrorThings
  readonly restOf: SettleContext['restOf']
  shapeOf(thing: number): Convex | undefined
}

/** What came of one laying out, which its steps go on with. */
export interface Laying {
  readonly laid: LaidOut
  readonly frames: SurfaceFrames
  readonly noting: MirrorNoting
  /** How far copies were taken along their path so far, where a step did. */
  along(): Float64Array | undefined
}

/**
 * What the steps of a pattern may know.
 *
 * @param place where the pattern stands in the world, asked for only by those that need it
 */
export function stepContext(
  known: Known,
  pattern: Omit<Pattern, 'place'>,
  place: () => Place,
  table: InstanceTable,
  laying: Laying,
): StepContext {
  const { project, source, surroundings, restOf } = known
  const { layout } = pattern
  const definition = definitionOf(layout)
  const fields = surroundings.fieldsOf(pattern.id, place)
  let area: ReturnType<NonNullable<typeof definition.area>> | undefined
  const shapeOf = (thing: number): Convex | undefined => known.shapeOf(thing)
  const turn = () => fromTurns(place().turn)
  let laidTrack: Track | undefined
  return {
    id: chancesOf(pattern),
    strength: pattern.strength ?? 1,
    get turn() {
      return turn()
    },
    frames: laying.frames,
    colorOf: (thing) => project.parts[thing]?.look.color ?? '#808080',
    fields,
    reflect: { things: known.things, noting: laying.noting },
    settle: {
      get turn() {
        return turn()
      },
      inWorld: (own) => inAxes(own, place()),
      shapeOf,
      restOf,
    },
    clear: {
      patternId: chancesOf(pattern),
      shapeOf,
      clearanceOf: (thing) => project.parts[thing]?.clearance ?? 0,
      others: (other) => {
        const found = project.patterns.find((p) => p.id === other && p.id !== pattern.id)
        return found && surroundings.standingIn(place(), found)
      },
      // What is kept off takes a while to measure: only clearing asks for it.
      get area() {
        return (area ??= definition.area?.(layout, fields.distanceTo))
      },
      track: () => {
        laidTrack ??= definition.track?.(layout, laying.laid, table)
        const along = laying.along()
        return laidTrack && along ? movedOn(laidTrack, along) : laidTrack
      },
      ...(pattern.edges === 'mesh' && { gapsIn: gapsByMesh(source) }),
    },
  }
}
