import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import type { FoldOptions } from '@hilera/core/shapes/fold'
import type { ProjectFold } from '@hilera/core/folding/foldProject'
import * as Comlink from 'comlink'
import type { Folding } from '../worker/fold.worker'

export interface FoldRun {
  /** Undefined when it was stopped. */
  readonly result: Promise<ProjectFold | undefined>
  cancel(): void
}

/** Looks for parts that are one shape in a worker of its own; stopping it ends the worker and leaves nothing. */
export function startFold(
  project: Project,
  meshes: MeshLibrary,
  options: FoldOptions,
  onProgress: (share: number) => void,
): FoldRun {
  const worker = new Worker(new URL('../worker/fold.worker.ts', import.meta.url), { type: 'module' })
  const remote = Comlink.wrap<Folding>(worker)
  let stop: () => void = () => {}
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)))
  const broken = new Promise<never>(
    (_, reject) => (worker.onerror = () => reject(new Error('The comparison broke off. Fold fewer parts at once.'))),
  )
  const found = remote.fold(project, meshes, options, Comlink.proxy(onProgress)) as Promise<ProjectFold>
  const result = Promise.race([found, stopped, broken]).finally(() => worker.terminate())
  return { result, cancel: () => stop() }
}
