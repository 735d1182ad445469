import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import type { Result } from '@hilera/core/words'
import * as Comlink from 'comlink'
import type { ExportOptions, Exported, Exporting } from '../worker/export.worker'

export interface ExportRun {
  /** Undefined when it was stopped. */
  readonly result: Promise<Result<Exported> | undefined>
  cancel(): void
}

/** Writes a file in a worker of its own; stopping it ends the worker and leaves nothing. */
export function startExport(
  project: Project,
  meshes: MeshLibrary,
  options: ExportOptions,
  onProgress: (share: number, doing: string) => void,
): ExportRun {
  const worker = new Worker(new URL('../worker/export.worker.ts', import.meta.url), { type: 'module' })
  const remote = Comlink.wrap<Exporting>(worker)
  let stop: () => void = () => {}
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)))
  const broken = new Promise<never>(
    (_, reject) => (worker.onerror = () => reject(new Error('The export broke off. Try again with fewer copies.'))),
  )
  const written = remote.glb(project, meshes, options, Comlink.proxy(onProgress)) as Promise<Result<Exported>>
  const result = Promise.race([written, stopped, broken]).finally(() => worker.terminate())
  return { result, cancel: () => stop() }
}
