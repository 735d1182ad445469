import { clearCopies } from '../clearing/clear'
import { type Convex, convexOf, convexOfBox } from '../clearing/convex'
import { gapsByMesh } from '../parts/meshGaps'
import type { InstanceTable } from '../instances'
import type { LaidOut } from '../layouts/placement'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { PartSource } from '../parts/partMesh'
import { type Support, boxOf } from '../spacing/support'
import type { Sentence } from '../words'
import type { PatternOutcome } from './outcome'
import type { Surroundings } from './surroundings'
import { movedOn, trackOf } from './track'

/** What clearing a pattern rests on. */
interface Known {
  readonly project: Project
  readonly source: PartSource
  readonly surroundings: Surroundings
  readonly supportOf: (thing: number) => Support
}

/** Clears a pattern's copies of each other, as its sentences ask, one after another; what each says goes to the facts. */
export function clearPattern(
  { id, clears, layout, place, edges }: Pattern,
  table: InstanceTable,
  laid: LaidOut,
  stepFacts: Record<string, Sentence>,
  known: Known,
): Pick<PatternOutcome, 'rounds' | 'along'> {
  if (!clears?.length) return {}
  const { project, source, surroundings } = known
  const rounds: Record<string, readonly number[]> = {}
  let along: Float64Array | undefined
  const track = layout.kind === 'path' && clears.some((c) => c.along === 'path') && trackOf(layout, laid, table)
  for (const clear of clears) {
    const out = clearCopies(table, clear, {
      patternId: id,
      shapeOf: (thing) => outlineOf(thing, known),
      clearanceOf: (thing) => project.parts[thing]?.clearance ?? 0,
      others: (other) => {
        const pattern = project.patterns.find((p) => p.id === other && p.id !== id)
        return pattern && surroundings.standingIn(place, pattern)
      },
      ...(layout.kind === 'fill' && { area: { outline: layout.outline, margin: layout.margin } }),
      ...(track && { track: along ? movedOn(track, along) : track }),
      ...(edges === 'mesh' && { gapsIn: gapsByMesh(source) }),
    })
    stepFacts[clear.id] = out.facts
    rounds[clear.id] = out.byRound
    if (out.along) along = along ? along.map((n, k) => n + out.along![k]) : out.along
  }
  return { rounds, ...(along && { along }) }
}

/** The outline by which a thing takes up room; that of a whole pattern is its box. */
export function outlineOf(
  thing: number,
  { project, source, supportOf }: Pick<Known, 'project' | 'source' | 'supportOf'>,
): Convex | undefined {
  const part = project.parts[thing]
  if (part) return convexOf(part, source)
  const { low, high } = boxOf(supportOf(thing))
  return convexOfBox(low, high)
}
