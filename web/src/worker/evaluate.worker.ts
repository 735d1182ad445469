import { Evaluator, type PatternOutcome, reachIn } from '@hilera/core/evaluate'
import { readPartFile } from '@hilera/core/formats/meshFile'
import { readScene, type Scene } from '@hilera/core/formats/sceneRead'
import type { ReadMesh } from '@hilera/core/formats/readMesh'
import type { FileUnit } from '@hilera/core/model/part'
import { emptyProject, type Project } from '@hilera/core/model/project'
import { symmetryPlanesOf } from '@hilera/core/mirror/things'
import type { SymmetryPlane } from '@hilera/core/shapes/symmetry'
import type { Mesh } from '@hilera/core/solids/mesh'
import { type Unrolled, unroll } from '@hilera/core/spacing/unroll'
import type { Result } from '@hilera/core/words'
import * as Comlink from 'comlink'
import { applyPatches, enablePatches, type Patch } from 'immer'
import { config as zodConfig } from 'zod'
import { batchesOf } from './batches'
import type { PatternUpdate, Update } from './messages'

zodConfig({ jitless: true })
enablePatches()

const meshes = new Map<string, Mesh>()
const evaluator = new Evaluator()
let project: Project = emptyProject('Untitled arrangement')
let outcomes: PatternOutcome[] = []
let sent = new Map<string, PatternOutcome>()

/** Works out patterns away from the interface. Keeps the document in step by the patches of its changes. */
const evaluating = {
  load(document: Project): Update {
    project = document
    sent = new Map()
    return workOut()
  },

  apply(patches: Patch[]): Update {
    project = applyPatches(project, patches)
    return workOut()
  },

  /** What another document would come to, beside the one that is worked on. */
  asIf: (other: Project): Update => packed(new Evaluator().evaluate(other, meshes), () => false, performance.now()),

  /** A pattern laid out flat; undefined when there is no such pattern. */
  strip(patternId: string): Unrolled | undefined {
    const at = outcomes.findIndex((o) => o.id === patternId)
    return at < 0 ? undefined : unroll(project.patterns[at], outcomes[at], reachIn(project, meshes, outcomes))
  },

  addMeshes(added: ReadonlyMap<string, Mesh>): Update {
    for (const [key, mesh] of added) meshes.set(key, mesh)
    return workOut()
  },

  /** The planes in which a part is its own mirror image; undefined when there is no such part. */
  symmetryOf(partId: string): readonly SymmetryPlane[] | undefined {
    const part = project.parts.find((p) => p.id === partId)
    return part && symmetryPlanesOf(part, { parts: project.parts, meshes })
  },

  readFile: (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> =>
    readPartFile(bytes, name, unit),

  readScene: (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<Scene>> => readScene(bytes, name, unit),
}

export type Evaluating = typeof evaluating

function workOut(): Update {
  const start = performance.now()
  outcomes = evaluator.evaluate(project, meshes)
  const before = sent
  sent = new Map(outcomes.map((outcome) => [outcome.id, outcome]))
  return packed(outcomes, (outcome) => before.get(outcome.id) === outcome, start)
}

/** Outcomes as they go to the page, with what the stage draws of them; those that it has are only named. */
function packed(all: readonly PatternOutcome[], isKnown: (outcome: PatternOutcome) => boolean, start: number): Update {
  const transfers: ArrayBuffer[] = []
  const patterns = all.map((outcome): Update['patterns'][number] => {
    if (isKnown(outcome)) return { id: outcome.id, unchanged: true }
    const table = outcome.table.snapshot()
    const expanded = outcome.owner ? outcome.expanded.snapshot() : table
    const batches = batchesOf(expanded, table, outcome.owner)
    for (const sent of new Set([table, expanded])) {
      for (const array of Object.values(sent))
        if (ArrayBuffer.isView(array)) transfers.push(array.buffer as ArrayBuffer)
    }
    for (const { rows, matrices } of batches) transfers.push(rows.buffer as ArrayBuffer, matrices.buffer as ArrayBuffer)
    const drawn = batches.reduce((n, { rows }) => n + rows.length, 0)
    return { ...outcome, table, expanded, batches, drawn } satisfies PatternUpdate
  })
  return Comlink.transfer({ patterns, milliseconds: performance.now() - start }, transfers)
}

Comlink.expose(evaluating)
