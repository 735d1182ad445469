import type { InstanceTable } from '../instances'
import { MAX_COPIES } from '../limits'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import type { MirrorNoting } from '../mirror/notes'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { assemblyTable } from '../parts/assembly'
import { isAssembly } from '../parts/support'
import { type Result, done } from '../words'
import { InnerImages } from './innerImages'
import { expand } from './nesting'
import type { PatternOutcome } from './outcome'

/** The copies of a pattern as another repeats them, their frames with them. */
type Inner = Pick<PatternOutcome, 'copies' | 'expanded' | 'frames'>

/** What patterns and assemblies are repeated by others as, each worked out once. */
export class Repeating {
  private readonly repeated = new Map<string, Inner>()
  private readonly assemblies = new Map<number, Result<InstanceTable>>()

  constructor(
    private readonly about: {
      readonly project: Project
      readonly mirrorThings: MirrorThings
      readonly outcomeOf: (pattern: Pattern) => PatternOutcome
      readonly thingOf: (id: string) => number
    },
  ) {}

  /**
   * The copies of a pattern with what they repeat put in their places: each a part, assemblies whole; and each a part in one piece.
   * The same table where nothing is repeated.
   */
  expanded(
    pattern: Pattern,
    table: InstanceTable,
    frames: SurfaceFrames,
    noting: MirrorNoting,
  ): Result<Pick<PatternOutcome, 'copies' | 'copyOwner' | 'expanded' | 'owner'>> {
    const { project, mirrorThings, outcomeOf } = this.about
    const { parts } = project
    const patternAt = (thing: number): Pattern => project.patterns[thing - parts.length]
    const held = table.things()
    const patterns = held.some((thing) => !parts[thing])
    const nested = patterns || held.some((thing) => parts[thing] && isAssembly(parts[thing]))
    if (!nested) return done({ copies: table, expanded: table })
    const images = new InnerImages(pattern, mirrorThings, frames, noting)
    const taken = new Map<InstanceTable, InstanceTable>()
    /** What is inside with its surfaces named by this pattern's frames. */
    const adopted = (inner: InstanceTable, own: Inner['frames']): InstanceTable => {
      const known = taken.get(inner) ?? frames.adopted(inner, own)
      taken.set(inner, known)
      return known
    }
    const inside = (which: 'copies' | 'expanded') => (thing: number) => {
      if (parts[thing]) return which === 'expanded' ? this.membersOf(thing) : undefined
      const inner = this.of(patternAt(thing))
      return inner.ok ? done(adopted(inner.value[which], inner.value.frames)) : inner
    }
    const whole = expand(table, inside('expanded'), MAX_COPIES, images)
    if (!whole.ok) return whole
    const inPieces = held.some((thing) => {
      if (parts[thing]) return isAssembly(parts[thing])
      const { copies, expanded } = outcomeOf(patternAt(thing))
      return copies !== expanded
    })
    const copies = inPieces ? (patterns ? expand(table, inside('copies'), MAX_COPIES, images) : undefined) : whole
    if (copies && !copies.ok) return copies
    return done({
      copies: copies?.value.table ?? table,
      ...(copies && { copyOwner: copies.value.owner }),
      expanded: whole.value.table,
      owner: whole.value.owner,
    })
  }

  /** A pattern as others repeat it: as it is laid out, also where its own copies stand across a mirror. */
  of(pattern: Pattern): Result<Inner> {
    const outcome = this.about.outcomeOf(pattern)
    if (outcome.problem) return { ok: false, problem: outcome.problem }
    const known = this.repeated.get(pattern.id)
    if (known) return done(known)
    const copies = outcome.copies.asRepeated()
    const expanded = outcome.expanded === outcome.copies ? copies : outcome.expanded.asRepeated()
    const made = { copies, expanded, frames: outcome.frames }
    this.repeated.set(pattern.id, made)
    return done(made)
  }

  /** The parts in one piece of which an assembly consists; undefined for a part that is one piece. */
  private membersOf(thing: number): Result<InstanceTable> | undefined {
    const part = this.about.project.parts[thing]
    if (!isAssembly(part)) return undefined
    const known = this.assemblies.get(thing)
    if (known) return known
    const made = expand(assemblyTable(part, this.about.thingOf), (inner) => this.membersOf(inner), MAX_COPIES)
    const result = made.ok ? done(made.value.table) : made
    this.assemblies.set(thing, result)
    return result
  }
}
