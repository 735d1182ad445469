import type { PatternOutcome } from '../../evaluate'
import { Flag } from '../../instances'
import { type Guise, guiseKeyOf, guiseOfKey } from '../../parts/guise'
import type { Project } from '../../model/project'
import { type Mesh, triangleCount } from '../../geometry/mesh'
import { type Result, done, refused } from '../../words'

/** How copies are written: a node each, or a table of placements that readers with instancing understand. */
export const copyStyles = ['linked', 'instanced'] as const
export type CopyStyle = (typeof copyStyles)[number]

/** What went into a file, and what was left out of it. */
export interface ExportReport {
  readonly style: CopyStyle
  readonly copies: number
  readonly meshes: number
  /** Triangles as they are drawn, every copy counted. */
  readonly triangles: number
  readonly emptyPlaces: number
  /** Copies that stand across a mirror instead of where their pattern placed them. */
  readonly movedAcross: number
  /** Copies that were left out so that others are clear. */
  readonly leftOut: number
  /** Copies that were joined with what they touch on a mirror plane, and the meshes that came of them. */
  readonly joinedCopies: number
  readonly joinedMeshes: number
  /** Copies that stand in their part's mirror image. */
  readonly twins: number
  readonly hiddenPatterns: number
  readonly hiddenCopies: number
  /** Copies of placeholders, which are never written. */
  readonly placeholders: number
  readonly lights: number
  /** By how much a written position differs from the true one at the most, in metres; 0 for linked copies. */
  readonly rounding: number
}

/** One linked copy is one node; beyond this many, readers take minutes and the file is mostly text. */
export const MAX_LINKED_COPIES = 200_000
/** From here on the compact way is offered by itself. */
export const MANY_COPIES = 50_000

/** The way of writing that suits so many copies. */
export const styleFor = (copies: number): CopyStyle => (copies > MANY_COPIES ? 'instanced' : 'linked')

/** What an export would hold, counted without writing it; refused when there is nothing or too much to write. */
export function forecastGlb(
  project: Project,
  outcomes: readonly Pick<PatternOutcome, 'expanded' | 'problem'>[],
  meshOf: (guise: Guise) => Mesh | undefined,
  style: CopyStyle,
): Result<ExportReport> {
  const used = new Map<number, number>()
  const kinds = project.parts.map((part) => part.shape.kind)
  let [emptyPlaces, hiddenPatterns, hiddenCopies, copies, placeholders, lights] = [0, 0, 0, 0, 0, 0]
  let [movedAcross, twins, leftOut] = [0, 0, 0]
  for (const [i, { hidden, name }] of project.patterns.entries()) {
    const { expanded: table, problem } = outcomes[i]
    if (problem && !hidden) return refused(`${name} cannot be placed: `, ...problem.says)
    if (hidden) hiddenPatterns++
    for (let k = 0; k < table.count; k++) {
      if (table.flags[k] & Flag.empty) emptyPlaces += hidden ? 0 : 1
      else if (table.flags[k] & Flag.leftOut) leftOut += hidden ? 0 : 1
      else if (hidden) hiddenCopies++
      else if (table.flags[k] & Flag.away) movedAcross++
      else if (kinds[table.thing[k]] === 'placeholder') placeholders++
      else {
        copies++
        if (kinds[table.thing[k]] === 'light') lights++
        else {
          const key = guiseKeyOf(table, k)
          used.set(key, (used.get(key) ?? 0) + 1)
          if (table.flags[k] & Flag.twin) twins++
        }
      }
    }
  }
  if (copies === 0) return refused('There is no copy to export. Add a pattern, or show one that is hidden.')
  if (style === 'linked' && copies > MAX_LINKED_COPIES) {
    return refused(
      { count: copies },
      ' copies are more than one file of linked nodes should hold, ',
      { count: MAX_LINKED_COPIES },
      '. Write them as instances, hide some patterns, or lower a count.',
    )
  }
  let triangles = 0
  for (const [key, times] of used) {
    const guise = guiseOfKey(key)
    const mesh = meshOf(guise)
    if (!mesh) return refused(`The mesh of ${project.parts[guise.part].name} is not there. Drop its file again.`)
    triangles += times * triangleCount(mesh)
  }
  return done({
    style,
    copies,
    meshes: used.size,
    triangles,
    emptyPlaces,
    movedAcross,
    leftOut,
    joinedCopies: 0,
    joinedMeshes: 0,
    twins,
    hiddenPatterns,
    hiddenCopies,
    placeholders,
    lights,
    rounding: 0,
  })
}
