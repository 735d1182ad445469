import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import type { Result } from '@hilera/core/words'
import type { WriterOptions } from '@hilera/core/writers/definition'
import type { Exported, Exporting } from '../worker/export.worker'
import { type Job, startJob } from '../worker/job'

/** Writes a file in a worker of its own. */
export const startExport = (
  name: string,
  project: Project,
  meshes: MeshLibrary,
  options: WriterOptions,
  onProgress: (share: number, doing: string) => void,
): Job<Result<Exported>> =>
  startJob<Exporting, Result<Exported>, [number, string]>(
    () => new Worker(new URL('../worker/export.worker.ts', import.meta.url), { type: 'module' }),
    (to, tell) => to.write(name, project, meshes, options, tell) as Promise<Result<Exported>>,
    onProgress,
    'The export broke off. Try again with fewer copies.',
  )
