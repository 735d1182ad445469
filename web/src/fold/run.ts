import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import type { FoldOptions } from '@hilera/core/shapes/fold'
import type { ProjectFold } from '@hilera/core/folding/foldProject'
import type { Folding } from '../worker/fold.worker'
import { type Job, startJob } from '../worker/job'

/** Looks for parts that are one shape, in a worker of its own. */
export const startFold = (
  project: Project,
  meshes: MeshLibrary,
  options: FoldOptions,
  onProgress: (share: number) => void,
): Job<ProjectFold> =>
  startJob<Folding, ProjectFold, [number]>(
    () => new Worker(new URL('../worker/fold.worker.ts', import.meta.url), { type: 'module' }),
    (to, tell) => to.fold(project, meshes, options, tell) as Promise<ProjectFold>,
    onProgress,
    'The comparison broke off. Fold fewer parts at once.',
  )
