import { Evaluator, type PatternOutcome } from '../evaluate'
import type { Mesh } from '../geometry/mesh'
import type { Project } from '../model/project'
import { type Guise, guiseKey, guiseNumber, guiseOf } from '../parts/guise'
import type { MeshLibrary, PartSource } from '../parts/partMesh'
import { writtenMesh } from '../parts/written'
import { Flag, type InstanceTable } from '../instances'

/** A project as it is worked out, ready to be written. */
export interface WorkedScene {
  readonly project: Project
  readonly outcomes: readonly PatternOutcome[]
  readonly source: PartSource
}

export const workedScene = (project: Project, meshes: MeshLibrary): WorkedScene => ({
  project,
  outcomes: new Evaluator().evaluate(project, meshes),
  source: { parts: project.parts, meshes },
})

/** The triangles of a guise as they are written; undefined while its mesh has not been read. */
export const meshOfGuise = ({ project, source }: WorkedScene, guise: Guise): Mesh | undefined =>
  writtenMesh(project.parts[guise.part], source, guise)

/** What becomes of each copy of a scene when it is written. */
export type Fate = 'written' | 'light' | 'placeholder' | 'empty' | 'away' | 'leftOut' | 'hidden'

export function fateOf(project: Project, hidden: boolean, table: InstanceTable, row: number): Fate {
  if (!table.isPresent(row)) {
    if (table.flags[row] & Flag.empty) return 'empty'
    return table.flags[row] & Flag.leftOut ? 'leftOut' : 'away'
  }
  if (hidden) return 'hidden'
  const { kind } = project.parts[table.thing[row]].shape
  return kind === 'placeholder' || kind === 'light' ? kind : 'written'
}

/** The guises in which parts are written, with how many copies each has. */
export function guisesIn({ project, outcomes }: WorkedScene): Map<string, { guise: Guise; copies: number }> {
  const found = new Map<string, { guise: Guise; copies: number }>()
  for (const [i, { hidden }] of project.patterns.entries()) {
    const { expanded: table, frames } = outcomes[i]
    const counts = new Map<number, number>()
    for (let k = 0; k < table.count; k++) {
      if (fateOf(project, hidden, table, k) !== 'written') continue
      const number = guiseNumber(table, k)
      counts.set(number, (counts.get(number) ?? 0) + 1)
    }
    for (const [number, copies] of counts) {
      const guise = guiseOf(number, frames)
      const key = guiseKey(guise)
      found.set(key, { guise, copies: (found.get(key)?.copies ?? 0) + copies })
    }
  }
  return found
}
